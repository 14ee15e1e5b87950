import { molarOf, type Composition } from '../fluids/composition';
import { endOfLine } from '../thermo/end-of-line';
import { bubblePoint, dewPoint } from '../thermo/saturation';
import { celsius } from '../units/temperature';
import { kelvin } from '../units/quantity';

/**
 * How a blend changes as its vapor is drawn off. Its composition moves, as good as straight, along the line through the blend as charged and the
 * vapor that stands over it at 25 °C; `enriched` is how far: 0 as charged, 1 that vapor, below 0 what is left behind. A share by mass that
 * mixes with its masses: the masses of all components follow from one number for each volume.
 */
export interface Glide {
  /** Pressures of bubble and dew point over those of the blend as charged. */
  readonly bubble: (T: number, enriched: number) => number;
  readonly dew: (T: number, enriched: number) => number;
  /** Of the vapor over a liquid that is enriched so. */
  readonly vapourOver: (T: number, enriched: number) => number;
  /** Molar mass over that of the blend as charged. */
  readonly molar: (enriched: number) => number;
}

/**
 * Whose bubble pressure at 25 °C is not above its dew pressure by more than this share changes by no more than a gauge is off: R-410A 1 psi, R-404A
 * 2 psi with three quarters of it drawn off as vapor.
 */
const LEAST_GLIDE = 0.02;
const [TEMPERATURES, ENRICHMENTS] = [9, 9];
/** Of a component, that is always left: a blend without it has other equations. */
const LEFT = 0.04;
const MOST_ENRICHED = 1.8;
/** Of the end of the boiling line. */
const HOTTEST = 0.97;

/** @param least K, of the table that this belongs to @param most the same; nothing for what has hardly any glide */
export function glideOf(composition: Composition, least: number, most: number): Glide | undefined {
  const ids = Object.keys(composition);
  if (ids.length < 2) return undefined;
  const at25 = bubblePoint(composition, celsius(25));
  if (at25.p < (1 + LEAST_GLIDE) * dewPoint(composition, celsius(25)).p) return undefined;
  const line: Line = { ids, from: ids.map((id) => composition[id]!), away: ids.map((id) => at25.vapour[id]! - composition[id]!) };
  const [poorest, richest] = [-roomOf(line, -1), Math.min(MOST_ENRICHED, roomOf(line, 1))];
  const hottest = Math.min(most, ...[poorest, richest].map((enriched) => HOTTEST * endOfLine(blendAt(line, enriched)).T));
  const axes = [axis(least, hottest, TEMPERATURES), axis(poorest, richest, ENRICHMENTS)] as const;
  const [bubbles, dews, vapours] = [newGrid(), newGrid(), newGrid()];
  for (let i = 0; i < TEMPERATURES; i++) {
    const T = kelvin(least + i * axes[0].step);
    const [bubble, dew] = [bubblePoint(composition, T).p, dewPoint(composition, T).p];
    for (let j = 0; j < ENRICHMENTS; j++) {
      const liquid = blendAt(line, poorest + j * axes[1].step);
      const boiling = bubblePoint(liquid, T);
      const k = i * ENRICHMENTS + j;
      bubbles[k] = Math.log(boiling.p / bubble);
      dews[k] = Math.log(dewPoint(liquid, T).p / dew);
      vapours[k] = enrichmentOf(line, boiling.vapour);
    }
  }
  const { molarMass } = molarOf(composition);
  return {
    bubble: (T, enriched) => Math.exp(between(bubbles, axes, T, enriched)),
    dew: (T, enriched) => Math.exp(between(dews, axes, T, enriched)),
    vapourOver: (T, enriched) => between(vapours, axes, T, enriched),
    molar: molarMassesOver(line, molarMass, poorest, richest),
  };
}

/** Shares by mass along a straight line. */
interface Line {
  readonly ids: readonly string[];
  readonly from: readonly number[];
  readonly away: readonly number[];
}

const blendAt = ({ ids, from, away }: Line, enriched: number): Composition =>
  Object.fromEntries(ids.map((id, k) => [id, from[k]! + enriched * away[k]!]));

/** How far it goes one way until a component is nearly used up. */
const roomOf = ({ from, away }: Line, sign: 1 | -1): number =>
  (1 - LEFT) * Math.min(...from.map((share, k) => (sign * away[k]! < 0 ? share / Math.abs(away[k]!) : Number.POSITIVE_INFINITY)));

/** Where a composition lies along the line; what lies beside it is dropped. */
function enrichmentOf({ ids, from, away }: Line, composition: Composition): number {
  const length = away.reduce((sum, by) => sum + by * by, 0);
  return ids.reduce((sum, id, k) => sum + (away[k]! * (composition[id]! - from[k]!)) / length, 0);
}

function molarMassesOver({ ids, from, away }: Line, charged: number, poorest: number, richest: number): Glide['molar'] {
  // moles of a kilogram grow straight with the shares
  const moles = ids.map((id) => 1 / molarOf({ [id]: 1 }).molarMass);
  const along = away.reduce((sum, by, k) => sum + by * moles[k]!, 0);
  const own = from.reduce((sum, share, k) => sum + share * moles[k]!, 0);
  return (enriched) => 1 / (charged * (own + Math.min(richest, Math.max(poorest, enriched)) * along));
}

interface Axis {
  readonly from: number;
  readonly step: number;
  readonly last: number;
}
const axis = (from: number, to: number, nodes: number): Axis => ({ from, step: (to - from) / (nodes - 1), last: nodes - 1 });
const newGrid = () => new Float64Array(TEMPERATURES * ENRICHMENTS);

/** Between four nodes; beyond the ends as at them. */
function between(values: Float64Array, [temperatures, enrichments]: readonly [Axis, Axis], T: number, enriched: number): number {
  const x = Math.min(temperatures.last, Math.max(0, (T - temperatures.from) / temperatures.step));
  const y = Math.min(enrichments.last, Math.max(0, (enriched - enrichments.from) / enrichments.step));
  const i = Math.min(temperatures.last - 1, Math.floor(x));
  const j = Math.min(enrichments.last - 1, Math.floor(y));
  const [a, b] = [x - i, y - j];
  const k = i * ENRICHMENTS + j;
  const [low, high] = [values[k]! + b * (values[k + 1]! - values[k]!), values[k + ENRICHMENTS]! + b * (values[k + ENRICHMENTS + 1]! - values[k + ENRICHMENTS]!)]; // prettier-ignore
  return low + a * (high - low);
}
