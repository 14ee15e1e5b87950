import { adviceOf, type Advice } from './advice';
import { noFaults, type Conditions } from './conditions';
import { derivedOf, type Derived, type NextReading, type Readings } from './cycle-readings';
import { sceneOf } from './cycle-state';
import { expectedToday, skewsOf, type Band, type Expected, type Skew } from './expected-today';
import { explain, predictionsOf, type Explained } from './explanations';
import data from './readings.json';
import { cloudOf, unknownUnit, type Knowledge } from './knowledge';
import { tellingReadings } from './next-reading';
import { ruleOfThumb, type Thumb } from './rule-of-thumb';
import { slipsOf, type SlipCode } from './slips';
import type { UnitPlate } from './unit';
import { waterFlow } from './water-flow';

export interface CheckTask {
  readonly plate: UnitPlate;
  readonly conditions: Conditions;
  readonly readings: Readings;
  /** Whether it has settled; nothing where nobody can say: then it counts as not. */
  readonly settled?: boolean | undefined;
  /** What an earlier good visit taught of this unit. */
  readonly knowledge?: Knowledge | undefined;
}

/** Why nothing is said of the charge, whatever is likely. */
export type Withheld = 'slip' | 'not-settled' | 'cool-indoors' | 'receiver' | 'too-few-readings' | 'no-steady-state';

export interface RunningCheck {
  readonly settled: boolean;
  readonly derived: Partial<Derived>;
  readonly expected: Expected | undefined;
  readonly slips: readonly SlipCode[];
  readonly explanations: Explained['explanations'];
  readonly chargeShare: Explained['chargeShare'];
  readonly advice: Advice;
  readonly withheld: Withheld | undefined;
  /** kg to feed or to take out before it is read again: less than what is likely missing, for what was added wrongly is recovered again. */
  readonly changeKg: number;
  readonly next: readonly { readonly name: NextReading; readonly bits: number }[];
  readonly thumb: Thumb | undefined;
  readonly skews: readonly Skew[];
  /** m³/s through the barrel of a chiller, where the water was read on both sides. */
  readonly waterFlow: Band | undefined;
}

/** Readings without which nothing is judged. */
const NEEDED = ['head', 'suction', 'suctionLine', 'liquidLine'] as const;
/** Below this indoors nothing is said of a charge: 65 °F, common practice. */
const COOL_K = 291.5;
/** Share of what is likely missing that is fed at a time. */
const CAREFUL = 0.7;

/**
 * How a running unit stands: what it should read today, what explains what it reads, the charge with its range, and what to do. In doubt the
 * charge is left: advice is withheld where a reading can hardly be, where it has not settled, or where no pressure tells the charge.
 */
export function runningCheck({ plate, conditions, readings: asRead, settled, knowledge = unknownUnit }: CheckTask): RunningCheck {
  const readings = withoutZero(asRead);
  const cloud = cloudOf(plate, knowledge);
  const scene = sceneOf(cloud.likely, conditions, noFaults);
  const derived = derivedOf(scene, readings);
  const slips = slipsOf(cloud.likely.table, conditions, readings, derived);
  const expected = expectedToday(cloud, conditions);
  const gauges = { suctionGauge: asRead.suctionZero ?? 0, headGauge: asRead.headZero ?? 0 };
  const said = {
    settled: settled === true,
    derived,
    expected,
    slips,
    thumb: ruleOfThumb(plate, conditions, derived),
    skews: skewsOf(cloud, conditions, gauges),
    waterFlow: expected === undefined ? undefined : waterFlow(cloud.likely, expected.split, derived.split),
  };
  const missing = NEEDED.some((name) => readings[name] === undefined);
  if (missing || slips.length > 0 || expected === undefined) {
    const withheld = slips.length > 0 ? 'slip' : missing ? 'too-few-readings' : 'no-steady-state';
    return { ...said, explanations: [], chargeShare: undefined, advice: 'cannot-tell', withheld, changeKg: 0, next: [] };
  }
  const noisier = settled === true ? 1 : data.settling.factor;
  const explained = explain(predictionsOf(cloud, conditions), readings, { noisier });
  const advice = adviceOf(explained.explanations);
  const withheld = withheldOf(plate, conditions, settled === true);
  const spoken = withheld !== undefined && advice !== 'not-the-charge' ? 'cannot-tell' : advice;
  const off = 1 - (explained.chargeShare?.value ?? 1);
  return {
    ...said,
    explanations: explained.explanations,
    chargeShare: explained.chargeShare,
    advice: spoken,
    withheld,
    changeKg: spoken === 'add' || spoken === 'remove' ? CAREFUL * Math.abs(off) * plate.plateKg : 0,
    next: tellingReadings(explained.weighed, readings),
  };
}

/** A gauge whose zero is off by a little, and known, is read as it should be; what is off by more is a gauge that is wrong. */
function withoutZero(readings: Readings): Readings {
  const { headZero = 0, suctionZero = 0, head, suction } = readings;
  const small = (zero: number) => Math.abs(zero) < data.zeroIsKnownPa;
  return {
    ...readings,
    ...(head !== undefined && headZero !== 0 && small(headZero) ? { head: head - headZero, headZero: 0 } : {}),
    ...(suction !== undefined && suctionZero !== 0 && small(suctionZero) ? { suction: suction - suctionZero, suctionZero: 0 } : {}),
  };
}

function withheldOf({ receiverM3, kind }: UnitPlate, { indoorK }: Conditions, settled: boolean): Withheld | undefined {
  if (receiverM3 !== undefined) return 'receiver';
  if (!settled) return 'not-settled';
  return kind !== 'walk-in' && kind !== 'chiller' && indoorK < COOL_K ? 'cool-indoors' : undefined;
}
