import type { Composition } from '../fluids/composition';
import { NoTwoPhaseState, OutOfRange } from '../errors';
import { kelvin, type Density, type Kelvin, type Pascal } from '../units/quantity';
import { modelOf } from './mixture-model';
import { reducingTemperature } from './reducing';
import { bubblePoint, dewPoint } from './saturation';
import { byContent } from './tables-by-content';

/** Saturation over temperature for whoever draws or simulates; a booked result asks the full model. */
export interface SaturationTable {
  readonly coldest: Kelvin;
  readonly hottest: Kelvin;
  /** @throws OutOfRange outside coldest to hottest */
  readonly at: (T: Kelvin) => { readonly pBubble: Pascal; readonly pDew: Pascal; readonly rhoLiquid: Density; readonly rhoVapour: Density };
}

/** Nodes of the Chebyshev series; with them every table is good to 1e-6, most to 1e-7 (`saturation-table.test.ts`). */
const NODES = 32;
/** K above the end of the lines, where the variable sqrt(1 − T/T_x) has its root: the lines meet there like a square root. */
const BEYOND = 0.05;
/** Share of the end of the lines up to which a table reaches, and the reduced temperature from which. */
const HIGHEST = 0.995;
const LOWEST = 0.55;

/** The table of a composition, built once from the full model and kept. */
export const saturationTable: (composition: Composition) => SaturationTable = byContent(build);

function build(composition: Composition): SaturationTable {
  const { model, moleFraction } = modelOf(composition);
  const reducing = reducingTemperature(model, moleFraction);
  const ends = [bubblePoint, dewPoint].map((line) => endOf((T) => line(composition, kelvin(T)), 1.2 * reducing));
  const Tx = Math.max(...ends) + BEYOND;
  const [coldest, hottest] = [Math.max(model.minT, LOWEST * reducing), HIGHEST * Math.min(...ends)];
  const variable = (T: number) => Math.sqrt(1 - T / Tx);
  const [low, high] = [variable(hottest), variable(coldest)];
  const columns = nodes().map((x) => {
    const s = low + ((x + 1) / 2) * (high - low);
    const T = kelvin(Tx * (1 - s * s));
    const [bubble, dew] = [bubblePoint(composition, T), dewPoint(composition, T)];
    return [bubble.p, dew.p, bubble.rhoLiquid, dew.rhoVapour].map(Math.log);
  });
  const series = [0, 1, 2, 3].map((quantity) => chebyshevCoefficients(columns.map((column) => column[quantity]!)));
  return {
    coldest: kelvin(coldest),
    hottest: kelvin(hottest),
    at: (T) => {
      if (!(T >= coldest && T <= hottest)) throw new OutOfRange('temperature', T, coldest, hottest, 'K');
      const x = (2 * (variable(T) - low)) / (high - low) - 1;
      const [pBubble, pDew, rhoLiquid, rhoVapour] = series.map((coefficients) => Math.exp(clenshaw(coefficients, x)));
      // the series are of these quantities, in this order
      return { pBubble: pBubble as Pascal, pDew: pDew as Pascal, rhoLiquid: rhoLiquid as Density, rhoVapour: rhoVapour as Density };
    },
  };
}

function endOf(line: (T: number) => unknown, beyond: number): number {
  try {
    line(beyond);
    return beyond;
  } catch (error) {
    if (error instanceof NoTwoPhaseState) return error.highestT;
    throw error;
  }
}

const nodes = () => Array.from({ length: NODES }, (_, k) => Math.cos((Math.PI * (k + 0.5)) / NODES));

function chebyshevCoefficients(values: readonly number[]): readonly number[] {
  return values.map((_, j) => {
    const sum = values.reduce((total, value, k) => total + value * Math.cos((Math.PI * j * (k + 0.5)) / NODES), 0);
    return ((j === 0 ? 1 : 2) * sum) / NODES;
  });
}

/** Σ c_j T_j(x) */
function clenshaw(c: readonly number[], x: number): number {
  let [b1, b2] = [0, 0];
  for (let j = c.length - 1; j > 0; j--) [b1, b2] = [2 * x * b1 - b2 + c[j]!, b1];
  return x * b1 - b2 + c[0]!;
}
