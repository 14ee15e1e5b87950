import type { LiveReading } from '@hygromet/contract/instrument';
import type { Paired, TransferTrace, VisitTransfer } from '@hygromet/contract/visit-transfer';
import { flowRate } from '@hygromet/core/twin/alarm/flow-rate';
import type { Trace, Traces } from '@hygromet/core/twin/estimate/observed';
import { machineDeed } from '@hygromet/core/twin/machine-state';
import type { Deed } from '@hygromet/core/twin/scenario';
import { steadyNow } from '@hygromet/core/twin/alarm/watching';

export const liveQuantities = ['gross', 'suction', 'head', 'wall'] as const;
export type LiveQuantity = (typeof liveQuantities)[number];

/** A reading by the clock of the device: ms since 1970, SI. */
export interface Read {
  readonly at: number;
  readonly value: number;
  readonly typed: boolean;
}
export type ReadSeries = Readonly<Record<LiveQuantity, readonly Read[]>>;

/** Readings of the paired instruments, each once, in the order of their times. */
export class ReadingLog {
  private readonly known = new Set<string>();
  private readonly series: Record<LiveQuantity, Read[]> = { gross: [], suction: [], head: [], wall: [] };

  constructor(private readonly paired: Paired) {}

  add(readings: readonly LiveReading[]): void {
    for (const [instrument, quantity, at, value] of readings) {
      const found = liveQuantities.find((name) => name === quantity);
      if (found === undefined || this.paired[found] !== instrument) continue;
      const key = `${quantity} ${at}`;
      if (this.known.has(key)) continue;
      this.known.add(key);
      const into = this.series[found];
      into.push({ at, value, typed: false });
      // late ones are put where they belong
      for (let k = into.length - 1; k > 0 && into[k - 1]!.at > into[k]!.at; k--) [into[k - 1], into[k]] = [into[k]!, into[k - 1]!];
    }
  }

  /** With what people have typed between. */
  with(transfer: VisitTransfer): ReadSeries {
    const typed = transfer.readings.map(({ at, reading }) => ({ at: Date.parse(at), reading }));
    const merged = (name: LiveQuantity, field: 'grossKg' | 'suctionPa' | 'headPa' | undefined): readonly Read[] => {
      const values = typed.flatMap(({ at, reading }) => {
        const value = field === undefined ? undefined : reading[field];
        return value === undefined ? [] : [{ at, value, typed: true }];
      });
      return values.length === 0 ? this.series[name] : [...this.series[name], ...values].sort((a, b) => a.at - b.at);
    };
    return {
      gross: merged('gross', 'grossKg'),
      suction: merged('suction', 'suctionPa'),
      head: merged('head', 'headPa'),
      wall: merged('wall', undefined),
    };
  }
}

type Passing = Pick<VisitTransfer, 'begunAt' | 'setUp' | 'notes'>;

/** From when on how many seconds of simulated instruments pass in one of ours; ms since 1970. */
const speedsOf = ({ begunAt, setUp, notes }: Passing): readonly { readonly at: number; readonly speed: number }[] => [
  { at: Date.parse(begunAt), speed: setUp.speed },
  ...notes
    .flatMap(({ at, note }) => (note.what === 'speed' ? [{ at: Date.parse(at), speed: note.to }] : []))
    .sort((one, other) => one.at - other.at),
];

/** As it was told last. */
export const speedNow = (transfer: Passing): number => speedsOf(transfer).at(-1)?.speed ?? 1;

/** Seconds of the transfer at an instant: those of simulated instruments pass faster than ours. */
export const secondsOf = (transfer: Passing, at: number): number =>
  speedsOf(transfer).reduce((seconds, { at: since, speed }, k, all) => {
    const until = Math.min(at, all[k + 1]?.at ?? at);
    // before it began there was the speed at which it began
    return seconds + (k === 0 || until > since ? ((until - since) / 1000) * speed : 0);
  }, 0);

/** What people have done since it began. */
export const deedsOf = (transfer: VisitTransfer): readonly Deed[] =>
  transfer.notes.flatMap(({ at, note }): Deed[] => {
    const when = secondsOf(transfer, Date.parse(at));
    switch (note.what) {
      case 'cooling':
        return [{ at: when, cooling: note.cooling }];
      case 'machine':
        return [machineDeed(when, note.state)];
      case 'valve':
        return [{ at: when, valve: note.state }];
      default:
        return [];
    }
  });

/** kg that came by purging the machine, each time it was purged; nothing while nobody has. @param nowKg gross where it purges still */
export function purgedKg({ notes, ended }: Pick<VisitTransfer, 'notes' | 'ended'>, nowKg?: number): number | undefined {
  const states = notes.flatMap(({ note }) => (note.what === 'machine' ? [note] : []));
  const last = ended?.finish.endGrossKg ?? nowKg;
  const came = states.flatMap(({ state, grossKg }, k) => {
    const after = states[k + 1] === undefined ? last : states[k + 1]!.grossKg;
    return state !== 'purge' ? [] : [grossKg === undefined || after === undefined ? 0 : Math.max(0, after - grossKg)];
  });
  return came.length === 0 ? undefined : came.reduce((sum, kg) => sum + kg, 0);
}

/** Whether a machine was used that nobody has purged after its last transfer. */
export function isUnpurged(transfers: readonly VisitTransfer[]): boolean {
  const last = transfers.findLast(({ setUp }) => setUp.machine);
  return last !== undefined && purgedKg(last) === undefined;
}

/** Instruments as they were paired last. */
export const pairedNow = ({ setUp, notes }: VisitTransfer): Paired =>
  [...notes].reverse().flatMap(({ note }) => (note.what === 'paired' ? [note.instruments] : []))[0] ?? setUp.instruments;

/** A fit looks at so many readings of a kind; more tell it nothing new. */
const MOST_TO_FIT_COUNT = 400;

/** Readings since the start as the fit takes them. Those of before it belong to none. */
export function tracesOf(transfer: VisitTransfer, { gross, suction, head }: ReadSeries): Traces {
  const trace = (series: readonly Read[]): Trace => {
    const since = series.filter(({ at }) => at >= Date.parse(transfer.begunAt));
    const every = Math.max(1, Math.ceil(since.length / MOST_TO_FIT_COUNT));
    const kept = since.filter((_, k) => k % every === 0 || k === since.length - 1);
    return { t: kept.map(({ at }) => secondsOf(transfer, at)), value: kept.map(({ value }) => value) };
  };
  return { grossKg: trace(gross), suctionPa: trace(suction), headPa: trace(head) };
}

/** ms over which the rate of a scale is taken, at ordinary speed; of typed readings, the last two that far apart. */
const RATE_OVER_MS = 20_000;
const TYPED_APART_MS = 10_000;

/** kg/s by the person's clock. Nothing while nobody can say. */
export function rateOf(gross: readonly Read[], speed: number): number | undefined {
  const last = gross.at(-1);
  if (last === undefined) return undefined;
  if (last.typed) {
    const before = gross.findLast(({ at }) => last.at - at >= TYPED_APART_MS);
    return before === undefined ? undefined : (last.value - before.value) / ((last.at - before.at) / 1000);
  }
  const window = Math.max(2600, RATE_OVER_MS / Math.sqrt(speed));
  const recent = gross.filter(({ at }) => at >= last.at - window - 1000);
  return flowRate({ t: recent.map(({ at }) => at / 1000), value: recent.map(({ value }) => value) }, window / 1000)?.kgPerS;
}

/** kg: the middle one of the last readings, so that a kick is no weight. @param rate kg/s by our clock at which it rises */
export function steadyGross(gross: readonly Read[], rate = 0): number | undefined {
  const last = gross.at(-1);
  return last === undefined || last.typed ? last?.value : steadyNow(gross.slice(-LAST_COUNT), rate);
}
/** Of which the middle one is looked for. */
const LAST_COUNT = 20;

const TRACE_POINTS_COUNT = 240;

/** What stays with the record: readings thinned to even steps, nothing where nothing was read. */
export function traceOf(transfer: VisitTransfer, series: ReadSeries, until: number): TransferTrace {
  const end = Math.max(1, secondsOf(transfer, until));
  const steps = Math.max(1, Math.min(TRACE_POINTS_COUNT, Math.floor(end)));
  const t = Array.from({ length: steps + 1 }, (_, k) => Math.round((end * k) / steps));
  const at = (reads: readonly Read[]) => {
    const seconds = reads.map((read) => secondsOf(transfer, read.at));
    let k = 0;
    return t.map((wanted) => {
      while (k + 1 < reads.length && Math.abs(seconds[k + 1]! - wanted) <= Math.abs(seconds[k]! - wanted)) k++;
      const near = reads[k];
      return near === undefined || Math.abs(seconds[k]! - wanted) > end / steps ? null : near.value;
    });
  };
  return { t, grossKg: at(series.gross), suctionPa: at(series.suction), headPa: at(series.head) };
}
