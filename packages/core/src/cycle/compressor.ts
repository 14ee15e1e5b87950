import data from './cycle-parameters.json';
import type { CycleTable } from './cycle-table';

export type CompressorKind = 'scroll' | 'reciprocating';

/** Share of the swept volume that is filled, at a pressure ratio. */
export const filling = (kind: CompressorKind, ratio: number): number =>
  kind === 'scroll' ? 0.985 - 0.012 * (ratio - 1) : Math.max(0.2, 0.98 - 0.06 * (ratio ** 0.85 - 1));

export function efficiency(kind: CompressorKind, ratio: number): number {
  const { compressors } = data;
  const current = compressors[kind];
  const off = Math.log(ratio / current.ratio);
  return Math.max(compressors.least * current.eta, current.eta * (1 - compressors.curve * off * off));
}

/** J/kg of work, and K and J/kg of what it discharges. */
export interface Compressed {
  readonly work: number;
  readonly dischargeK: number;
  readonly dischargeH: number;
}

/** @param suction K of superheat and J/kg at its port; wet where its enthalpy is below that of saturated vapour */
export function compressed(
  table: CycleTable,
  kind: CompressorKind,
  suction: { readonly p: number; readonly superheat: number; readonly h: number },
  head: number,
  valveLeak: number,
): Compressed {
  const from = table.vapour(suction.p, Math.max(0, suction.superheat));
  const ideal = table.vapour(head, table.superheatOfEntropy(head, from.s)).h - from.h;
  const work = ideal / efficiency(kind, head / suction.p) / (1 - 0.85 * valveLeak);
  const dischargeH = suction.h + work * (1 - data.compressors.lost);
  const at = table.saturation(head);
  const dischargeK = dischargeH <= at.hv ? at.Td : at.Td + table.superheatOfEnthalpy(head, dischargeH);
  return { work, dischargeK, dischargeH };
}
