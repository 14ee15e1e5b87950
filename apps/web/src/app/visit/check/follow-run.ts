import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Instrument } from '@hygromet/contract/instrument';
import { followedQuantities, settlingQuantities, type FollowedQuantity, type FollowedRun } from '@hygromet/core/cycle/followed-run';
import type { Composition } from '@hygromet/core/fluids/composition';
import type { ReadInTest } from '@hygromet/core/proof/followed';
import { EMPTY, interval, switchMap } from 'rxjs';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { coreQuery } from '../../core-worker/core-query';
import type { FollowedArgs } from '../../core-worker/running-operations';
import { readings$ } from '../../data/reading-stream';
import { Units } from '../../preferences/units.service';
import { Caution } from '../../ui/caution';
import { valueOf } from '../../ui/loadable';
import { HeardInstruments, lastOf } from '../live/heard-instruments';
import { quantityNames } from '../live/quantity-names';
import { SettlingTrace } from './settling-trace';

/** Often enough for somebody who waits, and seldom enough that what is computed from it stands still to be read. */
const LOOK_EVERY_MS = 4000;
/** Between two readings that are kept, by the time of the unit. */
const APART_MS = 2000;
/** What was sent before is looked at as well: a page that was opened late knows whether it has settled. */
const BEFORE_MS = 900_000;
const SILENT_MS = 15_000;
/** Of each instrument, a quarter of an hour at a reading every two seconds. */
const KEPT_COUNT = 450;

interface Following {
  readonly by: Readonly<Partial<Record<FollowedQuantity, string>>>;
  readonly speed: number;
  readonly since: string;
}

/** A running unit read by its instruments: what they show is taken as it comes, and whether it has settled is seen, not guessed. */
@Component({
  selector: 'hy-follow-run',
  imports: [Caution, SettlingTrace],
  template: `
    @if (following(); as f) {
      <div class="head">
        <p class="state" role="status">
          <b>{{ state() }}</b>
          <span class="second">{{ drift() }}</span>
        </p>
        <button i18n type="button" class="button" (click)="following.set(undefined)">Stop following</button>
      </div>
      <hy-settling-trace [moments]="run()?.moments ?? []" />
      @if (silent().length > 0) {
        <hy-caution i18n [grave]="true"
          >Nothing is heard: {{ silent().join(', ') }}. What stands in the fields is the last that came.</hy-caution
        >
      }
    } @else if (offered(); as names) {
      <button i18n type="button" class="button" (click)="begin()">Follow {{ names.length }} instruments</button>
      <span i18n class="second">{{ names.join(', ') }}: readings are taken as they come, and it says when the unit has settled.</span>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      justify-items: start;
    }

    .head {
      display: flex;
      width: 100%;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 8px 16px;
    }

    .state {
      display: grid;
      gap: 2px;
      margin: 0;
    }

    .state b {
      font-size: 20px;
    }

    hy-settling-trace,
    hy-caution {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FollowRun {
  readonly composition = input.required<Composition>();
  /** What such a unit has to read. */
  readonly quantities = input.required<readonly FollowedQuantity[]>();
  /** What is read now, each time that something came. */
  readonly read = output<FollowedRun>();

  private readonly units = inject(Units);
  private readonly heard = toSignal<readonly Instrument[], readonly Instrument[]>(inject(HeardInstruments).heard$, { initialValue: [] });
  /** Which instrument reads what now. */
  private readonly there = computed(() =>
    Object.fromEntries(
      this.quantities().flatMap((name) => {
        const found = lastOf(this.heard(), name);
        return found === undefined ? [] : [[name, found]];
      }),
    ),
  );
  protected readonly offered = computed(() => {
    const there = this.there();
    if (!settlingQuantities.every((name) => there[name] !== undefined)) return undefined;
    return [...new Set(Object.values(there).map(({ id }) => id))];
  });

  protected readonly following = signal<Following | undefined>(undefined);
  private readonly traces = new Map<FollowedQuantity, ReadInTest[]>();
  private readonly heardMs = new Map<string, number>();
  private readonly now = signal(Date.now());
  private readonly asked = signal<FollowedArgs | undefined>(undefined);
  private readonly answered = coreQuery(inject(CoreWorker), 'followedRun', this.asked);
  protected readonly run = computed(() => (this.following() === undefined ? undefined : valueOf(this.answered())));

  protected readonly state = computed(() => {
    const settled = this.run()?.settled;
    return settled === undefined
      ? $localize`Followed for too short a time to say`
      : settled
        ? $localize`It has settled`
        : $localize`Not settled yet`;
  });
  protected readonly drift = computed(() => {
    const drift = this.run()?.driftK;
    if (drift === undefined) return $localize`superheat and subcooling have to stand still for four minutes`;
    const of = (K: number) => `${K < 0 ? '−' : '+'}${this.units.temperatureStep(Math.abs(K))}`;
    return $localize`in four minutes superheat ${of(drift.superheat)}, subcooling ${of(drift.subcooling)}`;
  });
  protected readonly silent = computed(() => {
    const [by, now] = [this.following()?.by ?? {}, this.now()];
    const names = Object.keys(by) as FollowedQuantity[]; // the keys of what is followed
    return names.filter((name) => now - (this.heardMs.get(name) ?? now) > SILENT_MS).map((name) => quantityNames[name]);
  });

  constructor() {
    toObservable(this.following)
      .pipe(
        switchMap((following) => (following === undefined ? EMPTY : readings$([...new Set(Object.values(following.by))], following.since))),
        takeUntilDestroyed(),
      )
      .subscribe((event) => {
        if (event.kind === 'readings')
          for (const [instrument, quantity, at, value] of event.readings) this.take(instrument, quantity, at, value);
      });
    toObservable(this.following)
      .pipe(
        switchMap((following) => (following === undefined ? EMPTY : interval(LOOK_EVERY_MS))),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.look());
    effect(() => {
      const run = this.run();
      if (run !== undefined) untracked(() => this.read.emit(run));
    });
  }

  protected begin(): void {
    const there = Object.entries(this.there());
    const speed = Math.max(1, ...there.map(([, { facts }]) => Number(facts['speed'] ?? 1)));
    this.traces.clear();
    this.heardMs.clear();
    for (const [name] of there) this.heardMs.set(name, Date.now());
    this.asked.set(undefined);
    this.following.set({
      by: Object.fromEntries(there.map(([name, { id }]) => [name, id])),
      speed,
      since: new Date(Date.now() - BEFORE_MS / speed).toISOString(),
    });
  }

  private take(instrument: string, quantity: string, at: number, value: number): void {
    const following = this.following();
    const name = followedQuantities.find((entry) => entry === quantity);
    if (following === undefined || name === undefined || following.by[name] !== instrument) return;
    this.heardMs.set(name, Date.now());
    const t = ((at - Date.parse(following.since)) / 1000) * following.speed;
    const trace = this.traces.get(name) ?? [];
    const last = trace.at(-1)?.t ?? Number.NEGATIVE_INFINITY;
    if (t - last >= APART_MS / 1000) trace.push({ t, value });
    this.traces.set(name, trace.slice(-KEPT_COUNT));
  }

  private look(): void {
    this.now.set(Date.now());
    this.asked.set({ composition: this.composition(), traces: Object.fromEntries(this.traces) });
  }
}
