import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { jointsOf, type Joint, type JointCheck, type JointFinding } from '@hygromet/core/circuit/joints';
import type { Thing } from '@hygromet/core/circuit/opened';
import { errorIn } from '../../data/mutation';
import { MethodSession } from '../../method/method.session';
import { thingName } from '../../systems/system-labels';
import { ChoiceField } from '../../ui/choice-field';
import { VisitJob } from '../visit-job';
import { isSection } from './section-id';

/** Every place that can leak, generated from the record: what was looked at, what not, and what leaked. */
@Component({
  selector: 'hy-joint-list',
  imports: [ChoiceField],
  template: `
    <h3>Joints</h3>
    <p class="second" role="status">{{ told() }}</p>
    <ul>
      @for (item of rows(); track item.joint.id) {
        <li [class]="item.finding ?? 'open'">
          <span class="mark" aria-hidden="true">{{ item.finding === undefined ? '○' : item.finding === 'tight' ? '✓' : '◆' }}</span>
          <span>{{ item.name }}</span>
          <hy-choice-field
            [label]="'Finding at ' + item.name"
            [hideLabel]="true"
            [choices]="item.choices"
            [value]="item.value"
            (valueChange)="set(item.joint, $event)"
          />
        </li>
      }
    </ul>
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './place-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JointList {
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly choices = [
    { value: 'soap:tight', label: 'soap: no leak' },
    { value: 'detector:tight', label: 'detector: no leak' },
    { value: 'hold:tight', label: 'hold of this part: no leak' },
    { value: 'soap:leaks', label: 'leaks' },
    { value: 'soap:repaired', label: 'leaked, repaired' },
  ];
  private readonly found = computed(() => new Map((this.job.visit()?.joints ?? []).map((entry) => [entry.joint, entry])));
  protected readonly rows = computed(() => {
    const circuit = this.session.circuit();
    if (circuit === undefined) return [];
    const joints = jointsOf(circuit);
    return [...joints, ...this.ofEarlierMakeUp(joints)].map((joint) => {
      const known = this.found().get(joint.id);
      return {
        joint,
        name: nameOf(joint),
        finding: known?.finding,
        value: known === undefined ? '' : `${known.check}:${known.finding}`,
        choices: known === undefined ? [NOT_YET, ...this.choices] : this.choices,
      };
    });
  });
  protected readonly told = computed(() => {
    const rows = this.rows();
    const seen = rows.filter(({ finding }) => finding !== undefined).length;
    const leaking = rows.filter(({ finding }) => finding === 'leaks').map(({ name }) => name);
    const open = rows.length - seen;
    const start = `${seen} of ${rows.length} looked at`;
    if (leaking.length > 0) return `${start}; leaks: ${leaking.join(', ')}.`;
    return open === 0 ? `${start}.` : `${start}; ${open} not yet: what was not looked at is not shown tight.`;
  });
  private readonly checking = this.job.adding();
  protected readonly refused = computed(() => errorIn(this.checking.state()));

  /** What was looked at when the record had another make-up is not lost. */
  private ofEarlierMakeUp(joints: readonly Joint[]): readonly Listed[] {
    return [...this.found().keys()]
      .filter((id) => !isSection(id) && !joints.some((joint) => joint.id === id))
      .map((id) => ({ id, kind: 'joint' as const }));
  }

  protected set({ id }: Listed, value: string): void {
    const [check, finding] = value.split(':') as [JointCheck | '', JointFinding | undefined]; // the list offers only these
    if (check === '' || finding === undefined) return;
    this.checking.send({ kind: 'joint-checked', joint: id, check, finding });
  }
}

const NOT_YET = { value: '', label: 'not looked at' };

type Listed = Pick<Joint, 'kind'> & { readonly id: string };

function nameOf({ id, kind }: Listed): string {
  const name = thingName(id as Thing); // a record names what circuits have
  if (kind === 'valve') return `${name}, stem and cap`;
  return kind === 'port' ? `${name}, core and cap` : name;
}
