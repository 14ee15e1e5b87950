import { fromServer } from '../../data/from-server';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';

import { usualFlooded, type ChargeTerm, type HoseBore } from '@hygromet/core/charge/charge-target';
import { chargingSteps, schoolsFor, type ChargingFacts } from '@hygromet/core/charge/charging';
import { feedingRules, goesInStanding } from '@hygromet/core/charge/feeding';
import { estimatedVolume } from '@hygromet/core/circuit/part-volume';
import { partsOf } from '@hygromet/core/circuit/system-kind';
import { meterings } from '@hygromet/core/cycle/unit';
import { kilogram } from '@hygromet/core/units/quantity';
import { USUAL_REFERENCE } from '@hygromet/core/cylinder/reference-temperatures';
import { usualHoseM } from '@hygromet/core/instruments/usual-instruments';
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
import { ChoiceField } from '../../ui/choice-field';
import { isStale, valueOf } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { settledOnce } from '../../ui/settled';
import { emptyEntry, readQuantity, type QuantityEntry } from '../../ui/quantity-entry';
import { TextField } from '../../ui/text-field';
import { emptyCheck, typedUnits, type CheckDraft } from '../check/check-draft';
import { ChargeBeam } from '../live/charge-beam';
import { ReceiverCharge } from '../receiver-charge';
import { RechargeLog } from '../recharge-log';
import { chargingStepText, schoolReasonText, schoolStandingText, schoolText } from '../recharge-labels';
import { StageMark } from '../stage-mark';
import { VisitJob } from '../visit-job';
import { Computing } from '../../ui/computing';

interface RechargeDraft {
  readonly hose: string;
  readonly oil: QuantityEntry;
  /** That a larger drier takes beyond the one that was in it. */
  readonly drier: QuantityEntry;
  readonly running: string;
  readonly superheat: string;
  readonly capacity: string;
  readonly warmer: string;
  /** Whether the outdoor unit is a new one that came with its charge. */
  readonly unit: string;
  /** The coldest day that it runs on, where its head pressure is held by flooding. */
  readonly coldest: QuantityEntry;
}

const termNames: Record<ChargeTerm, string> = {
  plate: $localize`Plate, as printed`,
  'liquid-line': $localize`Liquid line beyond what the plate covers`,
  'suction-line': $localize`Suction line beyond it`,
  drier: $localize`Drier`,
  oil: $localize`Oil that was changed`,
  hose: $localize`Left in the hose`,
  flooded: $localize`Flooded condenser in the cold`,
  'came-with': $localize`Shipped with the new unit`,
  scale: $localize`Scale`,
};
const TON = /^\s*\d+([.,]\d+)?\s*$/;

/** How much to weigh in and how sure that is; where to feed it, how fast, and when to stop. */
@Component({
  selector: 'hy-recharge-stage',
  imports: [Computing, BigNumber, Caution, ChargeBeam, ChoiceField, QuantityField, ReceiverCharge, RechargeLog, StageMark, TextField],
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
          <hy-charge-beam [hyComputing]="charge()" [fedKg]="inKg()" [targetKg]="t.kg" [sigmaKg]="t.sigmaKg" />
        } @else {
          <h2 i18n>Nothing to add</h2>
          <p i18n>
            The new unit came with its charge, and that covers these lines.
            @if (t.beyondKg > t.sigmaKg) {
              It holds about {{ units.massText(t.beyondKg) }} more than these short lines need: leave it, unless its maker says otherwise.
            }
          </p>
        }
        <table>
          <caption i18n class="unseen">
            What the charge is made of
          </caption>
          <thead>
            <tr>
              <th i18n scope="col">What takes it</th>
              <th scope="col" class="number">{{ units.mass(0).unit }}</th>
              <th scope="col" class="number">±</th>
            </tr>
          </thead>
          <tbody>
            @for (line of t.budget; track line.term) {
              <tr>
                <th scope="row">{{ names[line.term] }}</th>
                <td class="number">{{ units.mass(line.kg).number }}</td>
                <td class="number second">{{ units.mass(line.sigmaKg, 'up').number }}</td>
              </tr>
            }
          </tbody>
        </table>
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
      <div class="fields">
        <hy-choice-field
          label="The outdoor unit"
          i18n-label
          [choices]="unitChoices"
          [value]="draft().unit"
          (valueChange)="change({ unit: $event })"
        />
        @if (floods()) {
          <hy-quantity-field
            label="Coldest day that it runs"
            i18n-label
            hint="its head is held by flooding, taken at {{ units.temperature(heldAt) }} of condensing"
            i18n-hint
            kind="temperature"
            [entry]="draft().coldest"
            (entryChange)="change({ coldest: $event })"
          />
        }
        <hy-choice-field
          label="Hose to the cylinder"
          i18n-label
          [choices]="hoses"
          [value]="draft().hose"
          (valueChange)="change({ hose: $event })"
        />
        <hy-quantity-field
          label="Oil that was changed"
          i18n-label
          kind="charge"
          [entry]="draft().oil"
          (entryChange)="change({ oil: $event })"
        />
        <hy-quantity-field
          label="A larger drier takes more"
          i18n-label
          hint="beyond the one that was in it"
          i18n-hint
          kind="charge"
          [entry]="draft().drier"
          (entryChange)="change({ drier: $event })"
        />
        <hy-choice-field
          label="The system"
          i18n-label
          [choices]="states"
          [value]="draft().running"
          (valueChange)="change({ running: $event })"
        />
        @if (draft().running === 'running') {
          <hy-text-field
            label="Superheat at the compressor, °{{ units.temperatureUnit() }}"
            i18n-label
            [text]="draft().superheat"
            (textChange)="change({ superheat: $event })"
          />
          <hy-text-field
            label="Cooling capacity, {{ typed().capacity.name }}"
            i18n-label
            [text]="draft().capacity"
            (textChange)="change({ capacity: $event })"
          />
        } @else {
          <hy-text-field
            label="System warmer than the cylinder by, °{{ units.temperatureUnit() }}"
            i18n-label
            [text]="draft().warmer"
            (textChange)="change({ warmer: $event })"
          />
        }
      </div>
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
    .fields {
      display: grid;
      align-items: start;
      gap: 14px 16px;
      grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
    }

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
  private readonly stored = inject(Drafts).open<RechargeDraft>(`recharge.${this.job.id}`, () => ({
    hose: '1/4',
    oil: emptyEntry('oz'),
    drier: emptyEntry('oz'),
    running: 'standing',
    superheat: '',
    capacity: '',
    warmer: '',
    unit: 'evacuated',
    coldest: emptyEntry(this.preferences().temperature),
  }));
  protected readonly draft = this.stored.value.asReadonly();
  /** Whether it is told from which cylinder how much goes in by itself. */
  protected readonly foretold = signal(false);
  /** kg in it, while it is fed. */
  protected readonly inKg = signal(0);
  protected readonly names = termNames;
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
  protected readonly heldAt = usualFlooded.setK;
  protected readonly warmest = feedingRules.warmestCylinderK;
  protected readonly hoses = [
    { value: '1/4', label: $localize`1/4 in, run back` },
    { value: '1/4-left', label: $localize`1/4 in, left full` },
    { value: '3/8', label: $localize`3/8 in, run back` },
    { value: '3/8-left', label: $localize`3/8 in, left full` },
  ];
  protected readonly unitChoices = [
    { value: 'evacuated', label: $localize`was here, evacuated` },
    { value: 'came-charged', label: $localize`new, came charged` },
  ];
  protected readonly states = [
    { value: 'standing', label: $localize`evacuated and standing` },
    { value: 'running', label: $localize`running` },
  ];

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
    const [system, composition, { hose, oil, drier, unit, coldest }] = [this.system(), this.composition(), this.draft()];
    if (system === undefined || composition === undefined) return undefined;
    const [oilRead, drierRead] = [readQuantity('charge', oil), readQuantity('charge', drier)];
    const cold = readQuantity('temperature', coldest);
    const condenserM3 = system.facts.volumes?.condenser?.m3 ?? estimatedVolume('condenser', kilogram(system.nameplateKg)).likely;
    return {
      composition,
      plateKg: system.nameplateKg,
      lineSet: system.facts.lineSet,
      hose: { bore: hose.split('-')[0] as HoseBore, lengthM: usualHoseM, givenBack: !hose.endsWith('left') },
      ...(oilRead.state === 'good' && oilRead.si > 0 ? { oilKg: oilRead.si } : {}),
      ...(drierRead.state === 'good' && drierRead.si > 0 ? { drierKg: drierRead.si } : {}),
      ...(unit === 'came-charged' ? { cameWithKg: system.nameplateKg } : {}),
      ...(this.floods() && cold.state === 'good' ? { flooded: { condenserM3, outdoorK: cold.si } } : {}),
    };
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
      if (composition === undefined || running !== 'running' || !TON.test(superheat) || !TON.test(capacity)) return undefined;
      return {
        composition,
        superheatK: numberOf(superheat) * this.units.kelvinsInADegree(),
        massFlow: feedingRules.flowPerWatt * this.typed().capacity.W * numberOf(capacity),
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
    if (!TON.test(warmer) || target === undefined) return $localize`${start} How much goes in by itself depends on which is warmer.`;
    const share = goesInStanding(numberOf(warmer) * this.units.kelvinsInADegree());
    return share >= 1
      ? $localize`${start} All of it goes in by itself.`
      : $localize`${start} About ${this.units.massText(kilogram(share * target.kg), 'down')} go in by themselves within half an hour; then warm the cylinder in water, or feed the rest with the system running.`;
  });
  /** How it goes into a system that stands. */
  protected readonly into = computed(() => {
    const { running, warmer, hose } = this.draft();
    if (running !== 'standing') return undefined;
    const warmerK = TON.test(warmer) ? numberOf(warmer) * this.units.kelvinsInADegree() : 0;
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

const numberOf = (text: string): number => Number(text.trim().replace(',', '.'));
