import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { CheckboxStyles } from '../../ui/library-styles/checkbox-styles';
import { toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { partsLeftOut } from '@hygromet/contract/parts-left-out';
import { sectionId } from '@hygromet/core/circuit/section-id';
import { sectionsOf } from '@hygromet/core/circuit/sections';
import { weakestPart } from '@hygromet/core/circuit/weakest-part';
import { PASCAL_PER_PSI } from '@hygromet/core/proof/trace';
import { usualGauge } from '@hygromet/core/instruments/usual-instruments';
import { hottestMustBeSaid, type LeavingFacts } from '@hygromet/core/proof/long-hold';
import { usualHold } from '@hygromet/core/proof/usual-test';
import type { HoldSetUp } from '@hygromet/contract/visit-test';
import { interval, map, startWith } from 'rxjs';
import { coreQuery } from '../../core-worker/core-query';
import { errorIn } from '../../data/mutation';
import { newKey } from '../../data/new-key';
import type { TestPressureArgs } from '../../core-worker/proof-operations';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { ServerData } from '../../data/server-data.service';
import { draftForm } from '../../forms/draft-form';
import { quantity } from '../../forms/validators';
import { MethodSession } from '../../method/method.session';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { Caution } from '../../ui/caution';
import { ChoiceField } from '../../ui/choice-field';
import { Computing } from '../../ui/computing';
import { currentOf, valueOf, type Loadable } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { emptyEntry, readQuantity, type QuantityEntry } from '../../ui/quantity-entry';
import { VisitJob } from '../visit-job';
import { BeforeLeaving } from './before-leaving';
import { BelowStanding } from './below-standing';
import { comeBackAt, comeBackText, type HoldUntil } from './come-back';
import { BEFORE, FILLED_SINCE, GAUGE_STEPS, LIMITS, OILS, THERMOMETERS, USUAL_LIMIT } from './hold-choices';
import { metaOf } from './hold-trace';
import { HoldSees } from './hold-sees';
import { sectionName } from './section-name';
import { NitrogenSupply } from './nitrogen-supply';

interface HoldDraft {
  readonly pressure: QuantityEntry;
  readonly hottest: QuantityEntry;
  readonly volume: QuantityEntry;
  readonly step: string;
  readonly clamp: string;
  readonly wait: string;
  readonly oil: string;
  readonly before: string;
  readonly tightTo: string;
  readonly until: HoldUntil;
  /** The piece that is tested; empty for the whole circuit. */
  readonly tested: string;
  readonly unlimited: boolean;
}

const MINUTE_MS = 60_000;

/** A nitrogen hold is set up: the most that may be put on, and what such a hold will see, before the regulator is opened. */
@Component({
  selector: 'hy-hold-setup',
  imports: [
    BeforeLeaving,
    BelowStanding,
    Caution,
    CheckboxStyles,
    ChoiceField,
    Computing,
    HoldSees,
    NitrogenSupply,
    NzCheckboxModule,
    QuantityField,
    ReactiveFormsModule,
  ],
  template: `
    <hy-checkbox-styles />
    <h3 i18n>Pressure test with dry nitrogen</h3>
    <p class="limit" [class.over]="tooHigh()" [hyComputing]="most()">{{ limitSentence() }}</p>
    <form novalidate [formGroup]="form" (ngSubmit)="begin()">
      <hy-quantity-field
        label="Test pressure"
        i18n-label
        kind="service-pressure"
        formControlName="pressure"
        [problem]="pressureProblem()"
      />
      <hy-quantity-field
        label="Hottest it will get"
        i18n-label
        hint="while it is under pressure"
        i18n-hint
        kind="temperature"
        formControlName="hottest"
        [problem]="hottestProblem()"
      />
      <hy-quantity-field
        label="Volume under test"
        i18n-label
        [hint]="volumeHint()"
        kind="volume"
        formControlName="volume"
        [problem]="volumeProblem()"
      />
      <hy-choice-field label="Gauge reads to" i18n-label [choices]="steps" formControlName="step" />
      <hy-choice-field label="Thermometer" i18n-label [choices]="clamps" formControlName="clamp" />
      <hy-choice-field label="Filled" i18n-label [choices]="waits" formControlName="wait" />
      <hy-choice-field label="Compressor oil" i18n-label [choices]="oils" formControlName="oil" />
      <hy-choice-field label="Before" i18n-label [choices]="befores" formControlName="before" />
      @if (pieces().length > 1) {
        <hy-choice-field label="Connected" i18n-label [choices]="pieces()" formControlName="tested" />
      }
      <hy-choice-field label="Read until" i18n-label [choices]="untils()" formControlName="until" />
      <hy-choice-field label="Exclude leaks above" i18n-label [choices]="limits" formControlName="tightTo" />
      @if (meta(); as known) {
        <hy-hold-sees class="wide" [meta]="known" [composition]="composition()" [asked]="tightTo()" [until]="comeBack()" />
      }
      @if (comeBack() !== undefined) {
        <hy-before-leaving class="wide" [facts]="leaving()" />
      }
      <hy-nitrogen-supply class="wide" [task]="filled()" />
      @if (unproved()) {
        <hy-caution i18n class="wide">
          Every part still counts for the limit: the valves of this piece are not proved. Hold it by itself below the limit first, and say
          under By halves that it lost nothing.
        </hy-caution>
      }
      <hy-below-standing class="wide" [task]="filled()" [composition]="composition()" />
      <hy-caution i18n class="wide" [grave]="true">
        Nitrogen only through a regulator with a relief valve, never oxygen or compressed air. Stand aside, raise it in steps:
        {{ stepText() }}.
      </hy-caution>
      @if (unknownLimit()) {
        <label i18n nz-checkbox class="wide" for="hold-unlimited" nzId="hold-unlimited" formControlName="unlimited">
          I have read the pressure limits of every connected part on its plate, and the test pressure is below them.
        </label>
      }
      @if (refused(); as sentence) {
        <p class="wide over" role="alert">{{ sentence }}</p>
      }
      <div class="wide actions">
        <button i18n type="submit" class="button main" [disabled]="busy()">Start the hold</button>
      </div>
    </form>
  `,
  styleUrl: './prove.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldSetup {
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  private readonly preferences = inject(PreferencesService).current;
  private readonly properties = inject(CoreWorker);
  private readonly serverData = inject(ServerData);
  private readonly drafted = draftForm<HoldDraft>(
    `hold.${this.job.id}`,
    () => ({
      pressure: emptyEntry(this.preferences().pressure.startsWith('bar') ? 'barg' : 'psig'),
      hottest: emptyEntry(this.preferences().temperature),
      volume: emptyEntry('L'),
      step: '0.1',
      clamp: 'pipe',
      wait: '10',
      oil: 'no',
      before: 'evacuated',
      tightTo: USUAL_LIMIT.watched,
      until: 'watched',
      tested: '',
      unlimited: false,
    }),
    {
      fields: {
        pressure: [quantity('service-pressure')],
        hottest: [quantity('temperature', { optional: true })],
        volume: [quantity('volume', { optional: true })],
      },
    },
  );
  protected readonly form = this.drafted.form;
  protected readonly draft = this.drafted.value;
  protected readonly tried = signal(false);

  protected readonly steps = GAUGE_STEPS;
  protected readonly clamps = THERMOMETERS;
  protected readonly waits = FILLED_SINCE;
  protected readonly oils = OILS;
  protected readonly befores = BEFORE;
  protected readonly limits = LIMITS;

  private readonly now = toSignal(interval(MINUTE_MS).pipe(startWith(0), map(() => Date.now())), { initialValue: Date.now() }); // prettier-ignore
  private readonly today = computed(() => new Date(this.now()).toDateString());
  protected readonly untils = computed(() => {
    const long = (['morning', 'monday'] as const).map((value) => ({ value, at: comeBackAt(value, new Date(this.today()))! }));
    const apart = long.filter(({ at }, k) => k === 0 || at.getTime() !== long[0]!.at.getTime());
    return [
      { value: 'watched', label: $localize`it is told, watched` },
      ...apart.map(({ value, at }) => ({ value, label: comeBackText(at) })),
    ];
  });
  /** When somebody comes back to read it. */
  protected readonly comeBack = computed(() => comeBackAt(this.draft().until, new Date(this.today())));
  private readonly lastsS = computed(() => {
    const at = this.comeBack();
    return at === undefined ? 0 : (at.getTime() - this.now()) / 1000;
  });
  protected readonly leaving = computed((): LeavingFacts => ({
    waitedS: Number(this.draft().wait) * 60,
    clamp: this.draft().clamp === 'pipe',
    readings: 0,
    followed: false,
  }));

  /** The whole circuit, or a piece that a gauge can be put on. */
  protected readonly pieces = computed(() => {
    const circuit = this.session.circuit();
    const states = Object.fromEntries(this.session.valveStates().map(({ valve, state }) => [valve, state]));
    const sections = circuit === undefined ? [] : sectionsOf(circuit, states);
    const alone = sections.length < 2 ? [] : sections.filter(({ hasPort }) => hasPort);
    return [
      { value: '', label: $localize`the whole circuit` },
      ...alone.map((one) => ({ value: sectionId(one), label: sectionName(one.components) })),
    ];
  });
  /** What proved valves keep apart from it. */
  private readonly apart = computed(() => {
    const [system, visit, tested] = [this.system(), this.job.visit(), this.draft().tested];
    return system === undefined || visit === undefined || tested === '' ? [] : partsLeftOut(system, visit, tested);
  });
  protected readonly unproved = computed(() => this.draft().tested !== '' && this.apart().length === 0);

  private readonly system = computed(() => valueOf(this.session.system()));
  protected readonly composition = computed(() => this.session.inside() ?? {});
  private readonly ambient = computed(() => {
    const reading = this.session.ambient();
    return reading.state === 'good' ? reading.si : undefined;
  });
  private readonly hottest = computed(() => {
    const reading = readQuantity('temperature', this.draft().hottest);
    const now = this.ambient();
    if (reading.state !== 'good' && hottestMustBeSaid(this.lastsS())) return undefined;
    return reading.state === 'good' ? reading.si : now === undefined ? undefined : now + usualHold.hottestAboveNowK;
  });
  /** Nobody guesses the hottest hour of a night or a weekend. */
  private readonly hottestMissing = computed(() => this.hottest() === undefined && hottestMustBeSaid(this.lastsS()));
  protected readonly hottestProblem = computed(() =>
    this.hottestMissing() ? $localize`Type the hottest that it can get until then, in the sun: the limit is carried to it.` : undefined,
  );
  private readonly question = computed((): TestPressureArgs | undefined => {
    const [system, T, hottestK] = [this.system(), this.ambient(), this.hottest()];
    if (system === undefined || T === undefined || hottestK === undefined) return undefined;
    const gaugeError = usualGauge.readsLowPa;
    return { limits: system.facts.limits ?? [], apart: this.apart(), T, hottestK, gaugeError, atmosphere: this.units.atmosphere() };
  });
  protected readonly most = coreQuery(this.properties, 'testPressure', this.question);
  /** The limit for exactly what is typed; nothing while it is computed, or cannot be. */
  private readonly limitNow = computed(() => currentOf(this.most()) ?? undefined);
  protected readonly unknownLimit = computed(
    () => weakestPart((this.system()?.facts.limits ?? []).filter(({ part }) => !this.apart().includes(part))) === undefined,
  );
  protected readonly limitSentence = computed(() => {
    if (this.ambient() === undefined) return $localize`Measure the outdoor temperature under Look first: the limit follows from it.`;
    if (this.hottestMissing()) return $localize`Type the hottest that it will get until you come back: the limit follows from it.`;
    if (this.unknownLimit())
      return $localize`No connected part with a pressure limit is recorded: read the plates of every connected part, and record them with the system.`;
    const most = valueOf(this.most());
    if (most == null) return failedIn(this.most()) ?? $localize`Computing the limit of the weakest part.`;
    return $localize`At most ${this.units.pressureStep(most.mostGaugePa)} now: the ${most.ruling.what} is rated for ${this.units.pressureStep(most.ruling.gaugePa)}, less ${this.units.pressureStep(usualGauge.readsLowPa)} for the gauge, at the hottest that it will get.`;
  });
  protected readonly stepText = computed(() => {
    const most = valueOf(this.most());
    const steps = most?.stepsGaugePa ?? [50, 150].map((psi) => psi * PASCAL_PER_PSI);
    return steps.map((step) => this.units.pressureStep(step)).join(', ') + $localize`; listen and soap at the first`;
  });

  private readonly pressure = computed(() => readQuantity('service-pressure', this.draft().pressure));
  private readonly volume = computed(() => {
    const reading = readQuantity('volume', this.draft().volume);
    return reading.state === 'good' ? reading.si : reading.state === 'bad' ? undefined : valueOf(this.session.plan())?.volume.likely;
  });
  protected readonly volumeHint = computed(() => {
    const estimate = valueOf(this.session.plan())?.volume;
    if (estimate === undefined) return '';
    const range = $localize`${this.units.volumeText(estimate.low)} to ${this.units.volumeText(estimate.high)} by its charge, estimated`;
    return this.draft().tested === '' ? range : $localize`whole circuit: ${range}; type that of the piece`;
  });
  protected readonly volumeProblem = computed(() =>
    this.tried() && this.volume() === undefined ? $localize`Enter the volume: what the leak is in pounds follows from it.` : undefined,
  );
  protected readonly tooHigh = computed(() => {
    const [pressure, most] = [this.pressure(), this.limitNow()];
    return pressure.state === 'good' && most !== undefined && pressure.si > most.mostGaugePa + 1;
  });
  protected readonly pressureProblem = computed(() => {
    const most = this.limitNow();
    return this.tooHigh() && most !== undefined
      ? $localize`Above what the ${most.ruling.what} is rated for. Take it out, or test at ${this.units.pressureStep(most.mostGaugePa)} at most; behind valves that were proved it does not count.`
      : this.field('/setUp/setGaugePa');
  });
  protected readonly filled = computed(() => {
    const [volumeM3, pressure, T] = [this.volume(), this.pressure(), this.ambient()];
    if (volumeM3 === undefined || pressure.state !== 'good' || T === undefined) return undefined;
    return { volumeM3, setGaugePa: pressure.si, T, atmosphere: this.units.atmosphere() };
  });
  protected readonly tightTo = computed(() => Number(this.draft().tightTo));
  private readonly setUp = computed((): HoldSetUp | undefined => {
    const [pressure, volumeM3, most, d] = [this.pressure(), this.volume(), this.limitNow(), this.draft()];
    if (pressure.state !== 'good' || volumeM3 === undefined) return undefined;
    const now = new Date();
    return {
      test: 'hold',
      volumeM3,
      setGaugePa: pressure.si,
      stepPa: Number(d.step) * PASCAL_PER_PSI,
      spanPa: usualGauge.spanPa,
      clamp: d.clamp === 'pipe',
      filledAt: new Date(now.getTime() - Number(d.wait) * MINUTE_MS).toISOString(),
      oilM3: d.oil === 'yes' ? usualHold.oilM3 : 0,
      refrigerantMayRemain: d.before === 'not',
      tightTo: this.tightTo(),
      ...(this.comeBack() === undefined ? {} : { until: this.comeBack()!.toISOString() }),
      ...(d.tested === '' ? {} : { tested: d.tested }),
      startHour: now.getHours() + now.getMinutes() / 60,
      atmospherePa: this.units.atmosphere(),
      mostGaugePa: most?.mostGaugePa ?? null,
      ruling: most?.ruling.what ?? null,
    };
  });
  protected readonly meta = computed(() => {
    const current = this.setUp();
    return current === undefined ? undefined : metaOf(current, Date.parse(current.filledAt) + Number(this.draft().wait) * MINUTE_MS);
  });

  constructor() {
    // who leaves it for a night does so to see more
    let before = this.draft().until;
    effect(() => {
      const { until, tightTo } = this.draft();
      const changed = (until === 'watched') !== (before === 'watched');
      before = until;
      const [usual, other] = until === 'watched' ? [USUAL_LIMIT.watched, USUAL_LIMIT.left] : [USUAL_LIMIT.left, USUAL_LIMIT.watched];
      if (changed && tightTo === other) untracked(() => this.form.patchValue({ tightTo: usual }));
    });
  }

  private readonly beginning = this.job.adding(() => this.drafted.clear());
  protected readonly busy = computed(() => this.beginning.state().state === 'busy');
  protected readonly field = (pointer: string) => errorIn(this.beginning.state(), pointer);
  /** What keeps the hold from being started, beside what stands at the fields. */
  private readonly holdsBack = computed(() => {
    if (this.hottestMissing()) return this.hottestProblem();
    if (this.unknownLimit())
      return this.draft().unlimited ? undefined : $localize`Confirm that every connected part is rated for the test pressure.`;
    if (this.limitNow() !== undefined) return undefined;
    return this.ambient() === undefined
      ? $localize`The limit of the weakest part is not known yet: measure the outdoor temperature under Look first.`
      : (failedIn(this.most()) ?? $localize`The limit of the weakest part is being computed. Start again in a moment.`);
  });
  private readonly heldBack = signal<string | undefined>(undefined);
  protected readonly refused = computed(() => {
    const now = this.holdsBack();
    return this.heldBack() !== undefined && now !== undefined ? now : errorIn(this.beginning.state());
  });

  /** No pressure goes on what nobody knows the limit of: a limit that cannot be computed keeps the hold from being started. */
  protected begin(): void {
    this.tried.set(true);
    this.heldBack.set(this.holdsBack());
    const setUp = this.setUp();
    if (setUp === undefined || this.form.invalid || this.tooHigh() || this.heldBack() !== undefined) return;
    this.beginning.send({ kind: 'test-begun', testId: newKey(), setUp });
  }
}

const failedIn = (answer: Loadable<unknown>): string | undefined => (answer.state === 'failed' ? answer.sentence : undefined);
