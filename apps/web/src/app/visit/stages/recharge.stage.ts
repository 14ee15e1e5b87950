import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';

import { chargingSteps, schoolsFor, type ChargingFacts } from '@hygromet/core/charge/charging';
import { feedingRules, goesInStanding } from '@hygromet/core/charge/feeding';
import { partsOf } from '@hygromet/core/circuit/system-kind';
import { meterings } from '@hygromet/core/cycle/unit';
import { kilogram } from '@hygromet/core/units/quantity';
import { USUAL_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import type { ChargeArgs, FeedArgs } from '../../core-worker/account-operations';
import { coreQuery } from '../../core-worker/core-query';
import { Drafts } from '../../data/draft.service';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { ServerData } from '../../data/server-data.service';
import { MethodSession } from '../../method/method.session';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { Caution } from '../../ui/caution';
import { isStale, valueOf, type Loadable } from '../../ui/loadable';
import { settledOnce } from '../../ui/settled';
import { readQuantity } from '../../ui/quantity-entry';
import { emptyCheck, typedUnits, type CheckDraft } from '../check/check-draft';
import { ChargeBeam } from '../live/charge-beam';
import { ChargeBudget } from '../recharge/charge-budget';
import { ChargeFields } from '../recharge/charge-fields';
import { chargeQuestion } from '../recharge/charge-question';
import { ReceiverCharge } from '../recharge/receiver-charge';
import { emptyRecharge, plainNumber, type RechargeDraft } from '../recharge/recharge-draft';
import { RechargeLog } from '../recharge/recharge-log';
import { chargingStepText, schoolReasonText, schoolStandingText, schoolText } from '../recharge/recharge-labels';
import { StageMark } from '../stage-mark';
import { VisitJob } from '../visit-job';
import { Computing } from '../../ui/computing';

/** How much to weigh in and how sure that is; where to feed it, how fast, and when to stop. */
@Component({
  selector: 'hy-recharge-stage',
  imports: [BigNumber, Caution, ChargeBeam, ChargeBudget, ChargeFields, Computing, ReceiverCharge, RechargeLog, StageMark],
  template: `
    @if (!settled()) {
      <h2 i18n role="status">Working out the charge</h2>
    } @else {
      @if (target(); as t) {
        @if (t.kg > 0) {
          <hy-big-number what="Weigh in" i18n-what [number]="big().number" [unit]="big().unit" [computing]="stale()">
            <div>± {{ units.massText(t.sigmaKg, 'up') }}</div>
            <div>{{ units.massText(t.kg, 'nearest', 'lb-oz') }}</div>
            <div>{{ units.massText(t.kg, 'nearest', 'kg') }}</div>
          </hy-big-number>
          <hy-charge-beam [hyComputing]="beam()" [fedKg]="inKg() ?? 0" [targetKg]="t.kg" [sigmaKg]="t.sigmaKg" />
        } @else {
          <h2 i18n>Nothing to add</h2>
          <p i18n>
            The new unit came with its charge, and that covers these lines.
            @if (t.beyondKg > t.sigmaKg) {
              It holds about {{ units.massText(t.beyondKg) }} more than these short lines need: leave it, unless its maker says otherwise.
            }
          </p>
        }
        <hy-charge-budget [lines]="t.budget" />
        <p class="second">{{ asks() }}</p>
        @if (floodUnsaid()) {
          <hy-caution i18n>
            Its head pressure is held by flooding the condenser: type the coldest day that it runs. What that takes is not in this charge
            yet.
          </hy-caution>
        }
      } @else {
        <h2 i18n>Working out the charge</h2>
      }
      <hy-charge-fields [draft]="draft()" [floods]="floods()" [typed]="typed()" (changed)="change($event)" />
      <p class="asFound" [hyComputing]="feed()">{{ feeding() }}</p>
      <hy-caution i18n [grave]="true">
        A cylinder is warmed in water below {{ units.temperature(warmest) }}, never with a flame. Stop at {{ stops() }}.
      </hy-caution>
      <ol class="minded">
        @for (item of steps(); track item) {
          <li>{{ stepTexts[item] }}</li>
        }
      </ol>
      @if (target(); as t) {
        @if (composition(); as item) {
          @if (t.kg > 0) {
            <hy-recharge-log
              [composition]="item"
              [targetKg]="t.kg"
              [target]="charge()"
              [into]="into()"
              (inKg)="inKg.set($event)"
              (foretold)="foretold.set($event)"
            />
          }
        }
      }
      <section aria-label="How the charge is found" i18n-aria-label>
        <h3 i18n>How the charge is found</h3>
        <table>
          <tbody>
            @for (item of schools(); track item.school) {
              <tr>
                <th scope="row">{{ schoolNames[item.school] }}</th>
                <td class="second">{{ item.text }}</td>
              </tr>
            }
          </tbody>
        </table>
      </section>
      @if (facts()?.receiver) {
        <hy-receiver-charge [chargeKg]="wholeKg()" />
      }
      <hy-stage-mark ask="How much was charged, and from which cylinder?" i18n-ask done="Recharged" i18n-done [quiet]="true" />
    }
  `,
  styleUrl: './stage.css',
  styles: `
    .minded {
      display: grid;
      gap: 6px;
      padding-left: 22px;
      list-style: decimal;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RechargeStage {
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  protected readonly units = inject(Units);
  private readonly properties = inject(CoreWorker);
  private readonly preferences = inject(PreferencesService).current;
  protected readonly typed = computed(() => typedUnits(this.units.kelvinsInADegree(), this.preferences().mass === 'kg'));
  private readonly stored = inject(Drafts).open<RechargeDraft>(`recharge.${this.job.id}`, () =>
    emptyRecharge(this.preferences().temperature),
  );
  protected readonly draft = this.stored.value.asReadonly();
  /** Whether it is told from which cylinder how much goes in by itself. */
  protected readonly foretold = signal(false);
  /** kg in it, while it is fed; nothing until it is read what was charged. */
  protected readonly inKg = signal<number | undefined>(undefined);
  protected readonly beam = computed((): Loadable<unknown> => (this.inKg() === undefined ? { state: 'ready', value: 0, stale: true } : this.charge())); // prettier-ignore
  protected readonly schoolNames = schoolText;
  protected readonly stepTexts = chargingStepText;
  /** Which metering device it has was said where the running unit is checked. */
  private readonly check = inject(Drafts).open<CheckDraft>(`check.${this.job.id}`, () =>
    emptyCheck(this.preferences().pressure, this.preferences().temperature),
  );
  private readonly refrigerants = fromServer(inject(ServerData).refrigerants$);
  private readonly refrigerant = computed(() => valueOf(this.refrigerants())?.find(({ id }) => id === this.system()?.refrigerant));
  private readonly glide = coreQuery(
    this.properties,
    'twoPoints',
    computed(() => {
      const composition = this.composition();
      return composition === undefined ? undefined : { composition, given: { T: USUAL_REFERENCE } };
    }),
  );
  protected readonly warmest = feedingRules.warmestCylinderK;

  private readonly system = computed(() => valueOf(this.session.system()));
  protected readonly composition = this.session.inside;
  protected readonly facts = computed((): ChargingFacts | undefined => {
    const [system, composition, ambient] = [this.system(), this.composition(), this.session.ambient()];
    if (system === undefined || composition === undefined) return undefined;
    const seen = meterings.find((entry) => entry === this.check.value().metering);
    return {
      metering: seen,
      receiver: partsOf({ kind: system.kind, fitted: system.facts.fitted }).includes('receiver'),
      evacuated: this.draft().running === 'standing',
      // what is not known is taken as burning
      flammable: this.refrigerant()?.flammable ?? true,
      heatPump: system.kind === 'heat-pump',
      glideK: valueOf(this.glide())?.glide ?? (Object.keys(composition).length > 1 ? 1 : 0),
      outdoorK: ambient.state === 'good' ? ambient.si : undefined,
    };
  });
  protected readonly schools = computed(() => {
    const facts = this.facts();
    return (facts === undefined ? [] : schoolsFor(facts)).map(({ school, feasibility, reasons }) => ({
      school,
      text: [schoolStandingText[feasibility], reasons.map((reason) => schoolReasonText[reason]).join('; ')]
        .filter((text) => text !== '')
        .join(': '),
    }));
  });
  protected readonly steps = computed(() => {
    const facts = this.facts();
    return facts === undefined ? [] : chargingSteps(facts);
  });
  private readonly question = computed((): ChargeArgs | undefined => {
    const [system, composition] = [this.system(), this.composition()];
    return system === undefined || composition === undefined
      ? undefined
      : chargeQuestion(system, composition, this.draft(), { floods: this.floods() });
  });
  protected readonly floods = computed(() => {
    const system = this.system();
    return system !== undefined && partsOf({ kind: system.kind, fitted: system.facts.fitted }).includes('head-pressure-valve');
  });
  protected readonly floodUnsaid = computed(() => this.floods() && readQuantity('temperature', this.draft().coldest).state !== 'good');
  protected readonly charge = coreQuery(this.properties, 'chargeTarget', this.question);
  protected readonly target = computed(() => valueOf(this.charge()));
  protected readonly stale = computed(() => isStale(this.charge()));
  protected readonly settled = settledOnce(() => this.charge().state !== 'waiting');
  protected readonly big = computed(() => this.units.mass(this.target()?.kg ?? 0));
  /** kg in the system when it is charged, with what it came with. */
  protected readonly wholeKg = computed(() => (this.target()?.budget ?? []).reduce((sum, { term, kg }) => (term === 'came-with' ? sum : sum + kg), 0)); // prettier-ignore
  /** What no error covers: it is a question. */
  protected readonly asks = computed(() => {
    const lineSet = this.system()?.facts.lineSet;
    return lineSet === undefined
      ? $localize`No line set is recorded: what the lines take beyond the plate is not in it. Record it with the system.`
      : $localize`The plate is taken to cover ${this.units.length(lineSet.coveredM)} of line set: check that on the plate.`;
  });

  protected readonly feed = coreQuery(
    this.properties,
    'feedRate',
    computed((): FeedArgs | undefined => {
      const [composition, { superheat, capacity, running }] = [this.composition(), this.draft()];
      const [degrees, cooling] = [plainNumber(superheat), plainNumber(capacity)];
      if (composition === undefined || running !== 'running' || degrees === undefined || cooling === undefined) return undefined;
      return {
        composition,
        superheatK: degrees * this.units.kelvinsInADegree(),
        massFlow: feedingRules.flowPerWatt * this.typed().capacity.W * cooling,
      };
    }),
  );
  protected readonly feeding = computed(() => {
    const [{ running, warmer }, rate, target] = [this.draft(), valueOf(this.feed()), this.target()];
    if (running === 'running') {
      if (rate === undefined) return $localize`Running: throttled into the suction. Type superheat and capacity, and it says how fast.`;
      if (rate.kgPerS <= 0) return $localize`No superheat to spare: do not feed liquid into the suction now.`;
      return $localize`Running: throttled into the suction, ${this.units.massText(60 * rate.kgPerS, 'down')} a minute at most, in pulses ${feedingRules.pulseMinutes} min apart.`;
    }
    const start = $localize`Standing: liquid into the liquid side.`;
    if (this.foretold()) return start;
    const degrees = plainNumber(warmer);
    if (degrees === undefined || target === undefined) return $localize`${start} How much goes in by itself depends on which is warmer.`;
    const share = goesInStanding(degrees * this.units.kelvinsInADegree());
    return share >= 1
      ? $localize`${start} All of it goes in by itself.`
      : $localize`${start} About ${this.units.massText(kilogram(share * target.kg), 'down')} go in by themselves within half an hour; then warm the cylinder in water, or feed the rest with the system running.`;
  });
  /** How it goes into a system that stands. */
  protected readonly into = computed(() => {
    const { running, warmer, hose } = this.draft();
    if (running !== 'standing') return undefined;
    const warmerK = (plainNumber(warmer) ?? 0) * this.units.kelvinsInADegree();
    return { warmerK, hose: hose.startsWith('3/8') ? ('3/8' as const) : ('1/4' as const) };
  });
  protected readonly stops = computed(
    () =>
      $localize`less than ${this.units.temperatureStep(feedingRules.keptSuperheatK)} of superheat, or when the suction has risen by ${this.units.pressureStep(feedingRules.stopSuctionRisePa)}`,
  );

  protected change(part: Partial<RechargeDraft>): void {
    this.stored.value.update((draft) => ({ ...draft, ...part }));
  }
}
