import type { Composition } from '../fluids/composition';
import { samplesOf, type ReadInTest } from '../proof/followed';
import { cycleTable } from './cycle-table';
import { isSettled, WINDOW_S, type Moment } from './settled';

/** What instruments read of a running unit and of the air around it. */
export const followedQuantities = ['head', 'suction', 'suctionLine', 'liquidLine', 'supply', 'discharge', 'outdoor', 'indoor', 'wetBulb'] as const; // prettier-ignore
export type FollowedQuantity = (typeof followedQuantities)[number];
/** Without these nobody can say whether it has settled. */
export const settlingQuantities = ['head', 'suction', 'suctionLine', 'liquidLine'] as const satisfies readonly FollowedQuantity[];

/** What each instrument has sent, s of the unit's time, Pa absolute and K, in the order of time. */
export type RunTraces = Readonly<Partial<Record<FollowedQuantity, readonly ReadInTest[]>>>;

export interface FollowedRun {
  /** The median of the last half minute; nothing of an instrument that was not heard in it. */
  readonly values: Readonly<Partial<Record<FollowedQuantity, number>>>;
  /** A moment each half minute. */
  readonly moments: readonly Moment[];
  /** Nothing while it was followed for too short a time to say. */
  readonly settled: boolean | undefined;
  /** K that superheat and subcooling have moved in the last four minutes. */
  readonly driftK: { readonly superheat: number; readonly subcooling: number } | undefined;
}

const EVERY_S = 30;

/** A running unit as its instruments have followed it: what they read now, and whether it is still on its way. @throws the property core's errors */
export function followedRun(composition: Composition, traces: RunTraces): FollowedRun {
  const now = Math.max(0, ...settlingQuantities.map((name) => traces[name]?.at(-1)?.t ?? 0));
  const table = cycleTable(composition);
  const needed = settlingQuantities.map((name) => traces[name] ?? []);
  const moments = samplesOf(needed, -1, now, EVERY_S)
    .filter(({ t }) => t > now - 3 * WINDOW_S)
    .map(({ t, values: [head, suction, suctionLine, liquidLine] }): Moment => ({
      atS: t,
      superheat: suctionLine! - table.saturation(suction!).Td,
      subcooling: table.saturation(head!).Tb - liquidLine!,
    }));
  const values = followedQuantities.flatMap((name) => {
    const [sample] = samplesOf([since(traces[name] ?? [], now - EVERY_S)], -1, EVERY_S, EVERY_S);
    return sample === undefined ? [] : [[name, sample.values[0]!]];
  });
  return { values: Object.fromEntries(values) as FollowedRun['values'], moments, settled: isSettled(moments), driftK: driftOf(moments) };
}

/** What came after t, counted from there. */
const since = (trace: readonly ReadInTest[], t: number): ReadInTest[] =>
  trace.flatMap((read) => (read.t > t ? [{ t: read.t - t, value: read.value }] : []));

function driftOf(moments: readonly Moment[]): FollowedRun['driftK'] {
  const last = moments.at(-1);
  const before = last === undefined ? undefined : moments.find(({ atS }) => atS >= last.atS - WINDOW_S);
  if (last === undefined || before === undefined || last.atS - before.atS < WINDOW_S / 2) return undefined;
  const scale = WINDOW_S / (last.atS - before.atS);
  return {
    superheat: scale * (last.superheat - before.superheat),
    subcooling: scale * (last.subcooling - before.subcooling),
  };
}
