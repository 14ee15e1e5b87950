import { worthSaying } from '@hygromet/core/cycle/told';
import type { UnitKind } from '@hygromet/core/cycle/unit';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { RunningAnswer } from '../../core-worker/running-operations';
import { Units } from '../../preferences/units.service';
import { explanationTextOf, skewOfText, skewText } from './check-labels';

const MOST_SHOWN = 4;

/** What explains the readings, what skews them today, and what the rule of thumb would say beside it. */
@Component({
  selector: 'hy-check-tables',
  template: `
    @if (explanations().length > 0) {
      <table>
        <caption i18n class="unseen">
          What explains it
        </caption>
        <thead>
          <tr>
            <th i18n scope="col">What explains it</th>
            <th i18n scope="col" class="number">chance</th>
          </tr>
        </thead>
        <tbody>
          @for (entry of explanations(); track entry.code; let first = $first) {
            <tr [class.first]="first">
              <th scope="row">{{ names()[entry.code] }}</th>
              <td class="number">{{ units.percent(entry.probability) }}</td>
            </tr>
          }
        </tbody>
      </table>
    }
    @if (skews().length > 0) {
      <table>
        <thead>
          <tr>
            <th i18n scope="col">What skews the readings today</th>
            <th i18n scope="col" class="number">by</th>
          </tr>
        </thead>
        <tbody>
          @for (entry of skews(); track entry.text) {
            <tr>
              <th scope="row">{{ entry.text }}</th>
              <td class="number">{{ entry.amount }}</td>
            </tr>
          }
        </tbody>
      </table>
    }
    @if (thumb(); as words) {
      <p class="second">{{ words }}</p>
    }
    @if (answer().learnedFrom > 0) {
      <p i18n class="second">
        Judged by its own numbers, from {{ answer().learnedFrom }} earlier {{ answer().learnedFrom === 1 ? words.visit : words.visits }} on
        which it was charged by weight and ran well.
      </p>
    }
  `,
  styleUrl: '../stages/stage.css',
  styles: `
    :host {
      gap: 16px;
    }

    .first th,
    .first td {
      background: color-mix(in srgb, var(--act) 9%, transparent);
      font-size: 17px;
      font-weight: 650;
    }

    .first th {
      padding-left: 12px;
      border-left: 5px solid var(--act);
    }

    .first td {
      padding-right: 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckTables {
  protected readonly words = { visit: $localize`visit`, visits: $localize`visits` } as const;

  readonly answer = input.required<RunningAnswer>();
  readonly kind = input<UnitKind | undefined>(undefined);
  protected readonly units = inject(Units);
  protected readonly names = computed(() => explanationTextOf(this.kind()));
  protected readonly explanations = computed(() =>
    this.answer()
      .explanations.slice(0, MOST_SHOWN)
      .filter(({ probability }, k) => k === 0 || worthSaying(probability)),
  );
  protected readonly skews = computed(() =>
    this.answer().skews.map(({ by, of, amount }) => {
      const size =
        of === 'head' || of === 'suction' ? this.units.pressureStep(Math.abs(amount)) : this.units.temperatureStep(Math.abs(amount));
      return { text: skewText[by], amount: `${amount < 0 ? '−' : '+'}${size} ${skewOfText[of]}` };
    }),
  );
  protected readonly thumb = computed(() => {
    const current = this.answer().thumb;
    if (current === undefined) return undefined;
    const says = {
      add: $localize`add`,
      remove: $localize`remove`,
      leave: $localize`leave it`,
      'too-low-to-charge': $localize`too low to charge by it`,
    }[current.says];
    return $localize`By rule of thumb: ${current.by} ${this.units.temperatureStep(current.read)}, target ${this.units.temperatureStep(current.target)}, ${says}.`;
  });
}
