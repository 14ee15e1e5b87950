import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { TransferNote, TransferReading, TransferSetUp, VisitTransfer } from '@hygromet/contract/visit-transfer';
import { doubtsOf } from '@hygromet/core/instruments/doubts';
import { stopAlarm } from '@hygromet/core/twin/alarm/stop-alarm';
import type { CureBy } from '@hygromet/core/twin/estimate/cures';
import type { Underway } from '@hygromet/core/twin/estimate/refit';
import { AS_RECORDED } from '@hygromet/core/twin/estimate/guess';
import type { MachineState } from '@hygromet/core/twin/machine-state';
import { coreVersion } from '@hygromet/core/version';
import { seemsTripped } from '@hygromet/core/twin/alarm/watching';
import equal from 'fast-deep-equal/es6';
import { interval, map, of, scan, startWith, switchMap, type Observable } from 'rxjs';
import { coreQuery } from '../../core-worker/core-query';
import { newKey } from '../../data/new-key';
import { CoreWorker } from '../../core-worker/core-worker.service';
import { readings$ } from '../../data/reading-stream';
import { Units } from '../../preferences/units.service';
import { valueOf } from '../../ui/loadable';
import { VisitJob } from '../visit-job';
import {
  deedsOf,
  pairedNow,
  purgedKg,
  rateOf,
  ReadingLog,
  secondsOf,
  speedNow,
  steadyGross,
  traceOf,
  tracesOf,
  type LiveQuantity,
  type Read,
} from './live-figures';

const CLOCK_MS = 500;
/** ms between fits: a twin that is asked all the time has no time to answer. */
const FIT_EVERY_MS = 5000;
/** Readings that say something at all. */
const LEAST_TO_FIT_COUNT = 5;
/** ms without a reading, after which what the scale would show is carried on from the last one. */
const SILENT_MS = 6000;
/** Readings of a minute before it began are drawn as well: they show where it started. */
const BEFORE_MS = 60_000;

interface Heard {
  readonly log: ReadingLog;
  /** Counts what has come: the log changes in place. */
  readonly count: number;
  readonly connected: boolean;
  readonly since: number;
}

/** The transfer of a visit as it runs: readings, what follows from them, and the twin beside them. Two people may watch one. */
@Injectable()
export class LiveTransfer {
  private readonly job = inject(VisitJob);
  private readonly properties = inject(CoreWorker);
  private readonly units = inject(Units);

  /** The one that runs. */
  readonly transfer = computed(() => this.job.visit()?.transfers.find(({ ended }) => ended === null));
  /** Those that have ended, the latest first. */
  readonly ended = computed(() => [...(this.job.visit()?.transfers ?? [])].filter(({ ended }) => ended !== null).reverse());
  readonly speed = computed(() => {
    const transfer = this.transfer();
    return transfer === undefined ? 1 : speedNow(transfer);
  });
  private readonly paired = computed(
    () => {
      const transfer = this.transfer();
      return transfer === undefined ? undefined : { id: transfer.id, begunAt: transfer.begunAt, instruments: pairedNow(transfer) };
    },
    { equal },
  );
  readonly instruments = computed(() => this.paired()?.instruments ?? {});
  readonly now = toSignal(
    toObservable(computed(() => this.transfer() !== undefined)).pipe(
      switchMap((runs) => (runs ? interval(CLOCK_MS).pipe(startWith(0)) : of(0))),
      map(() => Date.now()),
    ),
    { initialValue: Date.now() },
  );
  private readonly heard = toSignal(toObservable(this.paired).pipe(switchMap((paired) => this.heard$(paired))));
  /** Whether readings come; nothing where no instrument is paired. */
  readonly connection = computed(() => {
    const heard = this.heard();
    return Object.keys(this.instruments()).length === 0 || heard === undefined
      ? undefined
      : { connected: heard.connected, since: heard.since };
  });
  readonly series = computed(() => {
    const [transfer, heard] = [this.transfer(), this.heard()];
    return transfer === undefined ? undefined : (heard?.log ?? new ReadingLog({})).with(transfer);
  });
  readonly last = (quantity: LiveQuantity): Read | undefined => this.series()?.[quantity].at(-1);

  /** s of the transfer that have passed. */
  readonly elapsed = computed(() => {
    const transfer = this.transfer();
    return transfer === undefined ? 0 : Math.max(0, secondsOf(transfer, this.now()));
  });
  /** ms since the scale was read last. */
  readonly silentMs = computed(() => {
    const last = this.last('gross');
    return last === undefined ? 0 : Math.max(0, this.now() - last.at);
  });

  private readonly fitAt = toSignal(
    toObservable(computed(() => this.transfer()?.id)).pipe(
      switchMap((id) => (id === undefined ? of(0) : interval(FIT_EVERY_MS).pipe(startWith(0)))),
      map(() => Date.now()),
    ),
    { initialValue: Date.now() },
  );
  private guess: readonly number[] = AS_RECORDED;
  private firstForetold: { readonly id: string; readonly grossKg: number } | undefined;
  private readonly answer = coreQuery(
    this.properties,
    'outlook',
    computed((): Underway | undefined => {
      const at = this.fitAt();
      const deeds = this.deeds();
      return untracked(() => this.underway(at, deeds));
    }),
  );
  private readonly deeds = computed(() => {
    const transfer = this.transfer();
    return transfer === undefined ? [] : deedsOf(transfer);
  });
  readonly outlook = computed(() => valueOf(this.answer()));
  /** What the twin cannot say, and why. */
  readonly withoutTwin = computed(() => this.transfer()?.setUp.scenario === null || this.answer().state === 'failed');

  /** The scale: as it was read, or, while it is silent, carried on from there at the rate that was read, else at the twin's. */
  readonly gross = computed((): { readonly kg: number; readonly by: 'scale' | 'typed' | 'carried-on' | 'start' } | undefined => {
    const transfer = this.transfer();
    if (transfer === undefined) return undefined;
    const last = this.last('gross');
    if (last === undefined || Date.parse(transfer.begunAt) > last.at) return { kg: transfer.setUp.startGrossKg, by: 'start' };
    const since = (this.now() - last.at) / 1000;
    const rate = this.rate() ?? this.twinsRate();
    if (1000 * since > SILENT_MS && rate !== undefined && !this.valveShut())
      return { kg: last.value + Math.max(0, rate) * since, by: 'carried-on' };
    return { kg: steadyGross(this.series()!.gross, Math.max(0, this.rate() ?? 0)) ?? last.value, by: last.typed ? 'typed' : 'scale' };
  });
  readonly valveShut = computed(() => this.deeds().findLast(({ valve }) => valve !== undefined)?.valve === 'shut');
  /** As somebody said last; nothing while nobody has said it. */
  readonly machineState = computed((): MachineState | undefined => {
    const note = this.transfer()?.notes.findLast(({ note: kept }) => kept.what === 'machine')?.note;
    return note?.what === 'machine' ? note.state : undefined;
  });
  /** kg that purging the machine has brought; nothing while nobody has purged it. */
  readonly purgedKg = computed(() => {
    const transfer = this.transfer();
    return transfer === undefined ? undefined : purgedKg(transfer, this.gross()?.kg);
  });
  /** By the twin the system is empty, and what stands in the machine still has to come. */
  readonly toBePurged = computed(() => {
    const [transfer, end] = [this.transfer(), this.outlook()?.end];
    if (transfer === undefined || end === undefined || !transfer.setUp.machine || this.purgedKg() !== undefined) return false;
    return end.reason === 'reached' && end.t.likely <= this.elapsed() && !this.valveShut();
  });
  readonly machineOff = computed(() => this.machineState() === 'off');
  /** The liquid is over by the twin, and nobody has said that the machine was started. */
  readonly toBeStarted = computed(() => {
    const over = this.outlook()?.liquidOver?.likely;
    const waits = this.transfer()?.setUp.scenario?.method === 'liquid-first' && this.machineState() === undefined;
    return waits && over !== undefined && over <= this.elapsed();
  });
  /** kg/s by our clock. */
  readonly rate = computed(() => rateOf(this.series()?.gross ?? [], this.speed()));

  readonly alarm = computed(() => {
    const [transfer, gross] = [this.transfer(), this.gross()];
    if (transfer === undefined || gross === undefined) return undefined;
    const { stopGrossKg, machine } = transfer.setUp;
    return {
      ...stopAlarm({ stopKg: stopGrossKg, grossKg: gross.kg, rateKgPerS: this.rate() ?? 0, machine }),
      stopKg: stopGrossKg,
      grossKg: gross.kg,
    };
  });

  /** What should be looked at before a reading is believed. */
  readonly doubts = computed(() => {
    const series = this.series();
    if (series === undefined) return [];
    const trace = (reads: readonly Read[]) => {
      const read = reads.filter(({ typed }) => !typed).slice(-80);
      return read.length === 0 ? undefined : { t: read.map(({ at }) => at / 1000), value: read.map(({ value }) => value) };
    };
    const traces = Object.fromEntries(
      (['gross', 'suction', 'head'] as const).flatMap((name) => {
        const current = trace(series[name]);
        return current === undefined ? [] : [[name, current]];
      }),
    );
    // at many times the speed a scale moves far between two readings
    return doubtsOf(traces, this.now() / 1000, this.units.atmosphere()).filter(({ doubt }) => doubt !== 'jumped' || this.speed() === 1);
  });

  /** Nobody has said so yet, and the readings do. */
  readonly tripped = computed(() => {
    const [outlook, series] = [this.outlook(), this.series()];
    if (outlook === undefined || series === undefined || this.machineOff() || this.valveShut()) return false;
    return seemsTripped(series.head, this.rate(), outlook.cutOutPa, this.speed());
  });

  readonly adding = this.job.adding();
  /** What people did decides what the twin says. */
  private readonly add = this.job.queue();

  constructor() {
    effect(() => {
      const outlook = this.outlook();
      const id = untracked(() => this.transfer()?.id);
      if (outlook === undefined || id === undefined) return;
      this.guess = outlook.guess;
      if (this.firstForetold?.id !== id) this.firstForetold = { id, grossKg: outlook.end.grossKg.likely };
    });
  }

  begin(setUp: TransferSetUp): void {
    this.guess = AS_RECORDED;
    this.adding.send({ kind: 'transfer-begun', transferId: newKey(), setUp });
  }

  /** @param at when it was so, where that was not just now */
  note(note: TransferNote, at?: string): void {
    const transfer = this.transfer();
    if (transfer !== undefined) this.add({ kind: 'transfer-noted', transferId: transfer.id, note }, at);
  }

  /** What the machine is set to, with the scale as it stands then. */
  setMachine(state: MachineState): void {
    const grossKg = this.gross()?.kg;
    this.note({ what: 'machine', state, ...(grossKg === undefined ? {} : { grossKg: Math.max(0, grossKg) }) });
  }

  /** What averts a trip was done; another cylinder is a swap of its own. */
  cured(by: CureBy): void {
    if (by === 'loop') this.setMachine('loop');
    else if (by === 'throttle') this.setMachine('throttled');
    else if (by !== 'swap') this.note({ what: 'cooling', cooling: by });
  }

  type(reading: TransferReading): void {
    const transfer = this.transfer();
    if (transfer !== undefined) this.adding.send({ kind: 'transfer-read', transferId: transfer.id, reading });
  }

  /** @returns kg gross at its end */
  finish(): number | undefined {
    const [transfer, series, gross] = [this.transfer(), this.series(), this.gross()];
    if (transfer === undefined || series === undefined || gross === undefined) return undefined;
    const endGrossKg = steadyGross(series.gross) ?? gross.kg;
    const foretold = this.firstForetold?.id === transfer.id ? this.firstForetold.grossKg : null;
    const finish = { endGrossKg, foretoldGrossKg: foretold, trace: traceOf(transfer, series, Date.now()), coreVersion };
    this.adding.send({ kind: 'transfer-ended', transferId: transfer.id, finish });
    return endGrossKg;
  }

  /** kg/s by our clock. */
  private twinsRate(): number | undefined {
    const outlook = this.outlook();
    const [first, next] = [outlook?.bands.grossKg[0], outlook?.bands.grossKg[1]];
    if (outlook === undefined || first === undefined || next === undefined) return undefined;
    return ((next.likely - first.likely) / (outlook.t[1]! - outlook.t[0]!)) * this.speed();
  }

  private underway(at: number, deeds: Underway['scenario']['deeds']): Underway | undefined {
    const [transfer, series] = [this.transfer(), this.series()];
    if (transfer === undefined || series === undefined || transfer.setUp.scenario === null) return undefined;
    const readings = tracesOf(transfer, series);
    const read = Object.values(readings).reduce((sum, { t }) => sum + t.length, 0);
    const usable = read >= LEAST_TO_FIT_COUNT ? readings : {};
    return {
      scenario: { ...transfer.setUp.scenario, deeds },
      readings: usable,
      now: Math.max(1, secondsOf(transfer, at)),
      from: this.guess,
      chargeSd: transfer.setUp.chargeSd,
    };
  }

  private heard$(
    paired: { id: string; begunAt: string; instruments: VisitTransfer['setUp']['instruments'] } | undefined,
  ): Observable<Heard | undefined> {
    const names = [...new Set(Object.values<string | undefined>(paired?.instruments ?? {}))].filter((name) => name !== undefined);
    if (paired === undefined || names.length === 0) return of(undefined);
    const start: Heard = { log: new ReadingLog(paired.instruments), count: 0, connected: false, since: Date.now() };
    return readings$(names, new Date(Date.parse(paired.begunAt) - BEFORE_MS).toISOString()).pipe(
      scan((before: Heard, event): Heard => {
        if (event.kind === 'connected') return { ...before, connected: true, since: before.connected ? before.since : Date.now() };
        if (event.kind === 'lost') return before.connected ? { ...before, connected: false, since: Date.now() } : before;
        before.log.add(event.readings);
        return { ...before, count: before.count + event.readings.length, connected: true };
      }, start),
      startWith(start),
    );
  }
}
