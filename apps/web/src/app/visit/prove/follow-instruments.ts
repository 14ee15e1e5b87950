import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Instrument, LiveReading } from '@hygromet/contract/instrument';
import type { TestReading, VisitTest } from '@hygromet/contract/visit-test';
import type { Quantity } from '@hygromet/core/instruments/quantity';
import { samplesOf, type ReadInTest } from '@hygromet/core/proof/followed';
import equal from 'fast-deep-equal/es6';
import { interval, map, of, startWith, switchMap } from 'rxjs';
import { errorIn } from '../../data/mutation';
import { readings$ } from '../../data/reading-stream';
import { Caution } from '../../ui/caution';
import { HeardInstruments, lastOf } from '../live/heard-instruments';
import { quantityNames } from '../live/quantity-names';
import { Units } from '../../preferences/units.service';
import { VisitJob } from '../visit-job';
import { minutesText } from './prove-labels';

const LOOK_EVERY_MS = 2000;
/** An event is written when so much has come, or so long has passed. */
const SEND_EVERY_MS = 6000;
const MOST_IN_ONE_COUNT = 300;
const SILENT_MS = 30_000;

/**
 * A test that is read by its instruments: samples are taken as they come and added to the visit, and those that came while no page was open
 * are added when one is. Whoever has the visit open follows.
 */
@Component({
  selector: 'hy-follow-instruments',
  imports: [Caution],
  template: `
    @if (following(); as names) {
      <p i18n class="second" role="status">Reads {{ names.join(', ') }} by itself: {{ lastText() }}.</p>
      @if (silent().length > 0) {
        <hy-caution i18n [grave]="true">
          Nothing is heard: {{ silentText() }}. No reading is added without it. What a gateway keeps comes later; or stop following, and
          type what you read.
        </hy-caution>
      }
      <button i18n type="button" class="button" (click)="stop()">Stop following</button>
    } @else if (offered(); as names) {
      <button i18n type="button" class="button" (click)="follow(names)">Follow {{ names.join(', ') }}</button>
      <span i18n class="second">Readings are added by themselves, with this page closed as well as long as the gateway sends.</span>
    }
    @if (refused(); as sentence) {
      <p class="over" role="alert">{{ sentence }}</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
      padding-bottom: 12px;
    }

    :host:empty {
      display: none;
    }

    p {
      margin: 0;
      flex-basis: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FollowInstruments {
  readonly test = input.required<VisitTest>();
  /** What is read, each by one instrument. */
  readonly quantities = input.required<readonly Quantity[]>();
  /** s between readings at first. */
  readonly leastS = input.required<number>();
  /** A reading of the test by what the instruments showed, in the order of the quantities. */
  readonly readingOf = input.required<(values: readonly number[]) => TestReading>();

  private readonly job = inject(VisitJob);
  private readonly units = inject(Units);
  private readonly heard = toSignal<readonly Instrument[], readonly Instrument[]>(inject(HeardInstruments).heard$, { initialValue: [] });
  private readonly now = toSignal(interval(LOOK_EVERY_MS).pipe(startWith(0), map(() => Date.now())), { initialValue: Date.now() }); // prettier-ignore

  /** Those that are heard now, one for each quantity. */
  private readonly found = computed(() => this.quantities().map((quantity) => lastOf(this.heard(), quantity)));
  protected readonly offered = computed(() => {
    const found = this.found().filter((instrument) => instrument !== undefined);
    return found.length < this.quantities().length ? undefined : unique(found.map(({ id }) => id));
  });
  protected readonly following = computed(() => this.test().followed?.instruments);

  private readonly followed = computed(() => ({ id: this.test().id, begunAt: this.test().begunAt, by: this.test().followed }), { equal });
  /** s of the test at the last sample that stands in the record. */
  private readonly recordedS = computed(() => {
    const { readings, followed, begunAt } = this.test();
    const by = followed?.instruments.join(', ');
    return Math.max(-1, ...readings.filter((entry) => entry.by === by).map(({ at }) => (Date.parse(at) - Date.parse(begunAt)) / 1000));
  });
  private traces = new Map<string, ReadInTest[]>();
  private readonly heardMs = new Map<string, number>();
  private sentS = -1;
  private sentAt = 0;
  private asRead: ((values: readonly number[]) => TestReading) | undefined;

  private readonly openedMs = Date.now();
  /** Without one of them there is no sample, whatever the others say. */
  protected readonly silent = computed(() => {
    const heardBefore = this.now() - SILENT_MS;
    return this.quantities().filter((quantity) => Math.max(this.heardMs.get(quantity) ?? 0, this.openedMs) < heardBefore);
  });
  protected readonly silentText = computed(() =>
    this.silent()
      .map((quantity) => quantityNames[quantity])
      .join(', '),
  );
  protected readonly lastText = computed(() => {
    const count = this.test().readings.length;
    const last = this.recordedS();
    return last < 0
      ? $localize`the first reading comes in a moment`
      : $localize`${count} readings, the last ${minutesText(last, this.units)} after the start`;
  });

  private readonly changing = this.job.adding();
  protected readonly refused = computed(() => errorIn(this.changing.state()));
  /** What was read is added once. */
  private readonly add = this.job.queue();

  constructor() {
    toObservable(this.followed)
      .pipe(
        switchMap(({ begunAt, by }) => {
          this.traces = new Map();
          this.sentS = untracked(this.recordedS);
          if (by === null) return of(undefined);
          const since = Date.parse(begunAt) + (1000 * Math.max(0, this.sentS)) / by.speed;
          return readings$(by.instruments, new Date(since).toISOString());
        }),
        takeUntilDestroyed(),
      )
      .subscribe((event) => {
        if (event?.kind === 'readings') this.take(event.readings);
      });
    effect(() => {
      this.now();
      untracked(() => {
        if (Date.now() - this.sentAt >= SEND_EVERY_MS) this.send();
      });
    });
    effect(() => {
      const asRead = this.readingOf();
      // what came before the person said something else is what he had said
      untracked(() => this.send());
      this.asRead = asRead;
    });
  }

  protected follow(instruments: readonly string[]): void {
    const speed = Math.max(1, ...this.found().map((instrument) => Number(instrument?.facts['speed'] ?? 1)));
    this.changing.send({ kind: 'test-followed', testId: this.test().id, instruments: [...instruments], speed, readings: [] });
  }

  protected stop(): void {
    this.changing.send({ kind: 'test-followed', testId: this.test().id, instruments: [], speed: 1, readings: [] });
  }

  private take(readings: readonly LiveReading[]): void {
    const { begunAt, by } = this.followed();
    const begun = Date.parse(begunAt);
    for (const [instrument, quantity, at, value] of readings) {
      if (by === null || !by.instruments.includes(instrument)) continue;
      const trace = this.traces.get(quantity) ?? [];
      trace.push({ t: ((at - begun) / 1000) * by.speed, value });
      for (let k = trace.length - 1; k > 0 && trace[k - 1]!.t > trace[k]!.t; k--) [trace[k - 1], trace[k]] = [trace[k]!, trace[k - 1]!];
      this.traces.set(quantity, trace);
      this.heardMs.set(quantity, Date.now());
    }
  }

  private send(): void {
    const { id, by } = this.followed();
    const asRead = this.asRead;
    if (by === null || asRead === undefined) return;
    const traces = this.quantities().map((quantity) => this.traces.get(quantity) ?? []);
    const until = Math.min(...traces.map((trace) => trace.at(-1)?.t ?? Number.NEGATIVE_INFINITY));
    const samples = samplesOf(traces, this.sentS, until, this.leastS()).slice(0, MOST_IN_ONE_COUNT);
    const last = samples.at(-1);
    if (last === undefined) return;
    [this.sentS, this.sentAt] = [last.t, Date.now()];
    for (const trace of this.traces.values())
      trace.splice(
        0,
        Math.max(
          0,
          trace.findIndex(({ t }) => t > last.t),
        ),
      );
    const readings = samples.map(({ t, values }) => ({ t, reading: asRead(values) }));
    this.add({ kind: 'test-followed', testId: id, ...by, readings });
  }
}

const unique = (names: readonly string[]): readonly string[] => [...new Set(names)];
