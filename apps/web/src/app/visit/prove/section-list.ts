import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { JointFinding } from '@hygromet/core/circuit/joints';
import { sectionsOf } from '@hygromet/core/circuit/sections';
import { errorIn } from '../../data/mutation';
import { MethodSession } from '../../method/method.session';
import { valveIdName } from '../../systems/system-labels';
import { sectionName } from './section-name';
import { ChoiceField } from '../../ui/choice-field';
import { VisitJob } from '../visit-job';
import { sectionId } from '@hygromet/core/circuit/section-id';

const NOT_YET = { value: '', label: $localize`not held yet` };
const FOUND = [
  { value: 'tight', label: $localize`held: no leak` },
  { value: 'leaks', label: $localize`leaks` },
  { value: 'repaired', label: $localize`leaked, repaired` },
];

/** The pieces that hand valves tell apart: held each by itself, they say on which side a leak is. */
@Component({
  selector: 'hy-section-list',
  imports: [ChoiceField],
  template: `
    @if (rows().length > 1) {
      <h3 i18n>By halves</h3>
      <p i18n class="second">Shut {{ valves() }} and hold each side by itself: the one that falls has the leak. Common practice.</p>
      <ul>
        @for (row of rows(); track row.id) {
          <li [class]="row.finding ?? 'open'">
            <span class="mark" aria-hidden="true">{{ row.finding === undefined ? '○' : row.finding === 'tight' ? '✓' : '◆' }}</span>
            <span>
              {{ row.name }}
              @if (!row.hasPort) {
                <span i18n class="small">no port on record: it is judged by the other side</span>
              }
            </span>
            <hy-choice-field
              label="Held: {{ row.name }}"
              i18n-label
              [hideLabel]="true"
              [choices]="row.choices"
              [value]="row.finding ?? ''"
              (valueChange)="set(row.id, $event)"
            />
          </li>
        }
      </ul>
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
    }
  `,
  styleUrl: './place-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SectionList {
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly found = computed(() => new Map((this.job.visit()?.joints ?? []).map((entry) => [entry.joint, entry.finding])));
  private readonly sections = computed(() => {
    const circuit = this.session.circuit();
    const states = Object.fromEntries(this.session.valveStates().map(({ valve, state }) => [valve, state]));
    return circuit === undefined ? [] : sectionsOf(circuit, states);
  });
  protected readonly valves = computed(() => {
    const names = [...new Set(this.sections().flatMap(({ valves }) => valves))].map((id) => valveIdName(id).toLowerCase());
    return $localize`the ${names.length < 2 ? names.join('') : $localize`${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`}`;
  });
  protected readonly rows = computed(() =>
    this.sections().map((section) => {
      const { components, hasPort } = section;
      const id = sectionId(section);
      const finding = this.found().get(id);
      return { id, hasPort, finding, name: sectionName(components), choices: finding === undefined ? [NOT_YET, ...FOUND] : FOUND };
    }),
  );
  private readonly checking = this.job.adding();
  protected readonly refused = computed(() => errorIn(this.checking.state()));

  protected set(joint: string, value: string): void {
    if (value === '') return;
    this.checking.send({ kind: 'joint-checked', joint, check: 'hold', finding: value as JointFinding }); // the list offers only these
  }
}
