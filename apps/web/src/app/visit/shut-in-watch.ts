import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { TestReading } from '@hygromet/contract/visit-test';
import { shutIn, WATCHED_MINUTES } from '@hygromet/core/planning/shut-in';
import { pascal } from '@hygromet/core/units/quantity';
import { coreVersion } from '@hygromet/core/version';
import { errorIn } from '../data/mutation';
import { newKey } from '../data/new-key';
import { MethodSession } from '../method/method.session';
import { Units } from '../preferences/units.service';
import { BigNumber } from '../ui/big-number';
import { Caution } from '../ui/caution';
import { clockText } from '../ui/day';
import { valueOf } from '../ui/loadable';
import { QuantityField } from '../ui/quantity-field';
import { FollowInstruments } from './prove/follow-instruments';
import { TakeReading } from './live/take-reading';
import { shutInText } from './shut-in-labels';
import { isShutIn, shutInReadings } from './shut-in-readings';
import { VisitJob } from './visit-job';
import { ReactiveFormsModule } from '@angular/forms';
import { readingForm } from '../forms/reading-form';
import { serverProblems } from '../forms/server-problems';

/** After the last cylinder: the system is shut in and watched; what creeps above the level is recovered again. */
@Component({
  selector: 'hy-shut-in-watch',
  imports: [BigNumber, Caution, FollowInstruments, QuantityField, ReactiveFormsModule, TakeReading],
  template: `
    <section aria-label="Shut in and watch" i18n-aria-label>
      @if (running(); as test) {
        @if (judged(); as a) {
          <hy-big-number [what]="what()" [number]="now().number" [unit]="now().unit">
            <p i18n>level {{ units.pressure(test.setUp.levelPa) }}</p>
            @if (a.rests; as rests) {
              <p i18n>comes to rest at {{ units.pressure(rests.likely) }}, at most {{ units.pressure(rests.most) }}</p>
            }
          </hy-big-number>
          @if (isBad()) {
            <hy-caution [grave]="a.verdict === 'passed'">{{ said() }}</hy-caution>
          } @else {
            <p>{{ said() }}</p>
          }
        } @else {
          <h3 i18n>Read it now</h3>
          <p i18n>Machine off, valves shut since {{ clock(test.begunAt) }}. The first reading is the start of the watch.</p>
        }
        <hy-follow-instruments [test]="test" [quantities]="gauge" [leastS]="15" [readingOf]="readingOf" />
        <form novalidate [formGroup]="reading.form" (ngSubmit)="add(test.id)">
          @if (test.followed === null) {
            <hy-quantity-field label="Pressure, shut in" i18n-label kind="pressure" formControlName="pressure">
              <hy-take-reading quantity="suction" (taken)="reading.take('pressure', $event)" />
            </hy-quantity-field>
          }
          <div class="wide actions">
            @if (test.followed === null) {
              <button
                i18n
                type="submit"
                class="button main"
                [disabled]="reading.read().pressure.state !== 'good' || adding.state().state === 'busy'"
              >
                Add reading
              </button>
            }
            <button i18n type="button" class="button" [disabled]="judged() === undefined" (click)="end(test.id)">End the watch</button>
          </div>
        </form>
      } @else {
        <h3 i18n>Shut in and watch</h3>
        @for (test of ended(); track test.id) {
          <p [class.over]="test.ended!.finding.verdict !== 'stays'">
            {{ test.ended!.finding.said }} <span class="second">{{ test.ended!.by }}, {{ clock(test.ended!.at) }}</span>
          </p>
        }
        @if (job.open()) {
          @if (level(); as p) {
            <p i18n>
              Machine off, valves shut: refrigerant boils out of oil and cold spots, and the pressure creeps up. Watched for
              {{ minutes }} minutes it has to stay at or below {{ units.pressure(p) }}; above it, recover again before anything is opened.
            </p>
            <div class="actions">
              <button type="button" class="button" (click)="begin(p)">
                @if (ended().length === 0) {
                  <ng-container i18n>It is shut in</ng-container>
                } @else {
                  <ng-container i18n>It is shut in again</ng-container>
                }
              </button>
            </div>
          } @else {
            <p i18n class="second">The level follows from the look: type the outdoor temperature there.</p>
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
      margin: 12px 0 20px;
    }
  `,
  styleUrl: './prove/prove.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShutInWatch {
  protected readonly job = inject(VisitJob);
  protected readonly units = inject(Units);
  private readonly session = inject(MethodSession);
  protected readonly minutes = WATCHED_MINUTES;
  protected readonly gauge = ['suction'] as const;
  protected readonly readingOf = ([p = 0]: readonly number[]): TestReading => ({ shutInPa: p });
  protected readonly clock = (at: string): string => clockText(Date.parse(at));

  private readonly watches = computed(() => (this.job.visit()?.tests ?? []).filter(isShutIn));
  protected readonly running = computed(() => this.watches().find(({ ended }) => ended === null));
  protected readonly ended = computed(() => this.watches().filter(({ ended }) => ended !== null));
  /** Pa absolute that was to be reached. */
  protected readonly level = computed(() => valueOf(this.session.plan())?.level.p);

  protected readonly judged = computed(() => {
    const test = this.running();
    if (test === undefined) return undefined;
    const readings = shutInReadings(test);
    return readings.length === 0 ? undefined : shutIn(readings, pascal(test.setUp.levelPa));
  });
  protected readonly isBad = computed(() => ['passed', 'will-pass', 'rises'].includes(this.judged()?.verdict ?? ''));
  protected readonly said = computed(() => {
    const [judged, test] = [this.judged(), this.running()];
    return judged === undefined || test === undefined ? '' : shutInText(judged, test.setUp.levelPa, this.units);
  });
  protected readonly what = computed(
    () => $localize`Shut in, ${this.units.decimal((this.judged()?.watchedS ?? 0) / 60, 0)} of ${WATCHED_MINUTES} min`,
  );
  protected readonly now = computed(() => {
    const [number = '', ...unit] = this.units.pressure(this.judged()?.p ?? 0).split(' ');
    return { number, unit: unit.join(' ') };
  });

  protected readonly reading = readingForm(`shut-in-reading.${this.job.id}`, { pressure: 'pressure' });
  protected readonly adding = this.job.adding(() => this.reading.empty('pressure'));
  private readonly notAdded = serverProblems(this.adding.state, { '/reading/shutInPa': this.reading.form.controls.pressure });
  private readonly beginning = this.job.adding();
  private readonly ending = this.job.adding();
  protected readonly refused = computed(() => this.notAdded() ?? errorIn(this.beginning.state()) ?? errorIn(this.ending.state()));

  protected begin(levelPa: number): void {
    this.beginning.send({ kind: 'test-begun', testId: newKey(), setUp: { test: 'shut-in', levelPa } });
  }

  protected add(testId: string): void {
    const current = this.reading.read().pressure;
    if (current.state === 'good') this.adding.send({ kind: 'test-read', testId, reading: { shutInPa: current.si } });
  }

  protected end(testId: string): void {
    const judged = this.judged();
    if (judged === undefined) return;
    this.ending.send({ kind: 'test-ended', testId, finding: { verdict: judged.verdict, said: this.said(), coreVersion } });
  }
}
