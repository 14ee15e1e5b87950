import type { Leaving, Line, Port } from './flow';

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
