import { GAS_CONSTANT } from './nitrogen';
import data from './evacuation-rig.json';
import { PASCAL_PER_MICRON } from './water';

export type HoseSize = keyof typeof data.bore;
export const hoseSizes = Object.keys(data.bore) as readonly HoseSize[]; // the keys of the table are the sizes

/** What stands between pump and system. */
export interface Rig {
  readonly hose: HoseSize;
  readonly lengthM: number;
  readonly core: 'in' | 'out';
  /** m³/s and Pa. */
  readonly pumpSpeed?: number;
  readonly ultimate?: number;
}

/**
 * Conductance of a pipe for air, m³/s, at any pressure: Knudsen's formula (1909; Dushman), viscous and molecular flow together; from memory.
 * @param d bore, m @param L length, m @param p mean pressure, Pa
 */
export function conductance(d: number, L: number, p: number, T: number): number {
  const { viscosity: eta, molarMass: M } = data.gas;
  const x = (d * p * Math.sqrt(M / (GAS_CONSTANT * T))) / eta;
  const viscous = (Math.PI * d ** 4 * p) / (128 * eta * L);
  const molecular = ((d ** 3 / (6 * L)) * Math.sqrt((2 * Math.PI * GAS_CONSTANT * T) / M) * (1 + x)) / (1 + 1.24 * x);
  return viscous + molecular;
}

/** What the pump draws at its own inlet, m³/s: nothing at its ultimate pressure. */
const pumpAt = (
  { pumpSpeed = data.pump.litresPerSecond * 1e-3, ultimate = data.pump.ultimateMicron * PASCAL_PER_MICRON }: Rig,
  p: number,
) => Math.max(0, pumpSpeed * (1 - ultimate / p));

/** Speed at the system, m³/s, by core, hose and pump in a row. @param p at the system, Pa */
export function speedAtSystem(rig: Rig, p: number, T: number): number {
  const core = data.core[rig.core];
  const bore = data.bore[rig.hose];
  // the same gas passes core, hose and pump: the pressure between them is found by halving
  const through = (at: number) => {
    const flow = pumpAt(rig, at) * at;
    const fall = (d: number, L: number, low: number) => {
      let high = low;
      for (let k = 0; k < 12; k++) high = low + flow / conductance(d, L, (high + low) / 2, T);
      return high;
    };
    return fall(core.bore, core.length, fall(bore, rig.lengthM, at));
  };
  let [low, high] = [0, p];
  for (let k = 0; k < 50; k++) {
    const middle = (low + high) / 2;
    if (through(middle) > p) high = middle;
    else low = middle;
  }
  return (pumpAt(rig, low) * low) / p;
}
