import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { beforeLeaving, type Leaving, type LeavingFacts, type LeavingStep } from '@hygromet/core/proof/long-hold';

const TEXT: Record<LeavingStep, string> = {
  settled: $localize`Half an hour since it was filled: the heat of filling has faded.`,
  clamp: $localize`A thermometer clamped to the pipe, insulated from the air.`,
  shade: $localize`Pipe and thermometers out of the sun at this hour, and at the hour when you come back.`,
  'regulator-off': $localize`Nitrogen cylinder shut, hose off and the port capped: a regulator that creeps hides a leak.`,
  tag: $localize`A tag at the unit and at its disconnect: under nitrogen, how much, since when, who. Nobody may start it.`,
  readings: $localize`Four readings now, minutes apart: the fall is measured from them. Instruments that are followed take them.`,
};
const STATE: Record<Leaving['state'], string> = { done: $localize`done`, 'to-do': $localize`still to do`, 'by-hand': $localize`see to it` };
const MARK: Record<Leaving['state'], string> = { done: '✓', 'to-do': '◆', 'by-hand': '○' };

/** What is done before a system is left alone under nitrogen. */
@Component({
  selector: 'hy-before-leaving',
  template: `
    <h3 i18n>Before you leave</h3>
    <ul>
      @for (item of steps(); track item.step) {
        <li [class]="item.state === 'to-do' ? 'leaks' : item.state === 'done' ? 'tight' : 'open'">
          <span class="mark" aria-hidden="true">{{ marks[item.state] }}</span>
          <span>{{ texts[item.step] }}</span>
          <span class="small">{{ states[item.state] }}</span>
        </li>
      }
    </ul>
  `,
  styleUrl: './place-list.css',
  styles: `
    h3 {
      margin: 6px 0;
    }

    li {
      grid-template-columns: 20px minmax(0, 1fr) auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeforeLeaving {
  readonly facts = input.required<LeavingFacts>();
  protected readonly texts = TEXT;
  protected readonly states = STATE;
  protected readonly marks = MARK;
  protected readonly steps = computed(() => beforeLeaving(this.facts()));
}
