import type { Leaving, Passage } from './flow';
import type { Pump } from './link';

/** Pa: below this difference a flow is laminar, and straight through nothing. */
const SOFT = 1500;

/** kg/s through a line from p0 down to p1. @param area m² */
export function piped(passage: Passage, area: number, p0: number, p1: number): number {
  const difference = p0 - p1;
  if (difference <= 0) return 0;
  // sqrt has no slope at nothing: a straight piece joins it
  const flux = difference < SOFT ? passage.flux(p0, p0 - SOFT) * (difference / SOFT) : passage.flux(p0, p1);
  return flux * area;
}

/** Pa by which a pressure is moved to find a slope. */
export const nudge = (p: number): number => Math.max(50, 1e-4 * p);

/** kg/s and W of a pump that draws this at p0 and pushes it against p1. */
export function pumped(
  pump: Pump,
  out: Pick<Leaving, 'rho' | 'quality'>,
  p0: number,
  p1: number,
): { readonly mass: number; readonly work: number } {
  const suction = Math.min(p0, pump.suctionAtMost);
  const ratio = Math.max(1, p1 / suction);
  const n = pump.polytropic;
  const squeezed = ratio ** (1 / n);
  const volumetric = pump.filling * (1 + pump.clearance - pump.clearance * squeezed);
  if (volumetric <= 0) return { mass: 0, work: 0 };
  const rho = out.rho * (suction / p0);
  const drawn = pump.displacement * volumetric * rho;
  const mass = out.quality > 0.999 ? drawn : (drawn * pump.mostLiquid) / (drawn + pump.mostLiquid);
  const perKg = ((n / (n - 1)) * (suction / rho) * (ratio / squeezed - 1)) / pump.efficiency;
  // liquid is not compressed: only the vapor in it takes the work
  return { mass, work: mass * perKg * out.quality };
}
