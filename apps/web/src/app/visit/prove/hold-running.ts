import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { LeavingFacts } from '@hygromet/core/proof/long-hold';
import { interval, map, startWith } from 'rxjs';
import { coreQuery } from '../../core-worker/core-query';
import { errorIn } from '../../data/mutation';
import type { HoldArgs } from '../../core-worker/proof-operations';
import { CoreWorker } from '../../core-worker/core-worker.service';
import type { HoldReading } from '@hygromet/contract/visit-test';
import type { Quantity } from '@hygromet/core/instruments/quantity';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { Caution } from '../../ui/caution';
import { clockText } from '../../ui/day';
import { isStale, valueOf } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { TakeReading } from '../live/take-reading';
import { VisitJob } from '../visit-job';
import { BeforeLeaving } from './before-leaving';
import { comeBackText, durationText } from './come-back';
import { FollowInstruments } from './follow-instruments';
import { HoldChart } from './hold-chart';
import { firstAt, metaOf, readingsOf, type RunningHold } from './hold-trace';
import { coreVersion } from '@hygromet/core/version';
import { celsius } from '@hygromet/core/units/temperature';
import { holdSentence, percentPerHour, problemText, termAdvice, yearlyText } from './prove-labels';
import { ReactiveFormsModule } from '@angular/forms';
import { readingForm } from '../../forms/reading-form';
import { serverProblems } from '../../forms/server-problems';

const MINUTE_MS = 60_000;
const LEAST_READINGS_COUNT = 4;

/** A hold that runs: readings as they are typed, the verdict with its limit after each, and when to look again. */
@Component({
  selector: 'hy-hold-running',
  imports: [BeforeLeaving, BigNumber, Caution, FollowInstruments, HoldChart, QuantityField, ReactiveFormsModule, TakeReading],
  template: `
    @if (answer(); as a) {
      <hy-big-number [what]="what()" [number]="big().number" [unit]="big().unit" [computing]="stale()">
        @for (line of beside(); track line) {
          <div>{{ line }}</div>
        }
      </hy-big-number>
      @for (problem of a.result.problems; track $index) {
        <hy-caution [grave]="true">{{ problems[problem.code] }}</hy-caution>
      }
      <hy-hold-chart [timeS]="readings().timeS" [answer]="a" [startedAt]="startedAt()" [T]="firstK()" />
    } @else {
      <h2>
        {{ waiting() }}
      </h2>
      <p i18n class="second">
        Pressure and temperatures together, every minute or so. It reads as it runs; a short hold needs 10 to 15 min, a long one a reading
        now and then.
      </p>
    }
    @if (comeBack(); as words) {
      <p class="limit">{{ words }}</p>
      <hy-before-leaving [facts]="leaving()" />
    }
    <hy-follow-instruments [test]="test()" [quantities]="quantities()" [leastS]="30" [readingOf]="readingOf()" />
    <form novalidate [formGroup]="reading.form" (ngSubmit)="add()">
      @if (test().followed === null) {
        <hy-quantity-field label="Pressure" i18n-label kind="pressure" formControlName="pressure">
          <hy-take-reading quantity="head" (taken)="reading.take('pressure', $event)" />
        </hy-quantity-field>
        <hy-quantity-field label="Air, in the shade" i18n-label kind="temperature" formControlName="air">
          <hy-take-reading quantity="air" (taken)="reading.take('air', $event)" />
        </hy-quantity-field>
        @if (test().setUp.clamp) {
          <hy-quantity-field label="Pipe, clamp" i18n-label kind="temperature" formControlName="pipe">
            <hy-take-reading quantity="wall" (taken)="reading.take('pipe', $event)" />
          </hy-quantity-field>
        }
      }
      <div class="wide actions">
        @if (test().followed === null) {
          <button i18n type="submit" class="button main" [disabled]="!readable() || adding.state().state === 'busy'">Add reading</button>
        }
        <button i18n type="button" class="button" [disabled]="answer() === undefined || stale()" (click)="end()">End the test</button>
      </div>
      @if (refused(); as sentence) {
        <p class="wide over" role="alert">{{ sentence }}</p>
      }
    </form>
    @if (advice(); as words) {
      <p i18n class="second">Most of the doubt: {{ words }}.</p>
    }
    <p i18n class="small">A hold never replaces soap: it sees the sum of all leaks, soap and detector see one place.</p>
  `,
  styleUrl: './prove.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldRunning {
  readonly test = input.required<RunningHold>();
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  private readonly properties = inject(CoreWorker);
  protected readonly reading = readingForm(`hold-reading.${this.job.id}`, {
    pressure: 'pressure',
    air: 'temperature',
    pipe: 'temperature',
  });
  protected readonly problems = problemText;

  protected readonly quantities = computed((): readonly Quantity[] =>
    this.test().setUp.clamp ? ['head', 'air', 'wall'] : ['head', 'air'],
  );
  protected readonly readingOf = computed(() => {
    const { clamp, atmospherePa } = this.test().setUp;
    return ([head = 0, airK = 0, pipeK = 0]: readonly number[]): HoldReading => ({
      gaugePa: Math.max(0, head - atmospherePa),
      airK,
      ...(clamp ? { pipeK } : {}),
    });
  });

  private readonly now = toSignal(interval(MINUTE_MS).pipe(startWith(0), map(() => Date.now())), { initialValue: Date.now() }); // prettier-ignore
  /** Of a hold that nobody watches: when to come back. */
  protected readonly comeBack = computed(() => {
    const { until } = this.test().setUp;
    if (until === undefined) return undefined;
    const left = (Date.parse(until) - this.now()) / 1000;
    const when = comeBackText(new Date(until));
    return left > 0
      ? $localize`Come back ${when}\: in ${durationText(left)}. Today says so as well.`
      : $localize`It was to be read ${when}. Read it now.`;
  });
  protected readonly leaving = computed((): LeavingFacts => {
    const { setUp, readings, followed } = this.test();
    return {
      waitedS: (this.now() - Date.parse(setUp.filledAt)) / 1000,
      clamp: setUp.clamp,
      readings: readings.length,
      followed: followed !== null,
    };
  });

  protected readonly startedAt = computed(() => firstAt(this.test()));
  protected readonly readings = computed(() => readingsOf(this.test()));
  protected readonly firstK = computed(() => {
    const { airC, pipeC } = this.readings();
    return celsius(((this.test().setUp.clamp ? pipeC : undefined) ?? airC)[0]!);
  });
  private readonly refrigerant = computed(() => this.job.visit()?.system.refrigerant ?? '');
  private readonly question = computed((): HoldArgs | undefined => {
    const [composition, readings] = [this.session.inside(), this.readings()];
    if (composition === undefined || readings.timeS.length < LEAST_READINGS_COUNT) return undefined;
    const { setUp } = this.test();
    return { meta: metaOf(setUp, this.startedAt()), readings, tightTo: setUp.tightTo, composition };
  });
  private readonly judged = coreQuery(this.properties, 'hold', this.question);
  protected readonly answer = computed(() => valueOf(this.judged()));
  /** What stands there while there is no verdict. */
  protected readonly waiting = computed(() => {
    const count = this.readings().timeS.length;
    if (count === 0) return $localize`Take the first reading`;
    return count < LEAST_READINGS_COUNT
      ? $localize`${count} of ${LEAST_READINGS_COUNT} readings for a first verdict`
      : $localize`Computing the verdict`;
  });
  protected readonly stale = computed(() => isStale(this.judged()));

  protected readonly what = computed(() => {
    const { verdict } = this.answer()!.result;
    const minutes = Math.round((this.readings().timeS.at(-1) ?? 0) / 60);
    return $localize`Nitrogen hold, ${minutes} min: ${verdict === 'leaking' ? $localize`leaking` : $localize`no leak above`}`;
  });
  protected readonly big = computed(() => {
    const { verdict, lossPerHour, excludesAbove } = this.answer()!.result;
    const share = verdict === 'leaking' ? lossPerHour : excludesAbove;
    return Number.isFinite(share) ? { number: percentPerHour(share, this.units), unit: $localize`% per hour` } : { number: '–', unit: '' };
  });
  protected readonly beside = computed(() => {
    const { result, perYear, excludedPerYear } = this.answer()!;
    const percent = (share: number) => `${percentPerHour(share, this.units)} %`;
    if (result.verdict === 'leaking')
      return [
        $localize`${percent(result.interval90[0])} to ${percent(result.interval90[1])}, nine times of ten`,
        $localize`${yearlyText(perYear, this.units)} of ${this.refrigerant()} a year`,
      ];
    const asks = $localize`asked for ${percent(result.tightTo)}`;
    const again =
      result.verdict === 'tight'
        ? `${asks}: shown`
        : result.lookAgainS === null
          ? $localize`${asks}\: not by waiting longer`
          : $localize`${asks}\: look again at ${clockText(this.startedAt() + 1000 * result.lookAgainS)}`;
    return [
      $localize`${yearlyText(excludedPerYear, this.units)} of ${this.refrigerant()} a year`,
      again,
      ...(result.verdict === 'tight' ? [] : [$localize`leaking is not excluded yet`]),
      ...(result.settled ? [] : [$localize`the heat of filling still moves it`]),
    ];
  });
  protected readonly advice = computed(() => {
    const result = this.answer()?.result;
    const term = result?.budget[0]?.term;
    return result === undefined || term === undefined || result.verdict !== 'cannot-tell' ? undefined : termAdvice[term];
  });

  protected readonly readable = computed(() => {
    const { pressure, air, pipe } = this.reading.read();
    return pressure.state === 'good' && air.state === 'good' && (!this.test().setUp.clamp || pipe.state === 'good');
  });
  protected readonly adding = this.job.adding(() => this.reading.empty('pressure'));
  private readonly notAdded = serverProblems(this.adding.state, { '/reading/gaugePa': this.reading.form.controls.pressure });
  private readonly ending = this.job.adding();
  protected readonly refused = computed(() => this.notAdded() ?? errorIn(this.ending.state()));

  protected add(): void {
    const { pressure, air, pipe } = this.reading.read();
    if (pressure.state !== 'good' || air.state !== 'good') return;
    const clamp = this.test().setUp.clamp && pipe.state === 'good' ? { pipeK: pipe.si } : {};
    const reading = { gaugePa: Math.max(0, pressure.si - this.test().setUp.atmospherePa), airK: air.si, ...clamp };
    this.adding.send({ kind: 'test-read', testId: this.test().id, reading });
  }

  protected end(): void {
    const answer = this.answer();
    if (answer === undefined) return;
    const at = $localize`${this.units.pressureStep(this.test().setUp.setGaugePa)}, ${Math.round((this.readings().timeS.at(-1) ?? 0) / 60)} min: `;
    const said = at + holdSentence(answer, this.refrigerant(), this.units);
    this.ending.send({ kind: 'test-ended', testId: this.test().id, finding: { verdict: answer.result.verdict, said, coreVersion } });
  }
}
