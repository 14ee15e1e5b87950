import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { TestReading } from '@hygromet/contract/visit-test';
import { pumpDown, usualHighSwitch } from '@hygromet/core/planning/pump-down';
import type { Underway } from '@hygromet/core/twin/estimate/refit';
import { AS_RECORDED } from '@hygromet/core/twin/estimate/guess';
import { pascal } from '@hygromet/core/units/quantity';
import { coreVersion } from '@hygromet/core/version';
import { coreQuery } from '../../core-worker/core-query';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { errorIn } from '../../data/mutation';
import { newKey } from '../../data/new-key';
import { readingForm } from '../../forms/reading-form';
import { serverProblems } from '../../forms/server-problems';
import { MethodSession } from '../../method/method.session';
import { cautionText, stepText } from '../../method/step-labels';
import { Units } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { Caution } from '../../ui/caution';
import { clockText } from '../../ui/day';
import { valueOf } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { fromNow } from '../live/live-labels';
import { pumpDownScenarioOf } from '../live/scenario-of';
import { TakeReading } from '../live/take-reading';
import { FollowInstruments } from '../prove/follow-instruments';
import { VisitJob } from '../visit-job';
import { PumpDownChart } from './pump-down-chart';
import { pumpDownText } from './pump-down-labels';
import { isPumpDownTest, pumpDownReadings, pumpDownTraces } from './pump-down-readings';

/** A pump-down by the system's own compressor: what is done before, then suction and head as they go, and the moment to shut the valve. */
@Component({
  selector: 'hy-pump-down',
  imports: [BigNumber, Caution, FollowInstruments, PumpDownChart, QuantityField, ReactiveFormsModule, TakeReading],
  template: `
    <section aria-label="Pump it down" i18n-aria-label>
      @if (running(); as test) {
        @if (judged(); as a) {
          <hy-big-number [what]="what()" [number]="now().number" [unit]="now().unit">
            <p i18n>
              <b>{{ units.pressure(test.setUp.endPa) }}</b> to be reached
            </p>
            @if (a.head; as head) {
              <p i18n>head {{ units.pressure(head) }}, its switch opens at {{ units.pressure(test.setUp.highSwitchPa) }}</p>
            }
            @if (ending(); as words) {
              <p>{{ words }}</p>
            }
          </hy-big-number>
          @if (a.verdict === 'drawing') {
            <p>{{ said() }}</p>
          } @else if (isDown()) {
            <div class="act" role="status">{{ said() }}</div>
          } @else {
            <hy-caution [grave]="a.verdict === 'head-high'">{{ said() }}</hy-caution>
          }
          <hy-pump-down-chart [readings]="readings()" [setUp]="test.setUp" [outlook]="outlook()" />
        } @else {
          <h3 i18n>Read it now</h3>
          <p i18n>The liquid valve is shut since {{ clock(test.begunAt) }}. Read suction and head while the compressor draws.</p>
        }
        <hy-follow-instruments [test]="test" [quantities]="gauges" [leastS]="2" [readingOf]="readingOf" />
        <form novalidate [formGroup]="typed.form" (ngSubmit)="add(test.id)">
          @if (test.followed === null) {
            <hy-quantity-field label="Suction" i18n-label kind="pressure" formControlName="suction">
              <hy-take-reading quantity="suction" (taken)="typed.take('suction', $event)" />
            </hy-quantity-field>
            <hy-quantity-field label="Head" i18n-label kind="pressure" formControlName="head">
              <hy-take-reading quantity="head" (taken)="typed.take('head', $event)" />
            </hy-quantity-field>
          }
          <div class="wide actions">
            @if (test.followed === null) {
              <button i18n type="submit" class="button" [disabled]="!readable() || adding.state().state === 'busy'">Add reading</button>
            }
            <button
              type="button"
              class="button"
              [class.main]="judged()?.verdict !== 'drawing'"
              [disabled]="judged() === undefined"
              (click)="end(test.id)"
            >
              @if (isDown()) {
                <ng-container i18n>Valve shut, compressor off</ng-container>
              } @else {
                <ng-container i18n>It is stopped</ng-container>
              }
            </button>
          </div>
        </form>
      } @else {
        <h3 i18n>Pump it down</h3>
        @for (test of ended(); track test.id) {
          <p [class.over]="test.ended!.finding.verdict !== 'reached'">
            {{ test.ended!.finding.said }} <span class="second">{{ test.ended!.by }}, {{ clock(test.ended!.at) }}</span>
          </p>
        }
        @if (job.open()) {
          @if (setUp(); as s) {
            @if (!done()) {
              <ol>
                @for (step of before(); track step.code) {
                  <li>
                    {{ stepText(step, units) }}
                    @for (caution of step.cautions; track caution) {
                      <hy-caution>{{ cautionText(caution) }}</hy-caution>
                    }
                  </li>
                }
              </ol>
              <p i18n>
                Then the suction falls to {{ units.pressure(s.endPa) }}, where its valve is shut; the head stays well below
                {{ units.pressure(s.highSwitchPa) }}{{ switchSource() }}.
                @if (ending(); as words) {
                  {{ words }}.
                }
              </p>
            }
            <div class="actions">
              <button type="button" class="button" [class.main]="ended().length === 0" (click)="begin()">
                @if (ended().length === 0) {
                  <ng-container i18n>The liquid valve is shut</ng-container>
                } @else {
                  <ng-container i18n>It is pumped down again</ng-container>
                }
              </button>
            </div>
          } @else {
            <p class="second">{{ unset() }}</p>
          }
        }
      }
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 10px;
      margin: 0 0 20px;
    }

    ol {
      display: grid;
      gap: 6px;
      margin: 0;
      padding-left: 26px;
      list-style: decimal;
    }

    .act {
      padding: 14px 16px;
      border-radius: var(--radius);
      background: var(--act-soft);
      font-weight: 650;
    }
  `,
  styleUrl: '../prove/prove.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PumpDown {
  protected readonly job = inject(VisitJob);
  protected readonly units = inject(Units);
  private readonly session = inject(MethodSession);
  protected readonly gauges = ['suction', 'head'] as const;
  protected readonly readingOf = ([suction = 0, head]: readonly number[]): TestReading => ({
    suctionPa: suction,
    ...(head === undefined ? {} : { headPa: head }),
  });
  protected readonly stepText = stepText;
  protected readonly cautionText = cautionText;
  protected readonly clock = (at: string): string => clockText(Date.parse(at));

  private readonly tests = computed(() => (this.job.visit()?.tests ?? []).filter(isPumpDownTest));
  protected readonly running = computed(() => this.tests().find(({ ended }) => ended === null));
  protected readonly ended = computed(() => this.tests().filter(({ ended }) => ended !== null));

  /** Its end was reached: nothing of it is asked for any more. */
  protected readonly done = computed(() => this.running() === undefined && this.ended().at(-1)?.ended?.finding.verdict === 'reached');

  private readonly plan = computed(() => valueOf(this.session.plan()));
  /** The steps of the plan up to the moment at which readings begin. */
  protected readonly before = computed(() => {
    const steps = this.plan()?.steps ?? [];
    const watched = steps.findIndex(({ code }) => code === 'watch-head' || code === 'watch-suction');
    return watched < 0 ? [] : steps.slice(0, watched);
  });
  private readonly recordedSwitch = computed(() => this.plan()?.steps.find(({ code }) => code === 'watch-head')?.at);
  protected readonly switchSource = computed(() =>
    this.recordedSwitch() === undefined
      ? $localize` (usual high-pressure switch, common practice: read yours)`
      : $localize`, where its switch opens`,
  );
  protected readonly setUp = computed(() => {
    const [endPa, question] = [this.plan()?.steps.find(({ code }) => code === 'watch-suction')?.at, this.session.question()];
    if (endPa === undefined || question === undefined) return undefined;
    const highSwitchPa = this.recordedSwitch() ?? usualHighSwitch(question.composition);
    return highSwitchPa === undefined ? undefined : { test: 'pump-down' as const, endPa, highSwitchPa };
  });

  /** What has to come first. */
  protected readonly unset = computed(() =>
    this.before().length === 0
      ? $localize`Its end follows from the method: choose it there first.`
      : $localize`Nobody has recorded where its high-pressure switch opens, and there is no usual one for this refrigerant: record it on the page of the system.`,
  );

  protected readonly readings = computed(() => {
    const test = this.running();
    return test === undefined ? [] : pumpDownReadings(test);
  });
  protected readonly judged = computed(() => {
    const [test, readings] = [this.running(), this.readings()];
    return test === undefined || readings.length === 0
      ? undefined
      : pumpDown(readings, pascal(test.setUp.endPa), pascal(test.setUp.highSwitchPa));
  });
  protected readonly isDown = computed(() => ['reached', 'head-unread'].includes(this.judged()?.verdict ?? ''));
  protected readonly said = computed(() => {
    const [judged, test] = [this.judged(), this.running()];
    return judged === undefined || test === undefined ? '' : pumpDownText(judged, test.setUp.endPa, this.units);
  });
  protected readonly what = computed(() => {
    const seconds = this.judged()?.watchedS ?? 0;
    return $localize`Suction, drawing for ${seconds < 90 ? `${this.units.decimal(seconds, 0)} s` : $localize`${this.units.decimal(seconds / 60, 1)} min`}`;
  });
  protected readonly now = computed(() => {
    const [number = '', ...unit] = this.units.pressure(this.judged()?.suction ?? 0).split(' ');
    return { number, unit: unit.join(' ') };
  });

  private readonly answer = coreQuery(
    inject(CoreWorker),
    'outlook',
    computed((): Underway | undefined => {
      const endPa = this.running()?.setUp.endPa ?? this.setUp()?.endPa;
      const scenario = endPa === undefined ? undefined : pumpDownScenarioOf(this.session.question(), this.plan(), endPa);
      const readings = this.readings();
      if (scenario === undefined || this.done()) return undefined;
      return {
        scenario,
        readings: readings.length < LEAST_TO_FIT_COUNT ? {} : pumpDownTraces(readings),
        now: Math.max(1, readings.at(-1)?.t ?? 1),
        from: AS_RECORDED,
      };
    }),
    this.session.plan,
  );
  protected readonly outlook = computed(() => valueOf(this.answer()));
  /** When it is down, while it is on its way. */
  protected readonly ending = computed(() => {
    const [outlook, verdict] = [this.outlook(), this.judged()?.verdict ?? 'drawing'];
    if (outlook === undefined || outlook.end.reason !== 'reached' || verdict !== 'drawing') return undefined;
    const now = outlook.t[0] ?? 0;
    return outlook.end.t.likely <= now
      ? undefined
      : this.running() === undefined
        ? $localize`By the twin it takes about ${fromNow(outlook.end.t, now, this.units)}`
        : $localize`about ${fromNow(outlook.end.t, now, this.units)} to go, by the twin`;
  });

  protected readonly typed = readingForm(`pump-down-reading.${this.job.id}`, { suction: 'pressure', head: 'pressure' });
  protected readonly readable = computed(() => {
    const { suction, head } = this.typed.read();
    return suction.state === 'good' && head.state !== 'bad';
  });
  protected readonly adding = this.job.adding(() => this.typed.empty('suction', 'head'));
  private readonly notAdded = serverProblems(this.adding.state, {
    '/reading/suctionPa': this.typed.form.controls.suction,
    '/reading/headPa': this.typed.form.controls.head,
  });
  private readonly beginning = this.job.adding();
  private readonly ending$ = this.job.adding();
  protected readonly refused = computed(() => this.notAdded() ?? errorIn(this.beginning.state()) ?? errorIn(this.ending$.state()));

  protected begin(): void {
    const setUp = this.setUp();
    if (setUp !== undefined) this.beginning.send({ kind: 'test-begun', testId: newKey(), setUp });
  }

  protected add(testId: string): void {
    const { suction, head } = this.typed.read();
    if (suction.state !== 'good' || head.state === 'bad') return;
    const reading = { suctionPa: suction.si, ...(head.state === 'good' ? { headPa: head.si } : {}) };
    this.adding.send({ kind: 'test-read', testId, reading });
  }

  protected end(testId: string): void {
    const [judged, test] = [this.judged(), this.running()];
    if (judged === undefined || test === undefined) return;
    this.ending$.send({
      kind: 'test-ended',
      testId,
      finding: { verdict: judged.verdict, said: endedText(this.said(), judged.verdict), coreVersion },
    });
  }
}

/** Readings that say something at all. */
const LEAST_TO_FIT_COUNT = 5;

/** What was told while it ran, as it stands in the record. */
const endedText = (said: string, verdict: string): string =>
  verdict === 'drawing' ? $localize`Stopped before its end. ${said.replace(' Stay at the suction valve.', '')}` : said;
