import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { weakestPart } from '@hygromet/core/circuit/weakest-part';
import { PASCAL_PER_PSI } from '@hygromet/core/proof/trace';
import { usualGauge } from '@hygromet/core/instruments/usual-instruments';
import { usualHold } from '@hygromet/core/proof/usual-test';
import type { HoldSetUp } from '@hygromet/contract/visit-test';
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
import { metaOf } from './hold-trace';
import { HoldSees } from './hold-sees';

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
  readonly unlimited: boolean;
}

const MINUTE_MS = 60_000;

/** A nitrogen hold is set up: the most that may be put on, and what such a hold will see, before the regulator is opened. */
@Component({
  selector: 'hy-hold-setup',
  imports: [Caution, ChoiceField, Computing, HoldSees, QuantityField, ReactiveFormsModule],
  template: `
    <h3>Pressure test with dry nitrogen</h3>
    <p class="limit" [class.over]="tooHigh()" [hyComputing]="most()">{{ limitSentence() }}</p>
    <form novalidate [formGroup]="form" (ngSubmit)="begin()">
      <hy-quantity-field label="Test pressure" kind="service-pressure" formControlName="pressure" [problem]="pressureProblem()" />
      <hy-quantity-field label="Hottest it will get" hint="while it is under pressure" kind="temperature" formControlName="hottest" />
      <hy-quantity-field
        label="Volume under test"
        [hint]="volumeHint()"
        kind="volume"
        formControlName="volume"
        [problem]="volumeProblem()"
      />
      <hy-choice-field label="Gauge reads to" [choices]="steps" formControlName="step" />
      <hy-choice-field label="Thermometer" [choices]="clamps" formControlName="clamp" />
      <hy-choice-field label="Filled" [choices]="waits" formControlName="wait" />
      <hy-choice-field label="Compressor oil" [choices]="oils" formControlName="oil" />
      <hy-choice-field label="Before" [choices]="befores" formControlName="before" />
      <hy-choice-field label="Exclude leaks above" [choices]="limits" formControlName="tightTo" />
      @if (meta(); as known) {
        <hy-hold-sees class="wide" [meta]="known" [composition]="composition()" [asked]="tightTo()" />
      }
      <hy-caution class="wide" [grave]="true">
        Nitrogen only through a regulator with a relief valve, never oxygen or compressed air. Stand aside, raise it in steps:
        {{ stepText() }}.
      </hy-caution>
      @if (unknownLimit()) {
        <label class="wide check">
          <input type="checkbox" formControlName="unlimited" />
          <span>I have read the pressure limits of every connected part on its plate, and the test pressure is below them.</span>
        </label>
      }
      @if (refused(); as sentence) {
        <p class="wide over" role="alert">{{ sentence }}</p>
      }
      <div class="wide actions">
        <button type="submit" class="button main" [disabled]="busy()">Start the hold</button>
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
      tightTo: '0.01',
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

  protected readonly steps = [
    { value: '0.1', label: '0.1 psi' },
    { value: '0.5', label: '0.5 psi' },
    { value: '1', label: '1 psi' },
    { value: '5', label: '5 psi, a dial' },
  ];
  protected readonly clamps = [
    { value: 'pipe', label: 'pipe clamp and air' },
    { value: 'air', label: 'air alone' },
  ];
  protected readonly waits = [
    { value: '0', label: 'just now' },
    { value: '10', label: '10 minutes ago' },
    { value: '30', label: 'half an hour ago' },
    { value: '60', label: 'an hour ago, or longer' },
  ];
  protected readonly oils = [
    { value: 'no', label: 'none' },
    { value: 'yes', label: 'in the volume under test' },
  ];
  protected readonly befores = [
    { value: 'evacuated', label: 'evacuated and swept' },
    { value: 'not', label: 'not evacuated' },
  ];
  protected readonly limits = [
    { value: '0.03', label: '3 % per hour' },
    { value: '0.01', label: '1 % per hour' },
    { value: '0.002', label: '0.2 % per hour' },
    { value: '0.0005', label: '0.05 % per hour' },
  ];

  private readonly system = computed(() => valueOf(this.session.system()));
  protected readonly composition = computed(() => this.session.question()?.composition ?? {});
  private readonly ambient = computed(() => {
    const reading = this.session.ambient();
    return reading.state === 'good' ? reading.si : undefined;
  });
  private readonly hottest = computed(() => {
    const reading = readQuantity('temperature', this.draft().hottest);
    const now = this.ambient();
    return reading.state === 'good' ? reading.si : now === undefined ? undefined : now + usualHold.hottestAboveNowK;
  });
  private readonly question = computed((): TestPressureArgs | undefined => {
    const [system, T, hottestK] = [this.system(), this.ambient(), this.hottest()];
    if (system === undefined || T === undefined || hottestK === undefined) return undefined;
    const gaugeError = usualGauge.readsLowPa;
    return { limits: system.facts.limits ?? [], apart: [], T, hottestK, gaugeError, atmosphere: this.units.atmosphere() };
  });
  protected readonly most = coreQuery(this.properties, 'testPressure', this.question);
  /** The limit for exactly what is typed; nothing while it is computed, or cannot be. */
  private readonly limitNow = computed(() => currentOf(this.most()) ?? undefined);
  protected readonly unknownLimit = computed(() => weakestPart(this.system()?.facts.limits ?? []) === undefined);
  protected readonly limitSentence = computed(() => {
    if (this.ambient() === undefined) return 'Measure the outdoor temperature under Look first: the limit follows from it.';
    if (this.unknownLimit())
      return 'No part with a pressure limit is recorded: read the plates of every connected part, and record them with the system.';
    const most = valueOf(this.most());
    if (most == null) return failedIn(this.most()) ?? 'Computing the limit of the weakest part.';
    return `At most ${this.units.pressureStep(most.mostGaugePa)} now: the ${most.ruling.what} is rated for ${this.units.pressureStep(most.ruling.gaugePa)}, less ${this.units.pressureStep(usualGauge.readsLowPa)} for the gauge, at the hottest that it will get.`;
  });
  protected readonly stepText = computed(() => {
    const most = valueOf(this.most());
    const steps = most?.stepsGaugePa ?? [50, 150].map((psi) => psi * PASCAL_PER_PSI);
    return steps.map((step) => this.units.pressureStep(step)).join(', ') + '; listen and soap at the first';
  });

  private readonly pressure = computed(() => readQuantity('service-pressure', this.draft().pressure));
  private readonly volume = computed(() => {
    const reading = readQuantity('volume', this.draft().volume);
    return reading.state === 'good' ? reading.si : reading.state === 'bad' ? undefined : valueOf(this.session.plan())?.volume.likely;
  });
  protected readonly volumeHint = computed(() => {
    const estimate = valueOf(this.session.plan())?.volume;
    return estimate === undefined
      ? ''
      : `${this.units.volumeText(estimate.low)} to ${this.units.volumeText(estimate.high)} by its charge, estimated`;
  });
  protected readonly volumeProblem = computed(() =>
    this.tried() && this.volume() === undefined ? 'Enter the volume: what the leak is in pounds follows from it.' : undefined,
  );
  protected readonly tooHigh = computed(() => {
    const [pressure, most] = [this.pressure(), this.limitNow()];
    return pressure.state === 'good' && most !== undefined && pressure.si > most.mostGaugePa + 1;
  });
  protected readonly pressureProblem = computed(() => {
    const most = this.limitNow();
    return this.tooHigh() && most !== undefined
      ? `Above what the ${most.ruling.what} is rated for. Valve it off or take it out, or test at ${this.units.pressureStep(most.mostGaugePa)} at most.`
      : this.field('/setUp/setGaugePa');
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

  private readonly beginning = this.job.adding(() => this.drafted.clear());
  protected readonly busy = computed(() => this.beginning.state().state === 'busy');
  protected readonly field = (pointer: string) => errorIn(this.beginning.state(), pointer);
  /** What keeps the hold from being started, beside what stands at the fields. */
  private readonly holdsBack = computed(() => {
    if (this.unknownLimit())
      return this.draft().unlimited ? undefined : 'Confirm that every connected part is rated for the test pressure.';
    if (this.limitNow() !== undefined) return undefined;
    return this.ambient() === undefined
      ? 'The limit of the weakest part is not known yet: measure the outdoor temperature under Look first.'
      : (failedIn(this.most()) ?? 'The limit of the weakest part is being computed. Start again in a moment.');
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
