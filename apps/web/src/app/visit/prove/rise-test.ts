import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { PASCAL_PER_MICRON } from '@hygromet/core/proof/water';
import { coreVersion } from '@hygromet/core/version';
import { usualMicronGauge, usualVacuumRigM3 } from '@hygromet/core/instruments/usual-instruments';
import { leftByHolds } from '@hygromet/core/proof/vacuum-after-hold';
import { usualRise } from '@hygromet/core/proof/usual-test';
import { coreQuery } from '../../core-worker/core-query';
import { errorIn } from '../../data/mutation';
import type { TestReading } from '@hygromet/contract/visit-test';
import { newKey } from '../../data/new-key';
import type { RiseArgs } from '../../core-worker/proof-operations';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { MethodSession } from '../../method/method.session';
import { Units } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { ChoiceField } from '../../ui/choice-field';
import { isStale, valueOf } from '../../ui/loadable';
import { QuantityField } from '../../ui/quantity-field';
import { TakeReading } from '../live/take-reading';
import { VisitJob } from '../visit-job';
import { FollowInstruments } from './follow-instruments';
import { MICRON_GAUGE } from './micron-gauge';
import { riseSentence } from './prove-labels';
import { isHold } from './hold-trace';
import { phasesOf, riseMetaOf, type RunningRise } from './rise-trace';
import { ReactiveFormsModule } from '@angular/forms';
import { readingForm } from '../../forms/reading-form';
import { serverProblems } from '../../forms/server-problems';

/** A vacuum that is shut in: whether it leaks, whether gas is released, and in the system or in the own rig. */
@Component({
  selector: 'hy-rise-test',
  imports: [BigNumber, ChoiceField, FollowInstruments, QuantityField, ReactiveFormsModule, TakeReading],
  template: `
    @if (test(); as running) {
      @if (answer(); as a) {
        <hy-big-number [what]="what()" [number]="number()" unit="microns per minute" i18n-unit [computing]="stale()">
          @for (line of beside(); track line) {
            <div>{{ line }}</div>
          }
        </hy-big-number>
        <p class="limit">{{ sentence() }}</p>
      } @else {
        <h2 i18n>{{ count() }} of 4 readings for a first verdict</h2>
      }
      <p i18n class="second">
        Rig first: shut the valve of the system as well, and watch hoses and gauge alone for two minutes: it tells your own leak from the
        system’s.
      </p>
      <hy-follow-instruments [test]="running" [quantities]="gauge" [leastS]="10" [readingOf]="readingOf()" />
      <form novalidate [formGroup]="reading.form" (ngSubmit)="add(running.id)">
        <hy-choice-field label="Shut in" i18n-label [choices]="phases" [value]="isolated()" (valueChange)="isolated.set($any($event))" />
        @if (running.followed === null) {
          <hy-quantity-field label="Vacuum" i18n-label kind="vacuum" formControlName="vacuum">
            <hy-take-reading quantity="vacuum" (taken)="reading.take('vacuum', $event)" />
          </hy-quantity-field>
        }
        <div class="wide actions">
          @if (running.followed === null) {
            <button
              i18n
              type="submit"
              class="button main"
              [disabled]="reading.read().vacuum.state !== 'good' || adding.state().state === 'busy'"
            >
              Add reading
            </button>
          }
          <button i18n type="button" class="button" [disabled]="answer() === undefined || stale()" (click)="end(running.id)">
            End the test
          </button>
        </div>
      </form>
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
    } @else {
      <h3 i18n>Vacuum and rise test</h3>
      <p i18n>
        Pull below 500 microns with the cores out and short, wide hoses, the gauge at the far end. Then shut the pump off and read it as it
        rises: twenty minutes tell a leak from moisture, ten do not.
      </p>
      @if (left(); as words) {
        <p class="limit">{{ words }}</p>
      }
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
      <div class="actions">
        <button i18n type="button" class="button" [class.main]="first()" (click)="begin()" [disabled]="volume() === undefined">
          Start the rise test
        </button>
      </div>
    }
  `,
  styleUrl: './prove.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RiseTest {
  readonly test = input<RunningRise>();
  /** Whether it is the next thing to do. */
  readonly first = input(false);
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  private readonly properties = inject(CoreWorker);
  protected readonly phases = [
    { value: 'rig', label: $localize`the rig alone` },
    { value: 'pump', label: $localize`system and rig, pump shut off` },
  ];
  protected readonly isolated = signal<'pump' | 'rig'>('rig');
  protected readonly gauge = MICRON_GAUGE;
  protected readonly readingOf = computed(() => {
    const isolated = this.isolated();
    return ([p = 0]: readonly number[]): TestReading => ({ isolated, micron: p / PASCAL_PER_MICRON });
  });
  protected readonly reading = readingForm(`rise-reading.${this.job.id}`, { vacuum: 'vacuum' });
  protected readonly volume = computed(() => valueOf(this.session.plan())?.volume.likely);
  protected readonly count = computed(() => this.test()?.readings.length ?? 0);

  private readonly question = computed((): RiseArgs | undefined => {
    const test = this.test();
    if (test === undefined) return undefined;
    const phases = phasesOf(test);
    const enough = phases.some(({ isolated, timeS }) => isolated === 'pump' && timeS.length >= 4);
    return enough ? { meta: riseMetaOf(test.setUp), phases, leakAbove: test.setUp.leakAbove } : undefined;
  });
  private readonly judged = coreQuery(this.properties, 'rise', this.question);
  protected readonly answer = computed(() => valueOf(this.judged()));
  protected readonly stale = computed(() => isStale(this.judged()));
  protected readonly what = computed(() => {
    const minutes = Math.round(
      (phasesOf(this.test()!)
        .filter(({ isolated }) => isolated === 'pump')
        .at(-1)
        ?.timeS.at(-1) ?? 0) / 60,
    );
    return $localize`Rise test, ${minutes} min: ${this.answer()!.verdict === 'leak' ? $localize`leaking` : $localize`no leak above`}`;
  });
  protected readonly number = computed(() => {
    const { leak, verdict } = this.answer()!;
    const value =
      verdict === 'leak' ? leak.micronPerMin : Math.max(leak.interval90[1], verdict === 'no-leak' ? this.test()!.setUp.leakAbove : 0);
    return this.units.decimal(value, value < 10 ? 1 : 0);
  });
  protected readonly beside = computed(() => {
    const { release, place } = this.answer()!;
    return [
      ...(place === null ? [] : [place === 'rig' ? $localize`in your own rig` : $localize`not in your rig`]),
      release.probability > 0.8
        ? $localize`gas is being released`
        : release.probability < 0.2
          ? $localize`no gas is being released`
          : $localize`gas may be released`,
    ];
  });
  protected readonly sentence = computed(() => riseSentence(this.answer()!, this.test()!.setUp.leakAbove, this.units));

  /** What a hold of the whole circuit on this visit has left of a leak, unless something was opened since. */
  private readonly leakAtMost = computed(() => {
    const visit = this.job.visit();
    const holds = (visit?.tests ?? [])
      .filter(isHold)
      .flatMap(({ ended, setUp }) =>
        ended === null || setUp.tested !== undefined
          ? []
          : [{ at: Date.parse(ended.at), verdict: ended.finding.verdict, tightTo: setUp.tightTo }],
      );
    const opened = (visit?.joints ?? []).filter(({ finding }) => finding !== 'tight').map(({ at }) => Date.parse(at));
    return leftByHolds(holds, opened);
  });
  protected readonly left = computed(() => {
    const micron = this.leakAtMost();
    if (micron === undefined) return undefined;
    const most = this.units.decimal(micron, micron < 10 ? 1 : 0);
    return $localize`The nitrogen hold has left a leak of ${most} microns per minute at most: the rise counts with it, and has to tell your own rig and gas that is released.`;
  });

  protected readonly adding = this.job.adding(() => this.reading.empty('vacuum'));
  private readonly notAdded = serverProblems(this.adding.state, { '/reading/micron': this.reading.form.controls.vacuum });
  private readonly beginning = this.job.adding();
  private readonly ending = this.job.adding();
  protected readonly refused = computed(() => this.notAdded() ?? errorIn(this.beginning.state()) ?? errorIn(this.ending.state()));

  protected begin(): void {
    const volumeM3 = this.volume();
    if (volumeM3 === undefined) return;
    const ambient = this.session.ambient();
    this.beginning.send({
      kind: 'test-begun',
      testId: newKey(),
      setUp: {
        test: 'rise',
        volumeM3,
        rigM3: usualVacuumRigM3,
        stepMicron: usualMicronGauge.stepMicron,
        coldestWallK: ambient.state === 'good' ? ambient.si : usualRise.wallK,
        compressorWithOil: true,
        leakAbove: usualRise.leakAboveMicronPerMinute,
        ...(this.leakAtMost() === undefined ? {} : { leakAtMost: this.leakAtMost()! }),
      },
    });
  }

  protected add(testId: string): void {
    const current = this.reading.read().vacuum;
    if (current.state !== 'good') return;
    this.adding.send({ kind: 'test-read', testId, reading: { isolated: this.isolated(), micron: current.si / PASCAL_PER_MICRON } });
  }

  protected end(testId: string): void {
    const answer = this.answer();
    if (answer === undefined) return;
    this.ending.send({ kind: 'test-ended', testId, finding: { verdict: answer.verdict, said: this.sentence(), coreVersion } });
  }
}
