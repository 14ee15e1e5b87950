import { OutOfRange } from '../errors';
import type { Composition } from '../fluids/composition';
import { caloric } from '../thermo/caloric';
import { massDensity } from '../thermo/phase';
import { bubblePoint, dewPoint, phasesOf } from '../thermo/saturation';
import { saturationTable } from '../thermo/saturation-table';
import { bubblePointAt, dewPointAt } from '../thermo/saturation-temperature';
import { singlePhase } from '../thermo/single-phase';
import { byContent } from '../thermo/tables-by-content';
import { kelvin, pascal } from '../units/quantity';
import { placeOn, valueAt, type EvenGrid, type Place } from './even-grid';

const NODES = 64;
const [SUPERHEATS, SUPERHEAT_STEP] = [21, 8];
const LIQUIDS = 48;
const COLDEST = 215.15;
/** Beyond this share of the highest pressure with two phases nothing is computed. */
const MOST_SHARE = 0.93;

const saturated = ['Tb', 'Td', 'rl', 'rv', 'hl', 'hv', 'sv', 'cpl', 'cpv'] as const;
type Saturated = (typeof saturated)[number];
/** Bubble and dew temperature K; densities kg/m³; enthalpies J/kg, entropy and heat capacities J/(kg K) of liquid and vapour at saturation. */
export type SaturatedState = Record<Saturated, number>;

/** J/kg, J/(kg K), kg/m³ of superheated vapour. */
export interface VapourState {
  readonly h: number;
  readonly s: number;
  readonly rho: number;
}

/** One refrigerant as a running circuit is computed with: what the property core says, on even grids, read by cubics. */
export interface CycleTable {
  readonly least: number;
  readonly most: number;
  readonly saturation: (p: number) => SaturatedState;
  readonly vapour: (p: number, superheat: number) => VapourState;
  /** K of superheat at which the vapour has this enthalpy, or this entropy. */
  readonly superheatOfEnthalpy: (p: number, h: number) => number;
  readonly superheatOfEntropy: (p: number, s: number) => number;
  /** Of liquid at its own temperature: density kg/m³, enthalpy J/kg, bubble pressure Pa. */
  readonly liquid: (T: number) => { readonly rho: number; readonly h: number; readonly p: number };
}

/** @throws OutOfRange where there is no liquid at ordinary temperatures; the property core's errors */
export const cycleTable: (composition: Composition) => CycleTable = byContent(built);

function built(composition: Composition): CycleTable {
  const line = saturationTable(composition);
  const coldest = Math.max(COLDEST, line.coldest);
  if (!(line.hottest > coldest + 80)) throw new OutOfRange('end of the boiling line', line.hottest, coldest + 80, 1000, 'K');
  const least = dewPoint(composition, kelvin(coldest)).p;
  const most = MOST_SHARE * bubblePoint(composition, kelvin(line.hottest - 0.05)).p;
  const grid: EvenGrid = { least: Math.log(least), step: Math.log(most / least) / (NODES - 1), count: NODES };
  const columns = saturatedColumns(composition, grid);
  const vapours = vapourColumns(composition, grid, columns.Td);
  return { least, most, saturation: saturationOf(grid, columns), ...vapourOf(grid, vapours), liquid: liquidOf(composition, line.hottest) };
}

function saturatedColumns(composition: Composition, grid: EvenGrid): Record<Saturated, Float64Array> {
  const columns = Object.fromEntries(saturated.map((name) => [name, new Float64Array(NODES)])) as Record<Saturated, Float64Array>;
  for (let k = 0; k < NODES; k++) {
    const p = pascal(Math.exp(grid.least + k * grid.step));
    const [bubble, dew] = [bubblePointAt(composition, p), dewPointAt(composition, p)];
    const [liquid, vapour] = [caloric(phasesOf(bubble).liquid), caloric(phasesOf(dew).vapour)];
    const node: SaturatedState = {
      Tb: bubble.T,
      Td: dew.T,
      rl: bubble.rhoLiquid,
      rv: dew.rhoVapour,
      hl: liquid.enthalpy,
      hv: vapour.enthalpy,
      sv: vapour.entropy,
      cpl: liquid.cp,
      cpv: vapour.cp,
    };
    for (const name of saturated) columns[name][k] = node[name];
  }
  return columns;
}

function saturationOf(grid: EvenGrid, columns: Record<Saturated, Float64Array>): CycleTable['saturation'] {
  const { Tb, Td, rl, rv, hl, hv, sv, cpl, cpv } = columns;
  return (p) => {
    const at = placeOn(grid, Math.log(p));
    return {
      Tb: valueAt(Tb, at),
      Td: valueAt(Td, at),
      rl: valueAt(rl, at),
      rv: valueAt(rv, at),
      hl: valueAt(hl, at),
      hv: valueAt(hv, at),
      sv: valueAt(sv, at),
      cpl: valueAt(cpl, at),
      cpv: valueAt(cpv, at),
    };
  };
}

interface VapourColumns {
  readonly h: Float64Array;
  readonly s: Float64Array;
  /** ln(rho / p): as good as linear over the pressure. */
  readonly lnRhoOverP: Float64Array;
}

/** Row by row of one superheat, along the pressures. */
function vapourColumns(composition: Composition, grid: EvenGrid, Td: Float64Array): VapourColumns {
  const make = () => new Float64Array(NODES * SUPERHEATS);
  const columns = { h: make(), s: make(), lnRhoOverP: make() };
  for (let k = 0; k < NODES; k++) {
    const p = pascal(Math.exp(grid.least + k * grid.step));
    for (let j = 0; j < SUPERHEATS; j++) {
      const phase =
        j === 0 ? phasesOf(dewPointAt(composition, p)).vapour : singlePhase(composition, kelvin(Td[k]! + j * SUPERHEAT_STEP), p, 'vapour');
      const { enthalpy, entropy } = caloric(phase);
      const at = j * NODES + k;
      columns.h[at] = enthalpy;
      columns.s[at] = entropy;
      columns.lnRhoOverP[at] = Math.log(massDensity(phase) / p);
    }
  }
  return columns;
}

type VapourPart = Pick<CycleTable, 'vapour' | 'superheatOfEnthalpy' | 'superheatOfEntropy'>;

function vapourOf(grid: EvenGrid, { h, s, lnRhoOverP }: VapourColumns): VapourPart {
  const superheats: EvenGrid = { least: 0, step: SUPERHEAT_STEP, count: SUPERHEATS };
  const across = (p: number): Place => placeOn(grid, Math.log(p));
  const read = (values: Float64Array, at: Place, superheat: number): number => {
    const { first, w0, w1, w2, w3 } = placeOn(superheats, superheat);
    const row = (j: number) => valueAt(values, at, (first + j) * NODES);
    return (w0 === 0 ? 0 : w0 * row(0)) + (w1 === 0 ? 0 : w1 * row(1)) + (w2 === 0 ? 0 : w2 * row(2)) + (w3 === 0 ? 0 : w3 * row(3));
  };
  // both rise with the superheat and are nearly straight: a few secant steps are exact
  const inverse = (values: Float64Array, p: number, value: number): number => {
    const at = across(p);
    let [a, fa] = [10, read(values, at, 10) - value];
    let [b, fb] = [40, read(values, at, 40) - value];
    for (let k = 0; k < 8 && Math.abs(b - a) > 1e-9 && fb !== fa; k++) {
      const next = b - (fb * (b - a)) / (fb - fa);
      [a, fa] = [b, fb];
      b = next;
      fb = read(values, at, b) - value;
    }
    return b;
  };
  return {
    vapour: (p, superheat) => {
      const at = across(p);
      return { h: read(h, at, superheat), s: read(s, at, superheat), rho: p * Math.exp(read(lnRhoOverP, at, superheat)) };
    },
    superheatOfEnthalpy: (p, value) => inverse(h, p, value),
    superheatOfEntropy: (p, value) => inverse(s, p, value),
  };
}

/** Liquid at its own temperature: at the saturation temperature of its pressure, more charge would seem to need less of it. */
function liquidOf(composition: Composition, hottest: number): CycleTable['liquid'] {
  const [low, high] = [COLDEST, hottest - 0.5];
  const grid: EvenGrid = { least: low, step: (high - low) / (LIQUIDS - 1), count: LIQUIDS };
  const [rho, h, lnP] = [new Float64Array(LIQUIDS), new Float64Array(LIQUIDS), new Float64Array(LIQUIDS)];
  for (let k = 0; k < LIQUIDS; k++) {
    const bubble = bubblePoint(composition, kelvin(low + k * grid.step));
    rho[k] = bubble.rhoLiquid;
    h[k] = caloric(phasesOf(bubble).liquid).enthalpy;
    lnP[k] = Math.log(bubble.p);
  }
  return (T) => {
    const at = placeOn(grid, T);
    return { rho: valueAt(rho, at), h: valueAt(h, at), p: Math.exp(valueAt(lnP, at)) };
  };
}
