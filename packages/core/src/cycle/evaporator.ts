import data from './cycle-parameters.json';
import type { SaturatedState, CycleTable } from './cycle-table';
import { airEnthalpy, airHeatCapacity, saturatedEnthalpy, saturatedTemperature } from './moist-air';
import { softMax } from './smooth';
import { meanDensity } from './two-phase';
import type { AirOn } from './conditions';
import type { Coil } from './unit';

/** How an evaporator stands at a state of its outlet. */
export interface EvaporatorState {
  readonly outletK: number;
  readonly outletH: number;
  /** Area that is needed, over what there is. */
  readonly areaNeeded: number;
  readonly holds: number;
  /** K of the air or water that leaves it, before a fan. */
  readonly leavingK: number;
  readonly heatW: number;
}

interface EvaporatorTask {
  readonly table: CycleTable;
  readonly coil: Coil;
  readonly wetSide: 'air' | 'water';
  readonly saturated: SaturatedState;
  readonly p: number;
  readonly flow: number;
  readonly ratedFlow: number;
  readonly inletH: number;
  /** NTU of the superheat zone above 0; below it wet. */
  readonly y: number;
  readonly air: AirOn;
  readonly airFlow: number;
  /** ln of the conductance inside over outside. */
  readonly ratio: number;
  readonly slip: number;
}

/** Least quality that leaves it: what is wetter than that no compressor takes for long. */
const LEAST_QUALITY = 0.03;

/** What leaves it, by y. */
export function evaporatorOutlet({ Td, hl, hv, cpv }: SaturatedState, y: number, airK: number): { readonly T: number; readonly h: number } {
  const apart = airK - Td;
  if (y >= 0) {
    const T = Td + apart * -Math.expm1(-y);
    return { T, h: hv + cpv * (T - Td) };
  }
  return { T: Td, h: Math.max(hv + y * cpv * apart, hl + LEAST_QUALITY * (hv - hl)) };
}

export function evaporatorAt(task: EvaporatorTask): EvaporatorState {
  const { table, coil, wetSide, saturated, p, flow, ratedFlow, inletH, y, air, airFlow, ratio, slip } = task;
  const { Td, Tb, hl, hv, rl, rv, cpv } = saturated;
  const out = evaporatorOutlet(saturated, y, air.T);
  const C = coil.flow * airFlow;
  const outside = coil.UA * airFlow ** (wetSide === 'air' ? data.exponents.air : data.exponents.singlePhase);
  const pace = Math.max(0.05, flow / ratedFlow);
  const boiling = coil.UA * Math.exp(ratio) * pace ** data.exponents.twoPhase;
  const vapour = coil.UA * data.ratios.evaporatorVapour * pace ** data.exponents.singlePhase;
  const xIn = Math.min(0.98, Math.max(0, (inletH - hl) / (hv - hl)));
  const xOut = Math.min(1, (out.h - hl) / (hv - hl));
  const mean = Tb + ((Td - Tb) * (xIn + xOut)) / 2;
  const full = wholeCoil({ air, mean, outside, inside: boiling, C, wetSide });
  const gVapour = C * -Math.expm1(-1 / (1 / outside + 1 / vapour) / C);
  const superheating = y > 0 ? (y * flow * cpv) / gVapour : 0;
  const twoPhase = (flow * (Math.min(out.h, hv) - inletH)) / full;
  const heatW = flow * (out.h - inletH);
  const areaNeeded = twoPhase + superheating;
  const share = Math.min(1, superheating / Math.max(0.05, areaNeeded));
  const holds =
    coil.volume *
    (share * table.vapour(p, Math.max(0, (out.T - Td) / 2)).rho + (1 - share) * meanDensity(xIn, Math.max(xOut, xIn + 0.02), rl, rv, slip));
  return { outletK: out.T, outletH: out.h, areaNeeded, holds, heatW, leavingK: leaving(heatW, outside, C, air, wetSide) };
}

interface CoilTask {
  readonly air: AirOn;
  readonly mean: number;
  readonly outside: number;
  readonly inside: number;
  readonly C: number;
  readonly wetSide: 'air' | 'water';
}

/** W that the whole coil takes up while it boils: dry, or wet by the potential of enthalpy, whichever is more. */
function wholeCoil({ air, mean, outside, inside, C, wetSide }: CoilTask): number {
  const apart = Math.max(0.5, air.T - mean);
  const dry = C * -Math.expm1(-1 / (1 / outside + 1 / inside) / C) * apart;
  if (wetSide === 'water' || air.humidity === 0) return dry;
  const cp = airHeatCapacity(air.humidity);
  const flowOfAir = C / cp;
  const [h, atRefrigerant] = [airEnthalpy(air.T, air.humidity), saturatedEnthalpy(mean, air.p)];
  let [surface, wet] = [mean + 0.35 * apart, 0];
  for (let pass = 0; pass < 2; pass++) {
    const slope = (saturatedEnthalpy(surface, air.p) - atRefrigerant) / (surface - mean);
    const conductance = 1 / (slope / inside + cp / outside);
    wet = flowOfAir * -Math.expm1(-conductance / flowOfAir) * (h - atRefrigerant);
    surface = mean + Math.max(0.2, wet / inside);
  }
  return softMax(dry, wet, 0.01 * dry);
}

/** K of the air behind the coil: by its effective surface, never more sensible heat than there is in all. */
function leaving(heatW: number, outside: number, C: number, air: AirOn, wetSide: 'air' | 'water'): number {
  if (wetSide === 'water' || air.humidity === 0) return air.T - heatW / C;
  const flowOfAir = C / airHeatCapacity(air.humidity);
  const reach = -Math.expm1(-outside / C);
  const surfaceH = airEnthalpy(air.T, air.humidity) - heatW / (flowOfAir * reach);
  const sensible = reach * C * (air.T - saturatedTemperature(surfaceH, air.p));
  return air.T - Math.min(heatW, sensible) / C;
}
