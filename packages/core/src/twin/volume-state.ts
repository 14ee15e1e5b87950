import type { FluidTable } from './fluid-table';

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
  /** Pa absolute. */
  readonly p: number;
  readonly phase: PhaseName;
  /** Share of the volume that liquid takes. */
  readonly liquidShare: number;
  readonly rho: number;
}

/** Below this mass a volume counts as this much: nothing is divided by nothing. */
const LEAST_MASS = 1e-9;

/** J/kg of what fills the volume at T, refrigerant alone. */
export function energyAt(table: FluidTable, rho: number, T: number): number {
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), table.rhoVapour.at(T)];
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

/** Pa absolute. */
export function pressureAt(table: FluidTable, rho: number, T: number): number {
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), table.rhoVapour.at(T)];
  if (rho <= rhoV) return rho * table.R * T * (1 + rho * (table.B.at(T) + rho * table.C.at(T)));
  if (rho < rhoL) {
    const quality = qualityOf(rho, rhoL, rhoV);
    return table.pBubble.at(T) + quality * (table.pDew.at(T) - table.pBubble.at(T));
  }
  // liquid that has no room: from the temperature at which it just fills, along its own stiffness
  const full = fullAt(table, rho, T);
  return table.pBubble.at(full) + table.stiffness.at(full) * (T - full);
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
export const totalEnergy = (table: FluidTable, { V, C }: Volume, m: number, T: number): number =>
  m * energyAt(table, Math.max(LEAST_MASS, m) / V, T) + C * T;

/** The state for a mass and an energy. @param near temperature of the last state, K */
export function stateOf(table: FluidTable, volume: Volume, m: number, U: number, near: number): VolumeState {
  const mass = Math.max(LEAST_MASS, m);
  const rho = mass / volume.V;
  const energy = (T: number) => mass * energyAt(table, rho, T) + volume.C * T;
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
  const [rhoL, rhoV] = [table.rhoLiquid.at(T), table.rhoVapour.at(T)];
  const phase: PhaseName = rho >= rhoL ? 'liquid-full' : rho <= rhoV ? 'vapour' : 'two-phase';
  const liquidShare = phase === 'liquid-full' ? 1 : phase === 'vapour' ? 0 : (rho - rhoV) / (rhoL - rhoV);
  return { T, p: pressureAt(table, rho, T), phase, liquidShare, rho };
}
