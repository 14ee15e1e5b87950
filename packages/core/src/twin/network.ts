import { solveInPlace } from '../thermo/linear-solve';
import { leaving, massFlux, type Line, type Port } from './flow';
import type { FluidTable } from './fluid-table';
import { energyAt, pressureAt, stateOf, type Volume, type VolumeState } from './volume-state';

/** A volume in a network, with what heats or cools it. */
export interface Node extends Volume {
  readonly name: string;
  /** W/K to what is around it, at this temperature. */
  readonly UA: number;
  readonly around: number;
}

export interface Pipe {
  readonly kind: 'pipe';
  readonly from: number;
  readonly to: number;
  readonly port: Port;
  readonly line: Line;
  /** Nothing goes back through it. */
  readonly oneWay: boolean;
}

/** A compressor from one volume to another. */
export interface Compressor {
  readonly kind: 'compressor';
  readonly from: number;
  readonly to: number;
  readonly port: Port;
  /** m³/s, share of clearance, exponent, filling, efficiency. */
  readonly displacement: number;
  readonly clearance: number;
  readonly polytropic: number;
  readonly filling: number;
  readonly efficiency: number;
  /** kg/s of liquid at most, where its suction is throttled for liquid. */
  readonly mostLiquid: number;
  /** Pa that it, or the hand on its valve, lets into its suction at most. */
  readonly suctionAtMost: number;
}

export type Link = Pipe | Compressor;

/** Masses and energies of all volumes: the whole state. */
export interface NetworkState {
  readonly m: Float64Array;
  readonly U: Float64Array;
  readonly states: readonly VolumeState[];
}

export interface Flow {
  /** kg/s from `from` to `to`, and W that go with it. */
  readonly mass: number;
  readonly energy: number;
  /** W of work that a compressor adds. */
  readonly work: number;
}

/** What passes a link at these pressures of its ends. */
export function flowOf(table: FluidTable, link: Link, states: readonly VolumeState[], pFrom: number, pTo: number): Flow {
  if (link.kind === 'compressor') return compressed(table, link, states[link.from]!, pFrom, pTo);
  if (pFrom >= pTo) return piped(table, link, states[link.from]!, pFrom, pTo);
  if (link.oneWay) return NONE;
  const back = piped(table, link, states[link.to]!, pTo, pFrom);
  return { mass: -back.mass, energy: -back.energy, work: 0 };
}

const NONE: Flow = { mass: 0, energy: 0, work: 0 };
/** Pa: below this difference a flow is laminar, and straight through nothing. */
const SOFT = 1500;

function piped(table: FluidTable, { line, port }: Pipe, upstream: VolumeState, p0: number, p1: number): Flow {
  const out = leaving(table, upstream, port);
  const difference = p0 - p1;
  // sqrt has no slope at nothing: a straight piece joins it
  const flux = difference < SOFT ? massFlux(out, p0, p0 - SOFT, line.loss) * (difference / SOFT) : massFlux(out, p0, p1, line.loss);
  const mass = flux * line.area;
  return { mass, energy: mass * out.h, work: 0 };
}

function compressed(table: FluidTable, own: Compressor, upstream: VolumeState, p0: number, p1: number): Flow {
  const out = leaving(table, upstream, own.port);
  const suction = Math.min(p0, own.suctionAtMost);
  const ratio = Math.max(1, p1 / suction);
  const volumetric = own.filling * (1 + own.clearance - own.clearance * ratio ** (1 / own.polytropic));
  if (volumetric <= 0) return NONE;
  const drawn = own.displacement * volumetric * out.rho * (suction / p0);
  const mass = out.quality > 0.999 ? drawn : (drawn * own.mostLiquid) / (drawn + own.mostLiquid);
  const n = own.polytropic;
  const perKg = ((n / (n - 1)) * (suction / (out.rho * (suction / p0))) * (ratio ** ((n - 1) / n) - 1)) / own.efficiency;
  // liquid is not compressed: only the vapour in it takes the work
  const work = mass * perKg * out.quality;
  return { mass, energy: mass * out.h + work, work };
}

/** Shares of a step: pressure within, temperature and mass at most. */
const WITHIN = { pressureShare: 0.02, pressurePa: 1500, kelvins: 1.5, massShare: 0.06, leastMass: 2e-4 };
/** m³: hoses and the machine's condenser fill and empty in a moment, and little hangs on them. */
const SMALL = 1e-3;
const WITHIN_SMALL = { pressureShare: 0.08, pressurePa: 8000, kelvins: 5, massShare: 0.35, leastMass: 2e-3 };
const [SHORTEST, LONGEST] = [1e-4, 10];

export interface Stepped {
  readonly state: NetworkState;
  readonly dt: number;
  readonly flows: readonly Flow[];
  /** W taken up from around, all volumes. */
  readonly heat: number;
}

/**
 * One step, implicit in the pressures: every link is straightened about where it stands, the pressures at the end are solved together, and
 * the same flows go into mass and energy. Shortened until nothing moves too far.
 */
export function step(table: FluidTable, nodes: readonly Node[], links: readonly Link[], before: NetworkState, wanted: number): Stepped {
  let dt = Math.min(LONGEST, Math.max(SHORTEST, wanted));
  for (;;) {
    const tried = attempt(table, nodes, links, before, dt);
    if (tried !== undefined || dt <= SHORTEST * 1.01) return tried ?? still(nodes, links, before, dt);
    dt = Math.max(SHORTEST, dt / 3);
  }
}

/** Where not even the shortest step goes, only heat passes: the next one tries again. */
function still(nodes: readonly Node[], links: readonly Link[], before: NetworkState, dt: number): Stepped {
  return { state: before, dt, flows: links.map(() => NONE), heat: 0 * nodes.length };
}

function attempt(
  table: FluidTable,
  nodes: readonly Node[],
  links: readonly Link[],
  { m, U, states }: NetworkState,
  dt: number,
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
  const base = links.map((link) => {
    const [a, b] = [states[link.from]!.p, states[link.to]!.p];
    const flow = flowOf(table, link, states, a, b);
    const [da, db] = [Math.max(50, 1e-4 * a), Math.max(50, 1e-4 * b)];
    const byFrom = (flowOf(table, link, states, a + da, b).mass - flow.mass) / da;
    const byTo = (flowOf(table, link, states, a, b + db).mass - flow.mass) / db;
    const h = flow.mass === 0 ? 0 : flow.energy / flow.mass;
    return { flow, byFrom, byTo, h };
  });
  for (const [k, link] of links.entries()) {
    const { flow, byFrom, byTo, h } = base[k]!;
    // what enters takes its enthalpy along, what leaves takes the same away but for the work of a compressor
    const hOut = flow.mass === 0 ? 0 : (flow.energy - flow.work) / flow.mass;
    const [out, into] = [slopes[link.from]!, slopes[link.to]!];
    const gain = into.byM + into.byU * h;
    const lose = out.byM + out.byU * hOut;
    right[link.to]! += dt * gain * flow.mass;
    right[link.from]! -= dt * lose * flow.mass;
    matrix[link.to * n + link.from]! -= dt * gain * byFrom;
    matrix[link.to * n + link.to]! -= dt * gain * byTo;
    matrix[link.from * n + link.from]! += dt * lose * byFrom;
    matrix[link.from * n + link.to]! += dt * lose * byTo;
  }
  if (!solveInPlace(matrix, right)) return undefined;
  const [mass, energy] = [Float64Array.from(m), Float64Array.from(U)];
  const flows = links.map((link, k): Flow => {
    const { flow, byFrom, byTo, h } = base[k]!;
    let own = flow.mass + byFrom * right[link.from]! + byTo * right[link.to]!;
    // no straight line carries more out of a volume than is in it, nor turns a one-way flow
    if (link.kind === 'compressor' || link.oneWay) own = Math.max(0, own);
    const most = (0.5 * (own > 0 ? m[link.from]! : m[link.to]!)) / dt;
    own = Math.min(most, Math.max(-most, own));
    const share = flow.mass === 0 ? 0 : own / flow.mass;
    const passed = { mass: own, energy: own * h, work: flow.work * share };
    mass[link.from]! -= own * dt;
    mass[link.to]! += own * dt;
    energy[link.from]! -= (passed.energy - passed.work) * dt;
    energy[link.to]! += passed.energy * dt;
    return passed;
  });
  for (let i = 0; i < n; i++) energy[i]! += heats[i]! * dt;
  const after: VolumeState[] = [];
  for (let i = 0; i < n; i++) {
    const state = stateOf(table, nodes[i]!, mass[i]!, energy[i]!, states[i]!.T);
    const old = states[i]!;
    const predicted = old.p + right[i]!;
    const within = nodes[i]!.V < SMALL ? WITHIN_SMALL : WITHIN;
    const far =
      Math.abs(state.p - predicted) > within.pressureShare * old.p + within.pressurePa ||
      Math.abs(state.T - old.T) > within.kelvins ||
      Math.abs(mass[i]! - m[i]!) > within.massShare * m[i]! + within.leastMass ||
      !(state.p > 0) ||
      !Number.isFinite(state.T);
    if (far && dt > SHORTEST * 1.01) return undefined;
    after.push(state);
  }
  return { state: { m: mass, U: energy, states: after }, dt, flows, heat: heats.reduce((sum, value) => sum + value, 0) };
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
