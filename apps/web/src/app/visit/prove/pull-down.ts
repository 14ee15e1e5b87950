import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { hoseSizes, type HoseSize } from '@hygromet/core/proof/conductance';
import { PASCAL_PER_MICRON } from '@hygromet/core/proof/water';
import { coreVersion } from '@hygromet/core/version';
import { CoreError } from '@hygromet/core/errors';
import { readNumber } from '@hygromet/core/units/read-number';
import { usualPullDown } from '@hygromet/core/proof/usual-test';
import { targetOf, vacuumSchools, type VacuumSchool } from '@hygromet/core/proof/vacuum-schools';
import { volumeFlowFrom } from '@hygromet/core/units/volume-flow';
import { coreQuery } from '../../core-worker/core-query';
import { errorIn } from '../../data/mutation';
import type { TestReading } from '@hygromet/contract/visit-test';
import { newKey } from '../../data/new-key';
import type { PullDownArgs, PullDownPlanArgs } from '../../core-worker/proof-operations';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { MethodSession } from '../../method/method.session';
import { ambientOf } from '../../method/plan-question';
import { PreferencesService } from '../../preferences/preferences.service';
import { Units } from '../../preferences/units.service';
import { BigNumber } from '../../ui/big-number';
import { ChoiceField } from '../../ui/choice-field';
import { isStale, valueOf } from '../../ui/loadable';
import { emptyEntry, readQuantity, type QuantityEntry } from '../../ui/quantity-entry';
import { QuantityField } from '../../ui/quantity-field';
import { TextField } from '../../ui/text-field';
import { TakeReading } from '../live/take-reading';
import { VisitJob } from '../visit-job';
import { FollowInstruments } from './follow-instruments';
import { betterText, minutesText, pullDownNextText, pullDownText } from './prove-labels';
import { pullDownMetaOf, pullDownReadings, type RunningPullDown } from './pull-down-trace';
import { MICRON_GAUGE } from './micron-gauge';
import { schoolNote, vacuumSchoolText } from './vacuum-labels';
import { VacuumRig } from './vacuum-rig';
import { Computing } from '../../ui/computing';
import { ReactiveFormsModule } from '@angular/forms';
import { readingForm } from '../../forms/reading-form';
import { serverProblems } from '../../forms/server-problems';
import { draftForm } from '../../forms/draft-form';
import { quantity } from '../../forms/validators';

const USUAL_CFM = '5';

interface RigDraft {
  readonly hose: HoseSize;
  readonly length: QuantityEntry;
  readonly core: 'in' | 'out';
  readonly cfm: string;
  readonly school: VacuumSchool;
}

/** Pulling a vacuum: how long this pump and these hoses will take, what better ones would change, and what the fall says as it runs. */
@Component({
  selector: 'hy-pull-down',
  imports: [Computing, BigNumber, ChoiceField, FollowInstruments, QuantityField, ReactiveFormsModule, TakeReading, TextField, VacuumRig],
  template: `
    @if (test(); as running) {
      @if (answer(); as a) {
        <hy-big-number
          what="To {{ running.setUp.targetMicron }} microns"
          i18n-what
          [number]="left().number"
          [unit]="left().unit"
          [computing]="stale()"
        >
          <div>
            <b>{{ verdicts[a.verdict] }}</b>
          </div>
          @if (a.expectedS !== null) {
            <div i18n>{{ minutes(a.expectedS) }} from the start, dry and tight</div>
          }
        </hy-big-number>
        @if (nexts[a.verdict]; as step) {
          <p class="limit">{{ step }}</p>
        }
      } @else {
        <h2 i18n>{{ count() }} of {{ enough }} readings for a first verdict</h2>
      }
      <hy-follow-instruments [test]="running" [quantities]="gauge" [leastS]="10" [readingOf]="readingOf" />
      <form novalidate [formGroup]="reading.form" (ngSubmit)="add(running.id)">
        @if (running.followed === null) {
          <hy-quantity-field label="Vacuum at the system" i18n-label kind="vacuum" formControlName="vacuum">
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
            End the pull-down
          </button>
        </div>
      </form>
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
    } @else {
      <h3 i18n>Pull the vacuum</h3>
      <div class="fields" [formGroup]="rig.form">
        <hy-choice-field label="Hose" i18n-label [choices]="hoses" formControlName="hose" />
        <hy-quantity-field label="Length of the hose" i18n-label kind="length" formControlName="length" />
        <hy-choice-field label="Valve cores" i18n-label [choices]="cores" formControlName="core" />
        <hy-choice-field label="Pull to" i18n-label [choices]="schools" formControlName="school" />
        <hy-text-field label="Pump, cfm" i18n-label formControlName="cfm" />
      </div>
      <p class="second">{{ schoolWhy[rig.value().school] }}</p>
      <hy-vacuum-rig [hose]="rig.value().hose" [core]="rig.value().core" />
      @if (plan(); as p) {
        <dl class="figures" role="status" [hyComputing]="planned()">
          @for (item of p.targets; track item.micron) {
            <div>
              <dt i18n>To {{ item.micron }} microns, dry and tight</dt>
              <dd>{{ minutes(item.s) }}</dd>
            </div>
          }
          @for (item of p.better; track item.change) {
            <div>
              <dt i18n>{{ better[item.change] }}: to {{ target() }} microns</dt>
              <dd>{{ minutes(item.targetS) }}</dd>
            </div>
          }
        </dl>
      } @else {
        <p class="second">{{ asks() }}</p>
      }
      <p i18n class="second">
        Gauge at the far end, on the system, never on the pump. Ballast open for the first minutes where moisture is expected; fresh oil.
        Liquid water below freezing turns to ice and hides: keep it warm, sweep with dry nitrogen.
      </p>
      @if (refused(); as sentence) {
        <p class="over" role="alert">{{ sentence }}</p>
      }
      <div class="actions">
        <button i18n type="button" class="button" [class.main]="first()" (click)="begin()" [disabled]="planQuestion() === undefined">
          The pump is running
        </button>
      </div>
    }
  `,
  styleUrls: ['./prove.css', '../../ui/figures.css'],
  styles: `
    .fields {
      display: grid;
      gap: 12px 16px;
      grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PullDown {
  readonly test = input<RunningPullDown>();
  /** Whether it is the next thing to do. */
  readonly first = input(false);
  private readonly job = inject(VisitJob);
  private readonly session = inject(MethodSession);
  private readonly units = inject(Units);
  private readonly properties = inject(CoreWorker);
  private readonly metric = inject(PreferencesService).current().mass === 'kg';
  protected readonly verdicts = pullDownText;
  protected readonly nexts = pullDownNextText;
  protected readonly better = betterText;
  protected readonly enough = usualPullDown.leastReadings;
  protected readonly hoses = hoseSizes.map((value) => ({ value, label: $localize`${value} in` }));
  protected readonly cores = [
    { value: 'out', label: $localize`out` },
    { value: 'in', label: $localize`in` },
  ];
  /** Pump and hoses, as they were last set up here. */
  protected readonly rig = draftForm<RigDraft>(
    `vacuum-rig.${this.job.id}`,
    () => ({
      hose: '3/8',
      length: { ...emptyEntry(this.metric ? 'm' : 'ft'), text: this.metric ? '1.5' : '5' },
      core: 'out',
      cfm: USUAL_CFM,
      school: 'usual',
    }),
    { fields: { length: [quantity('length')] } },
  );
  protected readonly schools = vacuumSchools.map((value) => ({ value, label: $localize`${targetOf(value)} microns${schoolNote[value]}` }));
  protected readonly schoolWhy = vacuumSchoolText(this.units);
  protected readonly target = computed(() => targetOf(this.rig.value().school));
  protected readonly minutes = (seconds: number | null): string => minutesText(seconds, this.units);

  private readonly volume = computed(() => valueOf(this.session.plan())?.volume.likely);
  private readonly speed = computed(() => {
    try {
      const value = readNumber(this.rig.value().cfm);
      return value > 0 ? volumeFlowFrom(value, 'cfm') : undefined;
    } catch (error) {
      if (error instanceof CoreError) return undefined;
      throw error;
    }
  });
  protected readonly planQuestion = computed((): PullDownPlanArgs | undefined => {
    const [volumeM3, length, speed] = [this.volume(), readQuantity('length', this.rig.value().length), this.speed()];
    if (volumeM3 === undefined || length.state !== 'good' || length.si <= 0 || speed === undefined) return undefined;
    const asked = this.session.question();
    return {
      volumeM3,
      hose: this.rig.value().hose,
      lengthM: length.si,
      core: this.rig.value().core,
      pumpSpeed: speed,
      ...(asked === undefined ? { ambientK: usualPullDown.ambientK } : ambientOf(asked.look)),
      targetMicron: this.target(),
    };
  });
  protected readonly planned = coreQuery(
    this.properties,
    'pullDownPlan',
    computed(() => (this.test() === undefined ? this.planQuestion() : undefined)),
    this.session.plan,
  );
  protected readonly plan = computed(() => valueOf(this.planned()));
  protected readonly asks = computed(() =>
    this.volume() === undefined
      ? $localize`Type the outdoor temperature in Look: the volume of the circuit follows.`
      : $localize`Type length and pump: the minutes follow.`,
  );

  protected readonly count = computed(() => this.test()?.readings.length ?? 0);
  private readonly question = computed((): PullDownArgs | undefined => {
    const test = this.test();
    if (test === undefined || test.readings.length < usualPullDown.leastReadings) return undefined;
    return { meta: pullDownMetaOf(test.setUp), readings: pullDownReadings(test) };
  });
  private readonly judged = coreQuery(this.properties, 'pullDown', this.question);
  protected readonly answer = computed(() => valueOf(this.judged()));
  protected readonly stale = computed(() => isStale(this.judged()));
  protected readonly left = computed(() => {
    const [answer, test] = [this.answer(), this.test()];
    const now = test === undefined ? 0 : (pullDownReadings(test).timeS.at(-1) ?? 0);
    const seconds = answer?.targetS ?? null;
    return seconds === null
      ? { number: '–', unit: $localize`never as it is` }
      : { number: this.units.decimal(Math.max(0, seconds - now) / 60, 0), unit: $localize`min left` };
  });

  protected readonly gauge = MICRON_GAUGE;
  protected readonly readingOf = ([p = 0]: readonly number[]): TestReading => ({ micron: p / PASCAL_PER_MICRON });
  protected readonly reading = readingForm(`vacuum-reading.${this.job.id}`, { vacuum: 'vacuum' });
  protected readonly adding = this.job.adding(() => this.reading.empty('vacuum'));
  private readonly notAdded = serverProblems(this.adding.state, { '/reading/micron': this.reading.form.controls.vacuum });
  private readonly beginning = this.job.adding();
  private readonly ending = this.job.adding();
  protected readonly refused = computed(() => this.notAdded() ?? errorIn(this.beginning.state()) ?? errorIn(this.ending.state()));
  private readonly testId = linkedSignal({ source: this.test, computation: () => newKey() });

  protected begin(): void {
    const pullDownPlanArgs = this.planQuestion();
    if (pullDownPlanArgs !== undefined)
      this.beginning.send({ kind: 'test-begun', testId: this.testId(), setUp: { test: 'pull-down', ...pullDownPlanArgs } });
  }

  protected add(testId: string): void {
    const current = this.reading.read().vacuum;
    if (current.state === 'good') this.adding.send({ kind: 'test-read', testId, reading: { micron: current.si / PASCAL_PER_MICRON } });
  }

  protected end(testId: string): void {
    const answer = this.answer();
    if (answer === undefined) return;
    const said = `${pullDownText[answer.verdict]}${pullDownNextText[answer.verdict] === undefined ? '' : `. ${pullDownNextText[answer.verdict]!}`}`;
    this.ending.send({ kind: 'test-ended', testId, finding: { verdict: answer.verdict, said, coreVersion } });
  }
}
