import { solveInPlace } from '../thermo/linear-solve';
import type { FluidTable } from './fluid-table';
import type { Link, LinkFlow, Passing } from './link';
import { linkFlow } from './link-flow';
import { intoOil, type Oil } from './oil';
import { energyAt, pressureAt, pressureOfAir, stateOf, type Volume, type VolumeState } from './volume-state';

/** A volume in a network, with what heats or cools it. */
export interface Node extends Volume {
  readonly name: string;
  /** W/K to what is around it, at this temperature. */
  readonly UA: number;
  readonly around: number;
  /** Of a compressor whose crankcase stands in it. */
  readonly oil?: Oil | undefined;
}

/** What is in all volumes, one value for each: with their masses and energies the whole state. */
export interface Contents {
  /** kg of refrigerant, J of refrigerant and metal. */
  readonly m: Float64Array;
  readonly U: Float64Array;
  /** kg by which it is enriched (see `Glide`), and kg of air. */
  readonly enriched: Float64Array;
  readonly air: Float64Array;
  /** kg and J of refrigerant in the oil; it keeps the composition of the blend as charged. */
  readonly dissolved: Float64Array;
  readonly dissolvedU: Float64Array;
}

export interface NetworkState extends Contents {
  readonly states: readonly VolumeState[];
  /** Pa absolute at the suction of a machine; nothing while none runs. */
  readonly suctionPa: number | undefined;
}

/** Shares of a step: pressure within, temperature and mass at most. */
const WITHIN = { pressureShare: 0.004, pressurePa: 60, kelvins: 0.3, massShare: 0.04, leastMass: 2e-4 };
/** m³: hoses and the machine's condenser fill and empty in a moment, and little hangs on them. */
const SMALL = 1e-3;
const WITHIN_SMALL = { pressureShare: 0.002, pressurePa: 1000, kelvins: 0.3, massShare: 0.1, leastMass: 2e-3 };
const [SHORTEST, LONGEST] = [1e-4, 10];

export interface Stepped {
  readonly state: NetworkState;
  readonly dt: number;
  /** kg/s of the largest flow. */
  readonly fastest: number;
  /** W that came from around and from compressors, all volumes. */
  readonly power: number;
}

/**
 * One step, implicit in the pressures: every link is straightened about where it stands, the pressures at the end are solved together, and
 * the same flows go into mass and energy. Shortened until nothing moves too far; where not even the shortest step goes, nothing moves.
 * @param bears how many times as far as usual it may move before it is shortened
 */
export function step(
  table: FluidTable,
  nodes: readonly Node[],
  links: readonly Link[],
  before: NetworkState,
  wanted: number,
  bears = 1,
): Stepped {
  let dt = Math.min(LONGEST, Math.max(SHORTEST, wanted));
  for (;;) {
    const tried = attempt(table, nodes, links, before, dt, bears);
    if (tried !== undefined || dt <= SHORTEST * 1.01) return tried ?? { state: before, dt, fastest: 0, power: 0 };
    dt = Math.max(SHORTEST, dt / 3);
  }
}

function attempt(
  table: FluidTable,
  nodes: readonly Node[],
  links: readonly Link[],
  before: NetworkState,
  dt: number,
  bears: number,
): Stepped | undefined {
  const { m, states, suctionPa } = before;
  const n = nodes.length;
  const isAired = sumOf(before.air) > 0;
  const slopes = nodes.map((node, i) => slopesOf(table, node, m[i]!, isAired ? before.air[i]! : undefined, states[i]!));
  const matrix = new Float64Array(n * n);
  const right = new Float64Array(n);
  const heats = nodes.map(({ UA, around }, i) => UA * (around - states[i]!.T));
  // kg/s into oil, and J/kg that go along: what dissolves has the enthalpy of the liquid, what comes out takes its heat from around it
  const oiled = new Float64Array(n);
  const held = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    matrix[i * n + i] = 1;
    right[i] = slopes[i]!.byU * heats[i]! * dt;
    const { oil } = nodes[i]!;
    if (oil === undefined) continue;
    oiled[i] = intoOil(table, oil, states[i]!, before.dissolved[i]!, m[i]!, dt);
    held[i] = table.hLiquid.at(states[i]!.T);
    right[i]! -= (slopes[i]!.byM + slopes[i]!.byU * held[i]!) * oiled[i]! * dt;
  }
  const base = links.map((link) => linkFlow(table, link, states, suctionPa));
  for (const current of base) straighten(current, slopes, matrix, right, dt, n);
  if (!solveInPlace(matrix, right)) return undefined;
  const after = copyOf(before, { air: isAired, blend: table.glide !== undefined });
  const { m: mass, U: energy, enriched, air, dissolved, dissolvedU } = after;
  let [work, fastest] = [0, 0];
  for (const [k, own] of base.entries()) {
    const moved = corrected(own, links[k]!, right, m, dt);
    const last = own.ends.length - 1;
    const done = own.mass[last] === 0 ? 0 : (own.work * moved[last]!) / own.mass[last]!;
    // what leaves takes along what is in it; the last end gets what the others gave, and the work of a compressor
    const to = own.ends[last]!;
    for (let i = 0; i < last; i++) {
      const [end, kg, passing] = [own.ends[i]!, moved[i]! * dt, own.passing[i]!];
      carry(mass, end, to, kg);
      carry(energy, end, to, kg * passing.h);
      if (table.glide !== undefined) carry(enriched, end, to, kg * passing.enriched);
      // the last of the air goes, and no more
      if (passing.air !== 0) carry(air, end, to, Math.min(air[to]!, Math.max(-air[end]!, kg * passing.air)));
      fastest = Math.max(fastest, Math.abs(moved[i]!));
    }
    energy[to]! += done * dt;
    fastest = Math.max(fastest, Math.abs(moved[last]!));
    work += done;
  }
  for (let i = 0; i < n; i++) {
    energy[i]! += heats[i]! * dt;
    if (oiled[i] === 0) continue;
    const kg = oiled[i]! * dt;
    mass[i]! -= kg;
    energy[i]! -= kg * held[i]!;
    dissolved[i]! += kg;
    dissolvedU[i]! += kg * held[i]!;
  }
  const standing: VolumeState[] = [];
  for (let i = 0; i < n; i++) {
    const state = stateOf(table, nodes[i]!, mass[i]!, energy[i]!, states[i]!.T, enrichmentOf(after, i), air[i]);
    const old = states[i]!;
    const predicted = old.p + right[i]!;
    const within = nodes[i]!.V < SMALL ? WITHIN_SMALL : WITHIN;
    const far =
      Math.abs(state.p - predicted) > bears * (within.pressureShare * old.p + within.pressurePa) ||
      Math.abs(state.T - old.T) > bears * within.kelvins ||
      Math.abs(mass[i]! - m[i]!) > bears * (within.massShare * m[i]! + within.leastMass) ||
      !(state.p > 0) ||
      !Number.isFinite(state.T);
    if (far && dt > SHORTEST * 1.01) return undefined;
    standing.push(state);
  }
  const suction = base.find((entry) => entry.suctionPa !== undefined)?.suctionPa;
  return {
    state: { m: mass, U: energy, enriched, air, dissolved, dissolvedU, states: standing, suctionPa: suction },
    dt,
    fastest,
    power: work + heats.reduce((sum, value) => sum + value, 0),
  };
}

/** The contents of all volumes once more, to be changed; what does not change is not copied. */
export const copyOf = (
  { m, U, enriched, air, dissolved, dissolvedU }: Contents,
  changes: { readonly air: boolean; readonly blend: boolean },
): Contents => ({
  m: Float64Array.from(m),
  U: Float64Array.from(U),
  enriched: changes.blend ? Float64Array.from(enriched) : enriched,
  air: changes.air ? Float64Array.from(air) : air,
  dissolved: Float64Array.from(dissolved),
  dissolvedU: Float64Array.from(dissolvedU),
});

/** How far what is in a volume is enriched (see `Glide`). */
export const enrichmentOf = ({ m, enriched }: Contents, i: number): number => (m[i]! > 0 ? enriched[i]! / m[i]! : 0);

export function sumOf(values: Float64Array): number {
  let total = 0;
  for (const value of values) total += value;
  return total;
}

/** From the last end of a link into this one; the other way round below 0. */
function carry(values: Float64Array, end: number, to: number, amount: number): void {
  values[end]! += amount;
  values[to]! -= amount;
}

type Slopes = ReturnType<typeof slopesOf>;

/** One link into the equations of the pressures: each end's response to what comes, and how that follows the pressures of all its ends. */
function straighten(
  { ends, mass, passing, slopes: bySlope, work }: LinkFlow,
  slopes: readonly Slopes[],
  matrix: Float64Array,
  right: Float64Array,
  dt: number,
  n: number,
): void {
  const last = ends.length - 1;
  const to = ends[last]!;
  const perKg = mass[last] === 0 ? 0 : work / mass[last]!;
  for (let i = 0; i < last; i++) {
    const end = ends[i]!;
    const here = dt * response(slopes[end]!, passing[i]!, 0);
    const there = -dt * response(slopes[to]!, passing[i]!, perKg);
    right[end]! += here * mass[i]!;
    right[to]! += there * mass[i]!;
    for (let j = 0; j <= last; j++) {
      const slope = bySlope[i * (last + 1) + j]!;
      matrix[end * n + ends[j]!]! -= here * slope;
      matrix[to * n + ends[j]!]! -= there * slope;
    }
  }
}

/** Pa for a kilogram that comes in. @param work J that it was given on the way */
const response = ({ byM, byU, byAir, byEnriched, enriched }: Slopes, passing: Passing, work: number): number =>
  byM + byU * (passing.h + work) + byAir * passing.air + byEnriched * (passing.enriched - enriched);

/** kg/s into each end at the pressures of the end of the step. No straight line carries more out of a volume than is in it, nor turns a one-way flow. */
function corrected({ ends, mass, slopes }: LinkFlow, link: Link, change: Float64Array, m: Float64Array, dt: number): Float64Array {
  const last = ends.length - 1;
  const moved = new Float64Array(last + 1);
  for (let i = 0; i < last; i++) {
    let value = mass[i]!;
    for (let j = 0; j <= last; j++) value += slopes[i * (last + 1) + j]! * change[ends[j]!]!;
    if (link.kind === 'compressor' || (link.kind === 'pipe' && link.oneWay)) value = Math.min(0, value);
    const out = (0.5 * m[ends[i]!]!) / dt;
    const back = link.kind === 'pipe' ? (0.5 * m[ends[last]!]!) / dt : Number.POSITIVE_INFINITY;
    moved[i] = Math.min(back, Math.max(-out, value));
    moved[last]! -= moved[i]!;
  }
  if (link.kind === 'machine' && moved[last]! < 0) return new Float64Array(last + 1);
  return moved;
}

/** How the pressure follows mass and energy, air and composition: from the slopes over temperature and density, without solving for a state again. */
function slopesOf(table: FluidTable, { V, C }: Node, m: number, air: number | undefined, { p, pAir, T, rho, enriched }: VolumeState) {
  const dT = 0.01;
  const dRho = Math.max(1e-7, 1e-5 * rho);
  const u = energyAt(table, rho, T, enriched);
  const pressure = (density: number, at: number) => {
    const own = pressureAt(table, density, at, enriched);
    return air === undefined ? own : own + air * pressureOfAir(table, V, density, at, enriched);
  };
  const byTp = (pressure(rho, T + dT) - p) / dT;
  const byTU = (m * (energyAt(table, rho, T + dT, enriched) - u)) / dT + C;
  const byRhoP = (pressure(rho + dRho, T) - p) / dRho;
  const byRhoU = (energyAt(table, rho + dRho, T, enriched) - u) / dRho;
  const byU = byTp / byTU;
  // of a kilogram more at the same temperature the energy is its own and what the others gain
  const UByM = u + (m * byRhoU) / V;
  return {
    byM: byRhoP / V - byU * UByM,
    byU,
    byAir: air === undefined ? 0 : pressureOfAir(table, V, rho, T, enriched),
    byEnriched: table.glide === undefined ? 0 : (pressureAt(table, rho, T, enriched + A_BIT) + pAir - p) / A_BIT / m,
    enriched,
  };
}
/** Of an enrichment, to find a slope. */
const A_BIT = 0.01;
