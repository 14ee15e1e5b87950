import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ReuseReason, ReuseVerdict, ReuseWay } from '@hygromet/core/account/reuse-verdict';
import { catchError, map, of, switchMap } from 'rxjs';
import type { ReuseArgs } from '../../live/account-operations';
import { Api } from '../../live/api';
import { asked } from '../../live/asked';
import { Drafts } from '../../live/draft.service';
import { PropertyService } from '../../live/property.service';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { ChoiceField } from '../../ui/choice-field';
import { valueOf } from '../../ui/loadable';
import { VisitJob } from '../visit-job';

const wayNames: Record<ReuseWay, string> = {
  'same-system': 'Back into this system',
  'other-system': 'Another system of the owner',
  reclaim: 'To the reclaimer',
  destroy: 'Destroy',
};
const standingWords = { possible: 'possible', 'not-advised': 'not advised', no: 'no' } as const;
const reasonWords: Record<ReuseReason, string> = {
  'beyond-tolerance': 'its composition is beyond the tolerance of the blend',
  'much-lost': 'more than 20 % of the plate was lost',
  acid: 'acid was found',
  moisture: 'the moisture test failed',
  air: 'more than 1.5 % non-condensables',
  'not-tested': 'acid or moisture not tested',
  'another-owner': 'it changes hands',
  'within-tolerance': 'within tolerance, acid and moisture tested',
};

interface ReuseDraft {
  readonly lost: string;
  readonly phase: string;
  readonly moisture: string;
  readonly school: string;
}

/** What it is now, by the share that leaked before it was recovered, where it may go, and what would bring it back within tolerance. */
@Component({
  selector: 'hy-reuse-verdict',
  imports: [ChoiceField],
  template: `
    <h3>May it go back?</h3>
    <div class="fields">
      <hy-choice-field label="Lost before recovery" [choices]="losses()" [value]="draft().lost" (valueChange)="change({ lost: $event })" />
      <hy-choice-field label="It leaked as" [choices]="phases" [value]="draft().phase" (valueChange)="change({ phase: $event })" />
      <hy-choice-field label="Moisture test" [choices]="tests" [value]="draft().moisture" (valueChange)="change({ moisture: $event })" />
      <hy-choice-field label="Judged by" [choices]="schools" [value]="draft().school" (valueChange)="change({ school: $event })" />
    </div>
    @if (reuse(); as r) {
      <table>
        <caption class="unseen">
          Where it may go
        </caption>
        <tbody>
          @for (own of r.verdicts; track own.way) {
            <tr>
              <th scope="row">{{ ways[own.way] }}</th>
              <td class="standing" [class]="own.standing">{{ standings[own.standing] }}</td>
              <td class="second">{{ reasons(own) }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="second">
        {{ shares() }}{{ r.published ? '' : ' The tolerance of this blend is not in the table: ± 2 % is taken.' }} Composition by the leak,
        tolerance by ASHRAE 34 (from memory).
      </p>
      @if (restoring(); as words) {
        <p>{{ words }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 12px;
    }

    h3 {
      font-size: 18px;
    }

    .fields {
      display: grid;
      gap: 12px 16px;
      grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
    }

    table {
      width: 100%;
      border-collapse: collapse;
    }

    th,
    td {
      padding: 8px 12px 8px 0;
      border-top: 1px solid var(--line);
      font-weight: 430;
      text-align: left;
    }

    .standing {
      font-weight: 650;
      white-space: nowrap;
    }

    .possible {
      color: var(--fine);
    }

    .not-advised {
      color: var(--caution);
    }

    .no {
      color: var(--danger);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReuseVerdictOfVisit {
  /** kg on record before, and what is missing of it. */
  readonly beforeKg = input.required<number>();
  readonly missingKg = input.required<number>();
  /** kg that were recovered. */
  readonly recoveredKg = input.required<number>();
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  private readonly api = inject(Api);
  private readonly stored = inject(Drafts).open<ReuseDraft>(`reuse.${this.job.id}`, () => ({
    lost: 'account',
    phase: 'unknown',
    moisture: 'not-tested',
    school: 'composition',
  }));
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly ways = wayNames;
  protected readonly standings = standingWords;
  protected readonly losses = computed(() => [
    { value: 'account', label: `as the account says, ${this.units.percent(this.accountShare())}` },
    ...[0, 0.1, 0.2, 0.4, 0.6].map((share) => ({ value: String(share), label: this.units.percent(share) })),
  ]);
  protected readonly phases = [
    { value: 'unknown', label: 'not known' },
    { value: 'vapour', label: 'vapor' },
    { value: 'liquid', label: 'liquid' },
  ];
  protected readonly tests = [
    { value: 'not-tested', label: 'not tested' },
    { value: 'pass', label: 'passed' },
    { value: 'fail', label: 'failed' },
  ];
  protected readonly schools = [
    { value: 'composition', label: 'its computed composition' },
    { value: 'nameplate-share', label: 'the share that was lost' },
    { value: 'always', label: 'always back' },
  ];

  private readonly accountShare = computed(() => Math.min(0.95, Math.max(0, this.missingKg() / Math.max(1e-6, this.beforeKg()))));
  private readonly question = computed((): ReuseArgs | undefined => {
    const [question, plan, designation] = [this.session.question(), valueOf(this.session.plan()), this.job.visit()?.system.refrigerant];
    const { lost, phase, moisture, school } = this.draft();
    if (question === undefined || plan === undefined || designation === undefined || this.beforeKg() <= 0) return undefined;
    return {
      designation,
      composition: question.composition,
      beforeKg: this.beforeKg(),
      volumeM3: plan.volume.likely,
      T: question.look.T,
      lost: lost === 'account' ? this.accountShare() : Number(lost),
      phase: phase as ReuseArgs['phase'], // the lists offer only what the core knows
      moisture: moisture as ReuseArgs['moisture'],
      school: school as ReuseArgs['school'],
      acid: this.session.draft().acid,
    };
  });
  private readonly answer = asked(inject(PropertyService), 'reuse', this.question);
  protected readonly reuse = computed(() => valueOf(this.answer()));
  protected readonly shares = computed(() => {
    const own = this.reuse();
    if (own === undefined) return '';
    const nominal = this.session.question()?.composition ?? {};
    const parts = Object.entries(own.composition).map(
      ([substance, share]) =>
        `${substance} ${this.units.decimal(100 * share, 1)} % (${this.units.decimal(100 * (nominal[substance] ?? 0), 1)})`,
    );
    return `What is left: ${parts.join(', ')}.`;
  });

  /** The least that brings it back, from virgin components and the blend itself. */
  private readonly restored = toSignal(
    toObservable(
      computed(() => {
        const [own, designation] = [this.reuse(), this.job.visit()?.system.refrigerant];
        const components = Object.keys(this.session.question()?.composition ?? {});
        if (own === undefined || designation === undefined || own.beyond.length === 0 || this.recoveredKg() <= 0) return undefined;
        const available = [...new Set([designation, ...components])].map((refrigerant) => ({ refrigerant }));
        return { op: 'restore' as const, massKg: this.recoveredKg(), composition: { ...own.composition }, designation, available };
      }),
    ).pipe(
      switchMap((body) => (body === undefined ? of(undefined) : this.api.call$('compute', { body }).pipe(catchError(() => of(undefined))))),
      map((answer) => (answer !== undefined && 'possible' in answer ? answer : undefined)),
    ),
  );
  protected readonly restoring = computed(() => {
    const own = this.restored();
    if (own === undefined) return undefined;
    if (!own.possible) return 'No addition of its components brings it back within tolerance: send it to the reclaimer as a mixture.';
    const add = own.add.map(({ refrigerant, kg }) => `${this.units.massText(kg, 'up')} of ${refrigerant ?? ''}`);
    return `Back within tolerance by adding ${add.join(' and ')}: ${this.units.massText(own.resultKg)} then, if the cylinder and the charge have room for it.`;
  });

  protected reasons = ({ reasons }: ReuseVerdict): string => reasons.map((own) => reasonWords[own]).join('; ');

  protected change(part: Partial<ReuseDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }
}
