import { solveInPlace } from '../thermo/linear-solve';
import type { FluidTable } from './fluid-table';
import { linkFlow, type Link, type LinkFlow } from './link';
import { energyAt, pressureAt, stateOf, type Volume, type VolumeState } from './volume-state';

/** A volume in a network, with what heats or cools it. */
export interface Node extends Volume {
  readonly name: string;
  /** W/K to what is around it, at this temperature. */
  readonly UA: number;
  readonly around: number;
}

/** Masses and energies of all volumes: the whole state. */
export interface NetworkState {
  readonly m: Float64Array;
  readonly U: Float64Array;
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
  { m, U, states, suctionPa }: NetworkState,
  dt: number,
  bears: number,
): Stepped | undefined {
  const n = nodes.length;
  const slopes = nodes.map((node, i) => slopesOf(table, node, m[i]!, states[i]!));
  const matrix = new Float64Array(n * n);
  const right = new Float64Array(n);
  const heats = nodes.map(({ UA, around }, i) => UA * (around - states[i]!.T));
  for (let i = 0; i < n; i++) {
    matrix[i * n + i] = 1;
    right[i] = slopes[i]!.byU * heats[i]! * dt;
  }
  const base = links.map((link) => linkFlow(table, link, states, suctionPa));
  for (const current of base) straighten(current, slopes, matrix, right, dt, n);
  if (!solveInPlace(matrix, right)) return undefined;
  const [mass, energy] = [Float64Array.from(m), Float64Array.from(U)];
  let [work, fastest] = [0, 0];
  for (const [k, own] of base.entries()) {
    const moved = corrected(own, links[k]!, right, m, dt);
    const last = own.ends.length - 1;
    const done = own.mass[last] === 0 ? 0 : (own.work * moved[last]!) / own.mass[last]!;
    // what leaves takes its enthalpy along; the last end gets what the others gave, and the work of a compressor
    let given = 0;
    for (const [i, end] of own.ends.entries()) {
      mass[end]! += moved[i]! * dt;
      if (i < last) given -= moved[i]! * own.h[i]!;
      energy[end]! += (i < last ? moved[i]! * own.h[i]! : given + done) * dt;
      fastest = Math.max(fastest, Math.abs(moved[i]!));
    }
    work += done;
  }
  for (let i = 0; i < n; i++) energy[i]! += heats[i]! * dt;
  const after: VolumeState[] = [];
  for (let i = 0; i < n; i++) {
    const state = stateOf(table, nodes[i]!, mass[i]!, energy[i]!, states[i]!.T);
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
    after.push(state);
  }
  const suction = base.find((entry) => entry.suctionPa !== undefined)?.suctionPa;
  return {
    state: { m: mass, U: energy, states: after, suctionPa: suction },
    dt,
    fastest,
    power: work + heats.reduce((sum, value) => sum + value, 0),
  };
}

type Slopes = ReturnType<typeof slopesOf>;

/** One link into the equations of the pressures: each end's response to what comes, and how that follows the pressures of all its ends. */
function straighten(
  { ends, mass, h, slopes: bySlope, work }: LinkFlow,
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
    const here = dt * (slopes[end]!.byM + slopes[end]!.byU * h[i]!);
    const there = -dt * (slopes[to]!.byM + slopes[to]!.byU * (h[i]! + perKg));
    right[end]! += here * mass[i]!;
    right[to]! += there * mass[i]!;
    for (let j = 0; j <= last; j++) {
      const slope = bySlope[i * (last + 1) + j]!;
      matrix[end * n + ends[j]!]! -= here * slope;
      matrix[to * n + ends[j]!]! -= there * slope;
    }
  }
}

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

/** How the pressure follows mass and energy: from the slopes over temperature and density, without solving for a state again. */
function slopesOf(table: FluidTable, { V, C }: Node, m: number, { p, T, rho }: VolumeState) {
  const dT = 0.01;
  const dRho = Math.max(1e-7, 1e-5 * rho);
  const u = energyAt(table, rho, T);
  const byT = { p: (pressureAt(table, rho, T + dT) - p) / dT, U: (m * (energyAt(table, rho, T + dT) - u)) / dT + C };
  const byRho = { p: (pressureAt(table, rho + dRho, T) - p) / dRho, u: (energyAt(table, rho + dRho, T) - u) / dRho };
  const byU = byT.p / byT.U;
  // of a kilogram more at the same temperature the energy is its own and what the others gain
  const UByM = u + (m * byRho.u) / V;
  return { byM: byRho.p / V - byU * UByM, byU };
}
