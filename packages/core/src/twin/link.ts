import { leaving, Passage, type Leaving, type Line, type Port } from './flow';
import type { FluidTable } from './fluid-table';
import { suctionLine } from './suction-line';
import type { VolumeState } from './volume-state';

export interface Pipe {
  readonly kind: 'pipe';
  readonly from: number;
  readonly to: number;
  readonly port: Port;
  readonly line: Line;
  /** Nothing goes back through it. */
  readonly oneWay: boolean;
}

/** What pumps: a machine's or the system's own. */
export interface Pump {
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

/** A compressor from one volume to another, with nothing between. */
export interface Compressor {
  readonly kind: 'compressor';
  readonly from: number;
  readonly to: number;
  readonly port: Port;
  readonly pump: Pump;
}

/** A hose from a volume to the manifold of a machine. */
export interface Hose {
  readonly node: number;
  readonly port: Port;
  readonly line: Line;
}

/**
 * A machine at the end of its hoses. What stands in a hose is a few grams that pass in a moment: nothing is stored there, and the suction
 * pressure is the one at which the hoses bring what the machine draws.
 */
export interface Machine {
  readonly kind: 'machine';
  readonly hoses: readonly Hose[];
  readonly to: number;
  readonly pump: Pump;
}

export type Link = Pipe | Compressor | Machine;

/** What a kilogram that passes brings along: J, how far it is enriched, kg of air. */
export type Passing = Pick<Leaving, 'h' | 'enriched' | 'air'>;

/** What passes a link: kg/s into each of its ends, the last being where it goes to, and how each follows the pressure of each (row by row). */
export interface LinkFlow {
  readonly ends: readonly number[];
  readonly mass: Float64Array;
  readonly slopes: Float64Array;
  /** What passes each end but the last. */
  readonly passing: readonly Passing[];
  /** W. */
  readonly work: number;
  readonly suctionPa?: number;
}

/** @param guess Pa of suction in the step before */
export function linkFlow(table: FluidTable, link: Link, states: readonly VolumeState[], guess: number | undefined): LinkFlow {
  switch (link.kind) {
    case 'pipe':
      return pipeFlow(table, link, states);
    case 'compressor':
      return compressorFlow(table, link, states);
    case 'machine':
      return suctionLine(table, link, states, guess);
    default:
      return link satisfies never;
  }
}

/** Pa: below this difference a flow is laminar, and straight through nothing. */
const SOFT = 1500;

/** kg/s through a line from p0 down to p1. @param area m² */
export function piped(passage: Passage, area: number, p0: number, p1: number): number {
  const difference = p0 - p1;
  if (difference <= 0) return 0;
  // sqrt has no slope at nothing: a straight piece joins it
  const flux = difference < SOFT ? passage.flux(p0, p0 - SOFT) * (difference / SOFT) : passage.flux(p0, p1);
  return flux * area;
}

/** Pa by which a pressure is moved to find a slope. */
export const nudge = (p: number): number => Math.max(50, 1e-4 * p);

function twoEnds({ from, to }: { readonly from: number; readonly to: number }, of: (pFrom: number, pTo: number) => number) {
  return (a: number, b: number, passing: Passing, work: number): LinkFlow => {
    const flow = of(a, b);
    const [da, db] = [nudge(a), nudge(b)];
    const [byFrom, byTo] = [(of(a + da, b) - flow) / da, (of(a, b + db) - flow) / db];
    return {
      ends: [from, to],
      mass: Float64Array.of(-flow, flow),
      slopes: Float64Array.of(-byFrom, -byTo, byFrom, byTo),
      passing: [passing],
      work,
    };
  };
}

function pipeFlow(table: FluidTable, link: Pipe, states: readonly VolumeState[]): LinkFlow {
  const [from, to] = [states[link.from]!, states[link.to]!];
  const [there, back] = [leaving(table, from, link.port), link.oneWay ? undefined : leaving(table, to, link.port)];
  const { area, loss } = link.line;
  const [down, up] = [new Passage(there, loss), back === undefined ? undefined : new Passage(back, loss)];
  const of = (a: number, b: number) => (a >= b || up === undefined ? piped(down, area, a, b) : -piped(up, area, b, a));
  return twoEnds(link, of)(from.p, to.p, from.p >= to.p || back === undefined ? there : back, 0);
}

function compressorFlow(table: FluidTable, link: Compressor, states: readonly VolumeState[]): LinkFlow {
  const [from, to] = [states[link.from]!, states[link.to]!];
  const out = leaving(table, from, link.port);
  const of = (a: number, b: number) => pumped(link.pump, out, a, b).mass;
  return twoEnds(link, of)(from.p, to.p, out, pumped(link.pump, out, from.p, to.p).work);
}

/** kg/s and W of a pump that draws this at p0 and pushes it against p1. */
export function pumped(
  pump: Pump,
  out: Pick<Leaving, 'rho' | 'quality'>,
  p0: number,
  p1: number,
): { readonly mass: number; readonly work: number } {
  const suction = Math.min(p0, pump.suctionAtMost);
  const ratio = Math.max(1, p1 / suction);
  const n = pump.polytropic;
  const squeezed = ratio ** (1 / n);
  const volumetric = pump.filling * (1 + pump.clearance - pump.clearance * squeezed);
  if (volumetric <= 0) return { mass: 0, work: 0 };
  const rho = out.rho * (suction / p0);
  const drawn = pump.displacement * volumetric * rho;
  const mass = out.quality > 0.999 ? drawn : (drawn * pump.mostLiquid) / (drawn + pump.mostLiquid);
  const perKg = ((n / (n - 1)) * (suction / rho) * (ratio / squeezed - 1)) / pump.efficiency;
  // liquid is not compressed: only the vapor in it takes the work
  return { mass, work: mass * perKg * out.quality };
}
