import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { jointsOf, type Joint, type JointCheck, type JointFinding } from '@hygromet/core/circuit/joints';
import { errorIn } from '../../data/mutation';
import { MethodSession } from '../../method/method.session';
import { ChoiceField } from '../../ui/choice-field';
import { TextField } from '../../ui/text-field';
import { VisitJob } from '../visit-job';
import { Photographs } from './photographs';
import { jointName, type Listed } from './joint-name';
import { isSection } from '@hygromet/core/circuit/section-id';
import { ReactiveFormsModule } from '@angular/forms';
import { draftForm } from '../../forms/draft-form';
import { wrongIf } from '../../forms/validators';

/** Every place that can leak, generated from the record: what was looked at, what not, and what leaked. */
@Component({
  selector: 'hy-joint-list',
  imports: [ChoiceField, Photographs, ReactiveFormsModule, TextField],
  template: `
    <h3 i18n>Joints</h3>
    <p class="second" role="status">{{ told() }}</p>
    <ul>
      @for (item of rows(); track item.joint.id) {
        <li [class]="item.finding ?? 'open'">
          <span class="mark" aria-hidden="true">{{ item.finding === undefined ? '○' : item.finding === 'tight' ? '✓' : '◆' }}</span>
          <span>{{ item.name }}</span>
          <hy-choice-field
            label="Finding at {{ item.name }}"
            i18n-label
            [hideLabel]="true"
            [choices]="item.choices"
            [value]="item.value"
            (valueChange)="set(item.joint, $event)"
          />
          <hy-photographs [place]="item.joint.id" [of]="item.name" />
        </li>
      }
    </ul>
    @if (job.open()) {
      <form class="another" novalidate [formGroup]="another.form" (ngSubmit)="addPlace()">
        <hy-text-field
          label="Another place"
          i18n-label
          placeholder="such as a rubbed spot on the suction line"
          i18n-placeholder
          formControlName="place"
        />
        <hy-choice-field label="What was found there" i18n-label [choices]="placeChoices" formControlName="finding" />
        <button i18n type="submit" class="button" [disabled]="!addable()">Add the place</button>
      </form>
    }
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styleUrl: './place-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JointList {
  protected readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly choices = [
    { value: 'soap:tight', label: $localize`soap: no leak` },
    { value: 'detector:tight', label: $localize`detector: no leak` },
    { value: 'hold:tight', label: $localize`hold of this part: no leak` },
    { value: 'soap:leaks', label: $localize`leaks` },
    { value: 'soap:repaired', label: $localize`leaked, repaired` },
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
        name: jointName(joint),
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
    const start = $localize`${seen} of ${rows.length} looked at`;
    const again = rows.filter(({ finding }) => finding === 'repaired').map(({ name }) => name);
    const rest =
      again.length === 0 ? '' : $localize` Repaired: test ${again.join(', ')} again under pressure; what was found tight elsewhere stands.`;
    if (leaking.length > 0) return $localize`${start}; leaks: ${leaking.join(', ')}.${rest}`;
    return open === 0 ? `${start}.${rest}` : $localize`${start}; ${open} not yet: what was not looked at is not shown tight.${rest}`;
  });
  /** A place that no record names. */
  protected readonly another = draftForm(`another-place.${this.job.id}`, () => ({ place: '', finding: '' }), {
    fields: { place: [wrongIf((place: string) => this.placeProblem(place.trim()))] },
  });
  protected readonly placeChoices = [NOT_YET, ...this.choices];
  protected readonly addable = computed(() => {
    const { place, finding } = this.another.value();
    return place.trim() !== '' && finding !== '' && this.placeProblem(place.trim()) === undefined;
  });
  private readonly addingPlace = this.job.adding(() => this.another.renew());
  private readonly checking = this.job.adding();
  protected readonly refused = computed(() => errorIn(this.checking.state()) ?? errorIn(this.addingPlace.state()));

  /** What was looked at when the record had another make-up is not lost, and neither is what somebody has added. */
  private ofEarlierMakeUp(joints: readonly Joint[]): readonly Listed[] {
    return [...this.found().keys()]
      .filter((id) => !isSection(id) && !joints.some((joint) => joint.id === id))
      .map((id) => ({ id, kind: 'joint' as const }));
  }

  private placeProblem(name: string): string | undefined {
    if (name.length > MOST_LETTERS_COUNT) return $localize`At most ${MOST_LETTERS_COUNT} letters.`;
    return this.rows().some((row) => row.name === name || row.joint.id === name)
      ? $localize`This place is in the list: say there what was found.`
      : undefined;
  }

  /** What was typed stays until it is saved. */
  protected addPlace(): void {
    const { place, finding } = this.another.value();
    const said = findingOf(finding);
    if (said !== undefined) this.addingPlace.send({ kind: 'joint-checked', joint: place.trim(), ...said });
  }

  protected set({ id }: Listed, value: string): void {
    const said = findingOf(value);
    if (said !== undefined) this.checking.send({ kind: 'joint-checked', joint: id, ...said });
  }
}

/** The lists offer only pairs of these, or nothing. */
function findingOf(value: string): { readonly check: JointCheck; readonly finding: JointFinding } | undefined {
  const [check, finding] = value.split(':') as [JointCheck | '', JointFinding | undefined];
  return check === '' || finding === undefined ? undefined : { check, finding };
}

const MOST_LETTERS_COUNT = 60;
const NOT_YET = { value: '', label: $localize`not looked at` };
