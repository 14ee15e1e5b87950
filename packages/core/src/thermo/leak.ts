import { compositionOf, type Composition } from '../fluids/composition';
import { OutOfRange } from '../errors';
import { kilogram, type CubicMetre, type Kelvin, type Kilogram, type Pascal } from '../units/quantity';
import { closedVolume } from './closed-volume';
import type { ClosedVolume } from './vessel-states';
import pair from './leak-pair.json';

/** What is left in a vessel after a share of its mass has gone. */
export interface LeakState {
  /** Share of the first mass that is lost, 0 to 0.999. */
  readonly lost: number;
  /** Composition by mass of all that is left. */
  readonly left: Composition;
  /** Absolute, Pa. */
  readonly p: Pascal;
}

/** Error of a step in the shares by mass. */
const TOLERANCE = 1e-8;
const FIRST_STEP = 0.3;
const SHORTEST_STEP = 1e-7;
const MOST_LOST = 0.999;

/**
 * Open-system (Rayleigh) distillation: vapour or liquid leaves a closed vessel so slowly that the rest stays in equilibrium at T. With
 * λ = −ln(m/m₀) and the share w_i of a substance in the phase that leaves, x_i in all that is left,
 *
 *     d ln m_i / dλ = −w_i / x_i,
 *
 * integrated by an embedded Runge–Kutta pair with error control. Where the phase that leaves has run out, the other one leaves.
 * @param lost shares of the first mass, rising, each at most 0.999
 * @throws OutOfRange, NoConvergence
 */
export function leak(
  composition: Composition,
  V: CubicMetre,
  m: Kilogram,
  T: Kelvin,
  phase: 'vapour' | 'liquid',
  lost: readonly number[],
): readonly LeakState[] {
  const vessel: Vessel = { ids: Object.keys(composition), V, T, m, phase, last: undefined };
  let at: Point = { lambda: 0, z: vessel.ids.map((id) => Math.log(composition[id]!)) };
  let [gone, step] = [0, FIRST_STEP];
  return lost.map((target) => {
    if (!(target >= gone && target <= MOST_LOST)) throw new OutOfRange('share lost', target, gone, MOST_LOST, 'of the first mass');
    const end = -Math.log1p(-target);
    while (end - at.lambda > SHORTEST_STEP) [at, step] = controlled(vessel, at, step, end);
    gone = target;
    return { lost: target, left: sharesOf(vessel, at), p: stateOf(vessel, at).p };
  });
}

interface Vessel {
  readonly ids: readonly string[];
  readonly V: CubicMetre;
  readonly T: Kelvin;
  readonly m: Kilogram;
  readonly phase: 'vapour' | 'liquid';
  /** The state found last: the next is not far. */
  last: ClosedVolume | undefined;
}

/** λ, ln of the substances' masses but for a common summand, and the rates d z/dλ there once they are known. */
interface Point {
  readonly lambda: number;
  readonly z: readonly number[];
  readonly rates?: readonly number[];
}

function sharesOf({ ids }: Vessel, { z }: Point): Composition {
  const masses = z.map(Math.exp);
  const total = masses.reduce((sum, mass) => sum + mass, 0);
  return compositionOf(Object.fromEntries(ids.map((id, i) => [id, masses[i]! / total])));
}

function stateOf(vessel: Vessel, point: Point): ClosedVolume {
  const left = kilogram(vessel.m * Math.exp(-point.lambda));
  vessel.last = closedVolume(sharesOf(vessel, point), vessel.V, left, vessel.T, vessel.last);
  return vessel.last;
}

function ratesAt(vessel: Vessel, point: Point): readonly number[] {
  const state = stateOf(vessel, point);
  const all = sharesOf(vessel, point);
  const leaves = leaving(vessel, state) ?? all;
  return vessel.ids.map((id) => -leaves[id]! / all[id]!);
}

/** Composition of the phase that leaves, of two liquids the lower one; nothing where that phase has run out. */
function leaving({ phase }: Vessel, state: ClosedVolume): Composition | undefined {
  if (phase === 'vapour') return 'vapour' in state ? state.vapour : undefined;
  return state.state === 'two-liquids' ? state.liquids[0].liquid : 'liquid' in state ? state.liquid : undefined;
}

/** One accepted step towards `end`, and the length of the next. */
function controlled(vessel: Vessel, from: Point, length: number, end: number): readonly [Point, number] {
  for (let step = Math.min(length, end - from.lambda); ;) {
    const { point, error } = advance(vessel, from, step);
    const next = step * Math.min(4, Math.max(0.2, 0.9 * (TOLERANCE / (error + 1e-300)) ** 0.2));
    if (error <= TOLERANCE || step <= SHORTEST_STEP) return [point, next];
    step = Math.max(SHORTEST_STEP, next);
  }
}

/** One step of the pair of orders 5 and 4 in `leak-pair.json`; its last stage is the first of the next step. */
function advance(vessel: Vessel, from: Point, step: number): { readonly point: Point; readonly error: number } {
  const rates = [from.rates ?? ratesAt(vessel, from)];
  const along = (weights: readonly number[]) =>
    from.z.map((z, i) => z + step * weights.reduce((sum, weight, stage) => sum + weight * rates[stage]![i]!, 0));
  for (const { at, weights } of pair.stages) rates.push(ratesAt(vessel, { lambda: from.lambda + at * step, z: along(weights) }));
  const [z, lower] = [along(pair.fifth), along(pair.fourth)];
  const point: Point = { lambda: from.lambda + step, z, rates: rates.at(-1)! };
  const shares = sharesOf(vessel, point);
  return { point, error: Math.max(...z.map((value, i) => Math.abs(value - lower[i]!) * shares[vessel.ids[i]!]!)) };
}
