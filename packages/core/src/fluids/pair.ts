import departures from './departures.json';
import pairs from './pairs.json';
import type { Substance } from './substance';

/** Reducing parameters of a pair (GERG-2008 form), i first, and the name of its departure function with its factor. */
export interface Pair {
  readonly i: string;
  readonly j: string;
  readonly betaT: number;
  readonly gammaT: number;
  readonly betaV: number;
  readonly gammaV: number;
  readonly F?: number;
  readonly departure?: string;
  /** Key of the publication in `sources.json`; absent where nobody has published the pair. */
  readonly source?: string;
  /** How the parameters of an unpublished pair were found. */
  readonly estimated?: string;
}

export type Departure =
  | {
      readonly name: string;
      readonly source: string;
      readonly kind: 'power';
      readonly n: number[];
      readonly t: number[];
      readonly d: number[];
      readonly l: number[];
    }
  | {
      readonly name: string;
      readonly source: string;
      readonly kind: 'gerg';
      readonly n: number[];
      readonly t: number[];
      readonly d: number[];
      readonly eta: number[];
      readonly epsilon: number[];
      readonly beta: number[];
      readonly gamma: number[];
      readonly powerTerms: number;
    };

const keyOf = (i: string, j: string) => `${i} ${j}`;
// JSON has no literal types and no optional fields; `pair.test.ts` holds both shapes.
const pairByKey = new Map((pairs as unknown as readonly Pair[]).map((pair) => [keyOf(pair.i, pair.j), pair]));
const departureByName = new Map((departures as unknown as readonly Departure[]).map((departure) => [departure.name, departure]));

/**
 * Parameters of the pair in the order asked for; both betas invert when the published order is the other one.
 * A pair that nobody has published follows the linear rule (combining rule of GERG-2008, Kunz & Wagner 2012) and says `estimated`.
 */
export function pairOf(i: Substance, j: Substance): Pair {
  const published = pairByKey.get(keyOf(i.id, j.id));
  if (published !== undefined) return published;
  const swapped = pairByKey.get(keyOf(j.id, i.id));
  if (swapped !== undefined) return { ...swapped, i: i.id, j: j.id, betaT: 1 / swapped.betaT, betaV: 1 / swapped.betaV };
  return linearRule(i, j);
}

function linearRule(i: Substance, j: Substance): Pair {
  const vi = 1 / i.reducing.rhoMolar;
  const vj = 1 / j.reducing.rhoMolar;
  const gammaT = (i.reducing.T + j.reducing.T) / (2 * Math.sqrt(i.reducing.T * j.reducing.T));
  const gammaV = (4 * (vi + vj)) / (Math.cbrt(vi) + Math.cbrt(vj)) ** 3;
  return { i: i.id, j: j.id, betaT: 1, gammaT, betaV: 1, gammaV, estimated: 'linear combining rule' };
}

/** Whether a result that rests on this pair has to say so. */
export const isEstimated = (pair: Pair): boolean => pair.estimated !== undefined;

/** The departure function a pair names. A name that the data do not hold is a fault of the data, held by `pair.test.ts`. */
export function departureOf(pair: Pair): Departure | undefined {
  return pair.departure === undefined ? undefined : departureByName.get(pair.departure);
}
