import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ChargeNote } from '@hygromet/contract/charge-note';
import type { Instrument } from '@hygromet/contract/instrument';
import { feedAlarm } from '@hygromet/core/charge/feed-alarm';
import { flowRate } from '@hygromet/core/twin/alarm/flow-rate';
import { ANSWERED_WITHIN_S, stillComes, type AlarmStage } from '@hygromet/core/twin/alarm/stop-alarm';
import type { ReadAt } from '@hygromet/core/twin/alarm/watching';
import { EMPTY, switchMap, timer } from 'rxjs';
import { readings$ } from '../../data/reading-stream';
import { Units } from '../../preferences/units.service';
import { Caution } from '../../ui/caution';
import { AlarmSound } from './alarm-sound';
import { HeardInstruments, lastOf } from './heard-instruments';
import { screenOn } from './wake-lock';

interface Following {
  readonly scale: string;
  readonly startKg: number;
  readonly since: string;
}

const CLOCK_MS = 500;
/** A scale that says nothing for so long is not followed any more. */
const SILENT_MS = 6000;
const KEPT_COUNT = 240;
/** Over which the rate is taken. */
const RATE_OVER_MS = 10_000;

/** The charge as it goes in: the scale in large, what is left, and a call before the target that cannot be missed. */
@Component({
  selector: 'hy-feed-live',
  imports: [Caution],
  providers: [AlarmSound],
  template: `
    @if (following(); as f) {
      <div class="fed" role="status">
        <b>{{ units.massText(fedKg()) }}</b>
        <span i18n>fed · {{ leftText() }}</span>
      </div>
      @if (silent()) {
        <hy-caution i18n [grave]="true"
          >{{ f.scale }} says nothing: nobody calls out. Read it yourself, and shut the valve in time.</hy-caution
        >
      }
      <p i18n class="second">
        Calls out {{ units.massText(shutEarlyKg(), 'up') }} before the charge at this rate: hand, valve and what the hose holds. It calls
        only while this page is open.
        {{ screenHeld() ? words.theScreenStaysOn : words.theScreenMayGoDark }}
      </p>
      <button i18n type="button" class="button" (click)="end()">Stop following, take the reading</button>
      @if (active(); as stage) {
        <div class="alarm" role="alertdialog" aria-modal="true" aria-labelledby="feed-alarm-title" [class.over]="stage === 'over'">
          <p class="title" id="feed-alarm-title">
            @if (stage === 'over') {
              <ng-container i18n>More than the charge. Close the valve</ng-container>
            } @else {
              <ng-container i18n>Close the valve now</ng-container>
            }
          </p>
          <p class="gross">{{ units.massText(fedKg()) }}</p>
          <p i18n>charge {{ units.massText(leftKg(), 'down') }}</p>
          @if (!sound.ready()) {
            <p i18n class="quiet">No sound on this device until the page is touched.</p>
          }
          <button i18n #answer type="button" (click)="shut()">Valve is shut</button>
        </div>
      }
    } @else if (scale(); as heard) {
      <button i18n type="button" class="button" (click)="begin(heard.id, heard.kg)">
        Follow {{ heard.id }}, {{ units.massText(heard.kg) }} now
      </button>
      <p i18n class="second">Before the valve is opened: what is fed is counted from this weight.</p>
    }
  `,
  styleUrl: './alarm.css',
  styles: `
    :host {
      display: grid;
      justify-items: start;
      gap: 8px;
    }

    .fed {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 4px 14px;
      font-size: 20px;
    }

    .fed b {
      font-size: 64px;
      font-weight: 700;
      letter-spacing: -0.02em;
      line-height: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FeedLive {
  protected readonly words = {
    theScreenStaysOn: $localize`The screen stays on.`,
    theScreenMayGoDark: $localize`The screen may go dark: touch it now and then.`,
  } as const;

  /** kg that are still to go in. */
  readonly leftKg = input.required<number>();
  /** Gross when it begins, and when it ends: kg. */
  readonly began = output<number>();
  readonly finished = output<number>();
  /** What was called out and answered, for the record. */
  readonly noted = output<ChargeNote>();
  /** kg that have gone in since it is followed; 0 while it is not. */
  readonly fed = output<number>();

  protected readonly units = inject(Units);
  protected readonly sound = inject(AlarmSound);
  private readonly answer = viewChild<ElementRef<HTMLButtonElement>>('answer');
  private readonly heard = toSignal<readonly Instrument[], readonly Instrument[]>(inject(HeardInstruments).heard$, { initialValue: [] });
  protected readonly scale = computed(() => {
    const found = lastOf(this.heard(), 'gross');
    const kg = found?.last['gross']?.value;
    return found === undefined || kg === undefined ? undefined : { id: found.id, kg };
  });

  protected readonly following = signal<Following | undefined>(undefined);
  private readonly series = signal<readonly ReadAt[]>([]);
  private readonly heardAt = signal(0);
  private readonly now = signal(Date.now());
  protected readonly screenHeld = screenOn(computed(() => this.following() !== undefined));

  private readonly grossKg = computed(() => this.series().at(-1)?.value ?? this.following()?.startKg ?? 0);
  protected readonly fedKg = computed(() => (this.following()?.startKg ?? 0) - this.grossKg());
  /** kg/s that leave the cylinder. */
  private readonly rate = computed(() => {
    const series = this.series();
    const trace = { t: series.map(({ at }) => at / 1000), value: series.map(({ value }) => value) };
    return -(flowRate(trace, RATE_OVER_MS / 1000)?.kgPerS ?? 0);
  });
  private readonly alarm = computed(() => feedAlarm({ leftKg: this.leftKg(), fedKg: this.fedKg(), rateKgPerS: this.rate() }));
  protected readonly shutEarlyKg = computed(() => Math.max(0, this.leftKg() - this.alarm().closeAtKg));
  protected readonly silent = computed(() => this.following() !== undefined && this.now() - this.heardAt() > SILENT_MS);
  protected readonly leftText = computed(() => {
    const left = this.leftKg() - this.fedKg();
    return left >= 0 ? $localize`${this.units.massText(left, 'down')} left` : $localize`${this.units.massText(-left, 'up')} too much`;
  });

  private readonly answered = signal<{ readonly at: number; readonly fedKg: number } | undefined>(undefined);
  /** What calls now, and was not answered; answered, it comes again while more goes in than hand and valve explain. */
  protected readonly active = computed((): Exclude<AlarmStage, 'quiet' | 'soon'> | undefined => {
    const [{ stage }, answered] = [this.alarm(), this.answered()];
    if (this.following() === undefined || this.series().length === 0 || (stage !== 'now' && stage !== 'over')) return undefined;
    if (answered === undefined) return stage;
    const until = answered.at + 1000 * ANSWERED_WITHIN_S;
    if (this.now() < until) return undefined;
    const start = this.following()?.startKg ?? 0;
    const shutKg = start - (this.series().findLast(({ at }) => at <= until)?.value ?? start);
    return stillComes(this.fedKg(), answered.fedKg, shutKg) ? stage : undefined;
  });

  constructor() {
    toObservable(this.following)
      .pipe(
        switchMap((following) => (following === undefined ? EMPTY : readings$([following.scale], following.since))),
        takeUntilDestroyed(),
      )
      .subscribe((event) => {
        if (event.kind !== 'readings') return;
        const read = event.readings.flatMap(([, quantity, at, value]) => (quantity === 'gross' ? [{ at, value }] : []));
        if (read.length === 0) return;
        this.heardAt.set(Date.now());
        this.series.update((series) => [...series, ...read].sort((a, b) => a.at - b.at).slice(-KEPT_COUNT));
      });
    // nothing is counted while nothing is followed
    toObservable(this.following)
      .pipe(
        switchMap((following) => (following === undefined ? EMPTY : timer(0, CLOCK_MS))),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.now.set(Date.now()));
    effect(() => {
      const [stage, lost] = [this.active(), this.silent()];
      if (stage !== undefined) this.sound.sound(stage);
      else if (lost) this.sound.sound('now');
      else this.sound.stop();
    });
    effect(() => this.answer()?.nativeElement.focus());
    effect(() => {
      const stage = this.active();
      if (stage !== undefined) untracked(() => this.noted.emit({ what: 'alarm', stage, fedKg: Math.max(0, this.fedKg()) }));
    });
    effect(() => this.fed.emit(this.following() === undefined ? 0 : this.fedKg()));
  }

  protected begin(scale: string, startKg: number): void {
    void this.sound.wake();
    this.answered.set(undefined);
    this.series.set([]);
    this.heardAt.set(Date.now());
    this.following.set({ scale, startKg, since: new Date().toISOString() });
    this.began.emit(startKg);
  }

  protected shut(): void {
    this.answered.set({ at: Date.now(), fedKg: this.fedKg() });
    this.noted.emit({ what: 'answered', fedKg: Math.max(0, this.fedKg()) });
  }

  protected end(): void {
    const gross = this.grossKg();
    this.following.set(undefined);
    this.finished.emit(gross);
  }
}
