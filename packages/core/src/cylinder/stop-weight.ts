import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState } from '../errors';
import { bubblePoint } from '../thermo/saturation';
import { celsius } from '../units/temperature';
import type { FillLimit } from './fill-limit';

/** What the reading of a scale leaves open when a valve is shut by it. */
export interface Handling {
  /** How far the scale may be off, kg. */
  readonly scaleOff: number;
  /** Volume of the hoses whose liquid still runs into the cylinder, m³; 0 where they are emptied first. */
  readonly hose: number;
  /** Share of oil by mass in what comes in, 0 to below 1. */
  readonly oilShare: number;
}

export interface StopWeight {
  /** kg on the scale at which to shut the valve. */
  readonly gross: number;
  /** kg below the limit, for each reason. */
  readonly scale: number;
  readonly hose: number;
  readonly oil: number;
}

/** kg/m³: the light end of refrigeration oils at room temperature, mineral oil; polyol esters are near 980. From memory. */
const OIL_DENSITY = 900;

/** Hoses of 1.5 m: 3/8 in of 8 mm bore, 1/4 in of 5 mm bore. Common practice. */
export const HOSES = { none: 0, 'quarter-inch': 2.9e-5, 'three-eighths': 7.5e-5 } as const;
export type Hose = keyof typeof HOSES;

/** Usual handling: a bench scale of 0.1 lb, one 3/8 in hose full of liquid, no oil to speak of. Common practice. */
export const USUAL_HANDLING: Handling = { scaleOff: 0.05, hose: HOSES['three-eighths'], oilShare: 0 };

/**
 * The reading at which the valve is shut so that the limit is kept whatever the scale is off, with what still runs in, and with the
 * room that oil takes. Every part lowers it; none ever raises it.
 */
export function stopWeight(limit: FillLimit, composition: Composition, { scaleOff, hose, oilShare }: Handling): StopWeight {
  const hoseKg = hose * liquidDensity(composition, limit);
  const oil = limit.net * (1 - roomLeftByOil(limit, oilShare));
  return { gross: limit.gross - scaleOff - hoseKg - oil, scale: scaleOff, hose: hoseKg, oil };
}

/** A lighter oil fills the volume of a limit with less mass: the share of the limit that then still holds. */
function roomLeftByOil({ bases }: FillLimit, oilShare: number): number {
  const density = bases[0]?.density ?? OIL_DENSITY;
  return Math.min(1, 1 / (1 - oilShare + (oilShare * density) / OIL_DENSITY));
}

/** Liquid in a hose at room temperature; above the end of the boiling line nothing is denser than what the limit counts with. */
function liquidDensity(composition: Composition, { bases }: FillLimit): number {
  try {
    return bubblePoint(composition, celsius(25)).rhoLiquid;
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return bases[0]?.density ?? 0;
    throw error;
  }
}
