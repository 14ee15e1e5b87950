import data from './cycle-parameters.json';
import type { CycleTable, SaturatedState } from './cycle-table';
import { meanDensity } from './two-phase';
import { softPlus } from './smooth';
import type { Coil } from './unit';

/** How a condenser stands: what leaves it, its zones, and the refrigerant in it. */
export interface CondenserState {
  /** K and J/kg at its outlet. */
  readonly outletK: number;
  readonly outletH: number;
  /** Shares of its area that take superheat, condense, and subcool. */
  readonly zones: readonly [number, number, number];
  /** kg. */
  readonly holds: number;
  readonly heatW: number;
}

interface CondenserTask {
  readonly table: CycleTable;
  readonly coil: Coil;
  /** At its pressure. */
  readonly saturated: SaturatedState;
  readonly p: number;
  readonly flow: number;
  readonly ratedFlow: number;
  readonly dischargeK: number;
  readonly dischargeH: number;
  /** K of the air, and what the outside conductance and the air flow are multiplied by. */
  readonly airK: number;
  readonly betterOutside: number;
  readonly airFlow: number;
  readonly slip: number;
}

/** Each piece of its area sees fresh air, so that every zone has a closed form. */
export function condenserAt(task: CondenserTask): CondenserState {
  const { table, coil, saturated, p, flow, ratedFlow, dischargeK, dischargeH, airK, betterOutside, airFlow } = task;
  const { Td, Tb, hl, hv, rl, rv, cpl } = saturated;
  const outside = coil.UA * betterOutside * airFlow ** data.exponents.air;
  const C = coil.flow * airFlow;
  const pace = Math.max(0.05, flow / ratedFlow);
  const [ratioVapour, ratioTwoPhase, ratioLiquid] = data.ratios.condenser as [number, number, number];
  const conductance = (ratio: number, exponent: number) => {
    const inside = ratio * coil.UA * pace ** exponent;
    return C * -Math.expm1(-1 / (1 / outside + 1 / inside) / C);
  };
  const [g1, g2, g3] = [
    conductance(ratioVapour, data.exponents.singlePhase),
    conductance(ratioTwoPhase, data.exponents.twoPhase),
    conductance(ratioLiquid, data.exponents.singlePhase),
  ];
  const over = (T: number) => Math.max(0.3, T - airK);
  const superheat = Math.max(0.01, dischargeK - Td);
  const cp = (dischargeH - hv) / superheat;
  const f1 = ((flow * cp) / g1) * Math.log(over(Td + superheat) / over(Td));
  const [atDew, atBubble] = [over(Td), over(Tb)];
  const mean = Math.abs(atDew - atBubble) < 1e-6 ? atDew : (atDew - atBubble) / Math.log(atDew / atBubble);
  const f2 = (flow * (hv - hl)) / (g2 * mean);
  const left = 1 - f1 - f2;
  const f3 = softPlus(left, 0.01);
  const quality = Math.min(1, softPlus(-left, 0.01) / f2);
  const subcooled = airK + atBubble * Math.exp((-f3 * g3) / (flow * cpl)) - Math.max(0, airK + 0.3 - Tb);
  const outletK = subcooled + quality * (Td - Tb);
  const outletH = table.liquid(subcooled).h + quality * (hv - hl);
  const condensing = Math.max(0, 1 - f1 - f3);
  const liquid = table.liquid((subcooled + Tb) / 2).rho;
  const vapour = table.vapour(p, superheat / 2).rho;
  const holds = coil.volume * (f1 * vapour + condensing * meanDensity(quality, 1, rl, rv, task.slip) + data.liquidPassVolume * f3 * liquid);
  return { outletK, outletH, zones: [f1, condensing, f3], holds, heatW: flow * (dischargeH - outletH) };
}
