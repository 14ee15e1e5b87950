import data from './stop-budget.json';

/** What the reading of a scale leaves open when a valve is shut by it. */
export interface Handling {
  /** How far the scale may be off, kg; where nobody said it, it follows the weight that stands on it. */
  readonly scaleOff?: number | undefined;
  /** Volume of the hoses whose liquid still runs into the cylinder, m³; 0 where they are emptied first. */
  readonly hose: number;
  /** Share of oil by mass in what comes in, 0 to below 1. */
  readonly oilShare: number;
}

export const HOSES = data.hosesM3;
export type Hose = keyof typeof HOSES;

/** Usual handling: one 3/8 in hose full of liquid, oil as recovered refrigerant carries it, a scale that suits the weight. Source: `stop-budget.json`. */
export const USUAL_HANDLING: Handling = { hose: HOSES['three-eighths'], oilShare: data.oilShare };

/** How far a scale may be off that carries `grossKg`, where nobody said it; kg. */
export const usualScaleOff = (grossKg: number): number => Math.max(data.scaleKg, data.scaleShare * grossKg);
