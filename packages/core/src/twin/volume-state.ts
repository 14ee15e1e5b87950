import type { FluidTable } from './fluid-table';
import type { Glide } from './glide';

/** A closed space with refrigerant and the metal around it. */
export interface Volume {
  /** m³ */
  readonly V: number;
  /** J/K of metal that has the temperature of the refrigerant. */
  readonly C: number;
}

export type PhaseName = 'two-phase' | 'vapour' | 'liquid-full';

/** What stands in a volume, by its mass and energy. */
export interface VolumeState {
  readonly T: number;
  /** Pa absolute, with what air adds to it. */
  readonly p: number;
  /** Pa that are the air's. */
  readonly pAir: number;
  readonly phase: PhaseName;
  /** Share of the volume that liquid takes. */
  readonly liquidShare: number;
  readonly rho: number;
  /** How far its composition is from the blend as charged (see `Glide`). */
  readonly enriched: number;
  /** kg of air for a kilogram of vapor. */
  readonly airInVapour: number;
}

/** Below this mass a volume counts as this much: nothing is divided by nothing. */
const LEAST_MASS = 1e-9;

/** J/kg of what fills the volume at T, refrigerant alone. */
export function energyAt(table: FluidTable, rho: number, T: number, enriched = 0): number {
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), dewDensity(table, T, enriched)];
  if (rho >= rhoL) return table.uLiquid.at(T);
  if (rho <= rhoV) {
    const ideal = table.uIdeal.at(T);
    return ideal + (rho / rhoV) * (table.uVapour.at(T) - ideal);
  }
  const quality = qualityOf(rho, rhoL, rhoV);
  return (1 - quality) * table.uLiquid.at(T) + quality * table.uVapour.at(T);
}

/** By mass, of vapour. */
const qualityOf = (rho: number, rhoL: number, rhoV: number) => (1 / rho - 1 / rhoL) / (1 / rhoV - 1 / rhoL);

/** kg/m³ of vapor that is about to condense; of one that has changed as an ideal gas has it. */
export const dewDensity = ({ rhoVapour, glide }: FluidTable, T: number, enriched: number): number =>
  glide === undefined ? rhoVapour.at(T) : rhoVapour.at(T) * glide.dew(T, enriched) * glide.molar(enriched);

/** Pa absolute, refrigerant alone. */
export function pressureAt(table: FluidTable, rho: number, T: number, enriched = 0): number {
  const { glide } = table;
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), dewDensity(table, T, enriched)];
  if (rho <= rhoV) return vapourPressure(table, rho, rhoV, T, enriched);
  const bubble = glide === undefined ? 1 : glide.bubble(T, enriched);
  if (rho < rhoL) {
    const dew = glide === undefined ? 1 : glide.dew(T, enriched);
    const quality = qualityOf(rho, rhoL, rhoV);
    return (1 - quality) * bubble * table.pBubble.at(T) + quality * dew * table.pDew.at(T);
  }
  // liquid that has no room: from the temperature at which it just fills, along its own stiffness
  const full = fullAt(table, rho, T);
  return bubble * table.pBubble.at(full) + table.stiffness.at(full) * (T - full);
}

/** By the series of its density; of one that has changed so that its dew point is met. */
function vapourPressure({ R, B, C, pDew, glide }: FluidTable, rho: number, rhoV: number, T: number, enriched: number): number {
  const [second, third] = [B.at(T), C.at(T)];
  if (glide === undefined) return rho * R * T * (1 + rho * (second + rho * third));
  const plain = (density: number) => (density * R * T * (1 + density * (second + density * third))) / glide.molar(enriched);
  return plain(rho) * (1 + (rho / rhoV) * ((pDew.at(T) * glide.dew(T, enriched)) / plain(rhoV) - 1));
}

/** How far liquid and vapor beside each other are enriched, where both together are so far. @param quality by mass, of vapor */
export function enrichedPhases(
  glide: Glide,
  T: number,
  quality: number,
  enriched: number,
): { readonly liquid: number; readonly vapour: number } {
  let liquid = enriched;
  for (let k = 0; k < 3; k++) {
    const off = (1 - quality) * liquid + quality * glide.vapourOver(T, liquid) - enriched;
    const slope =
      1 - quality + quality * Math.max(LEAST_SLOPE, (glide.vapourOver(T, liquid + A_BIT) - glide.vapourOver(T, liquid)) / A_BIT);
    liquid -= off / slope;
  }
  return { liquid, vapour: glide.vapourOver(T, liquid) };
}
const [A_BIT, LEAST_SLOPE] = [0.01, 0.2];

/** J/(kg K) of dry air. */
const R_AIR = 287.05;
/** Of a volume: liquid that fills it leaves air no less. */
const LEAST_SPACE = 0.01;

/** Pa that a kilogram of air adds in the space that is left to it: ideal, and none of it in the liquid. */
export function pressureOfAir(table: FluidTable, V: number, rho: number, T: number, enriched: number): number {
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), dewDensity(table, T, enriched)];
  const space = rho <= rhoV ? 1 : Math.max(LEAST_SPACE, 1 - (rho - rhoV) / (rhoL - rhoV));
  return (R_AIR * T) / (space * V);
}

/** The temperature at which liquid of this density just fills its volume. */
function fullAt(table: FluidTable, rho: number, below: number): number {
  let [low, high] = [table.least, Math.max(below, table.least + 1)];
  for (let k = 0; k < 40 && high - low > 1e-6; k++) {
    const middle = (low + high) / 2;
    if (table.rhoLiquid.at(middle) > rho) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Refrigerant and metal together, J. */
export const totalEnergy = (table: FluidTable, { V, C }: Volume, m: number, T: number, enriched = 0): number =>
  m * energyAt(table, Math.max(LEAST_MASS, m) / V, T, enriched) + C * T;

/**
 * The state for a mass and an energy.
 * @param near temperature of the last state, K @param enriched see `Glide` @param air kg of it
 */
export function stateOf(table: FluidTable, volume: Volume, m: number, U: number, near: number, enriched = 0, air = 0): VolumeState {
  const mass = Math.max(LEAST_MASS, m);
  const rho = mass / volume.V;
  const energy = (T: number) => mass * energyAt(table, rho, T, enriched) + volume.C * T;
  // energy rises with the temperature: a secant step, kept between bounds
  let T = near;
  let [low, high] = [50, 700];
  for (let k = 0; k < 60; k++) {
    const off = energy(T) - U;
    if (off > 0) high = T;
    else low = T;
    const step = 0.02;
    const slope = (energy(T + step) - energy(T)) / step;
    const next = T - off / Math.max(1e-9, slope);
    const kept = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(kept - T) < 1e-7 * T) {
      T = kept;
      break;
    }
    T = kept;
  }
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), dewDensity(table, T, enriched)];
  const phase: PhaseName = rho >= rhoL ? 'liquid-full' : rho <= rhoV ? 'vapour' : 'two-phase';
  const liquidShare = phase === 'liquid-full' ? 1 : phase === 'vapour' ? 0 : (rho - rhoV) / (rhoL - rhoV);
  const p = pressureAt(table, rho, T, enriched);
  if (air === 0) return { T, p, pAir: 0, phase, liquidShare, rho, enriched, airInVapour: 0 };
  const pAir = air * pressureOfAir(table, volume.V, rho, T, enriched);
  const vapour = volume.V * Math.max(LEAST_SPACE, 1 - liquidShare) * Math.min(rho, rhoV);
  return { T, p: p + pAir, pAir, phase, liquidShare, rho, enriched, airInVapour: air / vapour };
}
