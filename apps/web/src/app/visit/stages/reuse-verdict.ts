import { fromServer, serverReader } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { beyondTolerance } from '@hygromet/core/account/blend-tolerance';
import { findingNow, type RefrigerantTest } from '@hygromet/core/account/refrigerant-tests';
import { refrigerantPasts, type RefrigerantPast, type ReuseVerdict } from '@hygromet/core/account/reuse-verdict';
import { sameRefrigerant } from '@hygromet/core/fluids/composition';
import { isUnknown } from '@hygromet/core/cylinder/unknown-content';
import { SAME_WEIGHT_KG } from '@hygromet/core/cylinder/scale-tolerance';
import { perhapsBurntOut } from '@hygromet/core/planning/job-conditions';
import { of, switchMap } from 'rxjs';
import type { ReuseArgs } from '../../core-worker/account-operations';
import { Api } from '../../data/api';
import { coreQuery } from '../../core-worker/core-query';
import { Drafts } from '../../data/draft.service';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { ServerData } from '../../data/server-data.service';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { ReadState } from '../../shell/read-state';
import { ChoiceField } from '../../ui/choice-field';
import { Computing } from '../../ui/computing';
import { valueOf, waiting } from '../../ui/loadable';
import { VisitJob } from '../visit-job';
import { notRestoredText, pastText, reasonText, feasibilityText, wayText } from './account-labels';

interface ReuseDraft {
  readonly lost: string;
  readonly phase: string;
  readonly past: string;
  readonly school: string;
}

/** What it is now, by the share that leaked before it was recovered, where it may go, and what would bring it back within tolerance. */
@Component({
  selector: 'hy-reuse-verdict',
  imports: [ChoiceField, Computing, ReadState],
  template: `
    <h3 i18n>May it go back?</h3>
    @if (loaded().state !== 'ready') {
      <hy-read-state [of]="loaded()" what="cylinders" i18n-what />
    }
    @if (reuse(); as r) {
      <table>
        <caption i18n class="unseen">
          Where it may go
        </caption>
        <tbody [hyComputing]="answer()">
          @for (item of r.verdicts; track item.way) {
            <tr>
              <th scope="row">{{ ways[item.way] }}</th>
              <td class="feasibility" [class]="item.feasibility">{{ feasibilityText[item.feasibility] }}</td>
              <td class="second">{{ reasons(item) }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p i18n class="second">
        {{ shares() }}{{ r.published ? '' : words.theToleranceOfThisBlend }} Composition by the leak, tolerance by ASHRAE 34 (from memory).
      </p>
      @for (item of mixed(); track item) {
        <p>{{ item }}</p>
      }
      @if (restoring(); as words) {
        <p>{{ words }}</p>
      }
      @if (restored().state === 'failed') {
        <p i18n class="second">What would bring it back within tolerance cannot be computed now.</p>
      }
    }
    <div class="fields">
      <hy-choice-field
        label="Lost before recovery"
        i18n-label
        [choices]="losses()"
        [value]="draft().lost"
        (valueChange)="change({ lost: $event })"
      />
      <hy-choice-field
        label="It leaked as"
        i18n-label
        [choices]="phases"
        [value]="draft().phase"
        (valueChange)="change({ phase: $event })"
      />
      <hy-choice-field
        label="It comes from"
        i18n-label
        [choices]="pasts()"
        [value]="draft().past"
        (valueChange)="change({ past: $event })"
      />
      <hy-choice-field
        label="Judged by"
        i18n-label
        [choices]="schools"
        [value]="draft().school"
        (valueChange)="change({ school: $event })"
      />
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 12px;
    }

    hy-read-state {
      padding: 0;
    }

    h3 {
      font-size: 18px;
    }

    .fields {
      display: grid;
      gap: 12px 16px;
      grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
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

    .feasibility {
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
  protected readonly words = {
    theToleranceOfThisBlend: $localize` The tolerance of this blend is not in the table: ± 2 % is taken.`,
  } as const;

  /** kg on record before, and what is missing of it. */
  readonly beforeKg = input.required<number>();
  readonly missingKg = input.required<number>();
  /** kg that were recovered. */
  readonly recoveredKg = input.required<number>();
  /** The cylinders that hold it. */
  readonly cylinders = input.required<readonly string[]>();
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  private readonly api = inject(Api);
  private readonly read$ = serverReader();
  protected readonly loaded = fromServer(inject(ServerData).cylinders$);
  private readonly rack = computed(() => valueOf(this.loaded()) ?? []);
  private readonly stored = inject(Drafts).open<ReuseDraft>(`reuse.${this.job.id}`, () => ({
    lost: 'account',
    phase: 'unknown',
    past: 'look',
    school: 'composition',
  }));
  protected readonly draft = this.stored.value.asReadonly();
  protected readonly ways = wayText;
  protected readonly feasibilityText = feasibilityText;
  protected readonly losses = computed(() => [
    { value: 'account', label: $localize`as the account says, ${this.units.percent(this.accountShare())}` },
    ...[0, 0.1, 0.2, 0.4, 0.6].map((share) => ({ value: String(share), label: this.units.percent(share) })),
  ]);
  protected readonly phases = [
    { value: 'unknown', label: $localize`not known` },
    { value: 'vapour', label: $localize`vapor` },
    { value: 'liquid', label: $localize`liquid` },
  ];
  protected readonly pasts = computed(() => [
    { value: 'look', label: $localize`as seen: ${pastText[this.seenPast()]}` },
    ...refrigerantPasts.map((value) => ({ value, label: pastText[value] })),
  ]);
  protected readonly schools = [
    { value: 'composition', label: $localize`its computed composition` },
    { value: 'nameplate-share', label: $localize`the share that was lost` },
    { value: 'always', label: $localize`always back` },
  ];

  private readonly accountShare = computed(() => Math.min(0.95, Math.max(0, this.missingKg() / Math.max(1e-6, this.beforeKg()))));
  /** After a compressor that failed, or may have burned out, acid is reckoned with. */
  private readonly seenPast = computed((): RefrigerantPast => {
    const look = this.job.visit()?.look;
    if (perhapsBurntOut(look?.compressor ?? 'unknown') || look?.failed === 'compressor') return 'burn-out';
    return look?.failed === undefined || look.failed === 'unknown' ? 'unknown' : 'usual';
  });
  /** By the record of this visit; an acid test of the look counts until there is another. */
  private readonly tests = computed((): ReuseArgs['tests'] => {
    const { refrigerantTests: tests = [], cleaning = [] } = this.job.visit() ?? {};
    const now = (test: RefrigerantTest) => findingNow(tests, cleaning, test);
    const seen = { 'not-tested': 'not-tested', none: 'pass', acid: 'fail' } as const;
    const acid = now('acid');
    return {
      acid: acid === 'not-tested' ? seen[this.session.draft().acid] : acid,
      moisture: now('moisture'),
      oil: now('oil'),
      'non-condensables': now('non-condensables'),
    };
  });
  private readonly holding = computed(() => this.rack().filter(({ id }) => this.cylinders().includes(id)));
  /** The worst that was found in the cylinders that hold it. */
  private readonly airShare = computed(() => {
    const found = this.holding().flatMap(({ airShare }) => (airShare === null ? [] : [airShare]));
    return found.length === 0 ? undefined : Math.max(...found);
  });
  private readonly question = computed((): ReuseArgs | undefined => {
    const [question, plan, designation] = [this.session.question(), valueOf(this.session.plan()), this.job.visit()?.system.refrigerant];
    if (this.loaded().state !== 'ready') return undefined; // what was found in the cylinders that hold it counts
    const { lost, phase, past, school } = this.draft();
    if (question === undefined || plan === undefined || designation === undefined || this.beforeKg() <= 0) return undefined;
    return {
      designation,
      composition: question.composition,
      beforeKg: this.beforeKg(),
      volumeM3: plan.volume.likely,
      T: question.look.T,
      lost: lost === 'account' ? this.accountShare() : Number(lost),
      phase: phase as ReuseArgs['phase'], // the lists offer only what the core knows
      past: past === 'look' ? this.seenPast() : (past as ReuseArgs['past']),
      school: school as ReuseArgs['school'],
      tests: this.tests(),
      airShare: this.airShare(),
    };
  });
  protected readonly answer = coreQuery(inject(CoreWorker), 'reuse', this.question, this.session.plan);
  protected readonly reuse = computed(() => valueOf(this.answer()));
  protected readonly shares = computed(() => {
    const reuseAnswer = this.reuse();
    if (reuseAnswer === undefined) return '';
    const nominal = this.session.question()?.composition ?? {};
    const parts = Object.entries(reuseAnswer.composition).map(
      ([substance, share]) =>
        `${substance} ${this.units.decimal(100 * share, 1)} % (${this.units.decimal(100 * (nominal[substance] ?? 0), 1)})`,
    );
    return $localize`What is left: ${parts.join(', ')}.`;
  });

  /** What it became in a cylinder that held something else. */
  protected readonly mixed = computed(() => {
    const designation = this.job.visit()?.system.refrigerant;
    if (designation === undefined) return [];
    return this.holding().flatMap(({ name, composition, contentKg }) => {
      if (composition === null || contentKg <= this.recoveredKg() + SAME_WEIGHT_KG) return [];
      const beyond = beyondTolerance(composition, designation).size > 0;
      return [
        $localize`${name} held refrigerant before: together it is ${this.partsText(composition)}, ${beyond ? $localize`beyond` : $localize`within`} the tolerance of ${designation}.`,
      ];
    });
  });

  /** The least that brings it back, from virgin components, the blend itself, and what other cylinders hold, in the room there is. */
  protected readonly restored = toSignal(
    toObservable(
      computed(() => {
        const [item, designation] = [this.reuse(), this.job.visit()?.system.refrigerant];
        if (item === undefined || designation === undefined || item.beyond.length === 0 || this.recoveredKg() <= 0) return undefined;
        const room = this.roomKg();
        return {
          op: 'restore' as const,
          massKg: this.recoveredKg(),
          composition: { ...item.composition },
          designation,
          available: [...this.virgin(designation), ...this.recovered()],
          ...(room === undefined ? {} : { mostKg: this.recoveredKg() + room }),
        };
      }),
    ).pipe(switchMap((body) => (body === undefined ? of(waiting) : this.read$(this.api.call$('compute', { body }))))),
    { initialValue: waiting },
  );
  private virgin(designation: string): readonly { refrigerant: string }[] {
    const components = Object.keys(this.session.question()?.composition ?? {});
    return [...new Set([designation, ...components])].map((refrigerant) => ({ refrigerant }));
  }

  /** What other cylinders hold, as far as it is one that a check has not spoken against. */
  private recovered(): readonly { composition: Record<string, number>; maxKg: number }[] {
    return this.rack().flatMap(({ id, composition, contentKg, flags, retiredAt, marks }) => {
      if (this.cylinders().includes(id) || composition === null || contentKg < SAME_WEIGHT_KG || retiredAt !== null) return [];
      if (flags.includes('non-condensables') || marks.kind === 'burn-out' || marks.kind === 'destruction' || isUnknown(composition))
        return [];
      return [{ composition, maxKg: contentKg }];
    });
  }

  /** What still goes into the cylinders that hold it, kg; nothing where their limit is not known. */
  private roomKg(): number | undefined {
    const rooms = this.holding().flatMap(({ fillStatus }) => (fillStatus.state === 'limited' ? [Math.max(0, fillStatus.mayAddKg)] : []));
    return rooms.length === 0 ? undefined : rooms.reduce((sum, kg) => sum + kg, 0);
  }

  protected readonly restoring = computed(() => {
    const current = valueOf(this.restored());
    if (current === undefined || !('possible' in current)) return undefined;
    if (!current.possible) return notRestoredText[current.reason] ?? notRestoredText['nothing-fits'];
    const add = current.add.map(
      ({ refrigerant, composition, kg }) =>
        $localize`${this.units.massText(kg, 'up')} of ${refrigerant ?? $localize`what ${this.holderOf(composition ?? {})} holds, ${this.partsText(composition ?? {})}`}`,
    );
    const charge = valueOf(this.session.system())?.nameplateKg ?? 0;
    const more = current.resultKg > charge ? $localize` The charge takes ${this.units.massText(charge)} of it.` : '';
    return $localize`Back within tolerance by adding ${add.join(' and ')}\: ${this.units.massText(current.resultKg)} then.${more}`;
  });

  private holderOf = (composition: Readonly<Record<string, number>>): string =>
    this.rack().find((entry) => entry.composition !== null && sameRefrigerant(entry.composition, composition))?.name ??
    $localize`another cylinder`;

  private partsText = (composition: Readonly<Record<string, number>>): string =>
    Object.entries(composition)
      .map(([substance, share]) => `${substance} ${this.units.decimal(100 * share, 1)} %`)
      .join(', ');

  protected reasons = ({ reasons }: ReuseVerdict): string => reasons.map((reason) => reasonText[reason]).join('; ');

  protected change(part: Partial<ReuseDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }
}
