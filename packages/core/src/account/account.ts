import { within } from '../units/quantity';
import {
  explanationCodes,
  minutesOf,
  NONE_PRIOR,
  sizeOf,
  type DecidingCheck,
  type ExplanationCode,
  type Known,
  type Size,
} from './explanation';

/** One term of an account: a mass and its standard deviation, kg. */
export interface Term {
  readonly term: string;
  readonly kg: number;
  readonly sigmaKg: number;
}

export interface Terms {
  /** What should have been in it: plate, line set beyond it, what the ledger put in or took out. */
  readonly expected: readonly Term[];
  /** What came out, by the scale. */
  readonly recovered: readonly Term[];
  /** What is still there and can be computed: vapour at the end, oil, hoses, machine. */
  readonly residual: readonly Term[];
}

export interface Explanation {
  readonly code: ExplanationCode;
  /** What it likely amounts to, kg: above 0 missing, below 0 too much. */
  readonly kg: number;
  readonly probability: number;
  readonly decidedBy: DecidingCheck;
}

export interface Account {
  /** Expected less recovered less residual, kg: above 0 it is missing. */
  readonly differenceKg: number;
  readonly sigmaKg: number;
  /** Whether the errors of the terms alone may be the difference. */
  readonly withinErrors: boolean;
  readonly explanations: readonly Explanation[];
  /** The cheapest check that decides something, of those that may; nothing where there is nothing to decide. */
  readonly nextCheck: DecidingCheck | null;
}

/** Sigmas of the terms' errors within which nothing has to be explained. */
const EXPLAINED = 1.645;
/** Below this an explanation is not worth a check. */
const WORTH_A_CHECK = 0.1;

/**
 * The account of a visit: the difference with its error, and what may explain it. Explanations are weighed by their likelihood, alone and in
 * pairs, with the errors of the terms; several may be true, and their probabilities do not sum to one.
 * @throws OutOfRange, NotANumber
 */
export function accountOf(terms: Terms, known: Known = {}): Account {
  const [expected, recovered, residual] = [terms.expected, terms.recovered, terms.residual].map(summed) as [Sum, Sum, Sum];
  within('expected mass', expected.kg, Number.MIN_VALUE, 1e6, 'kg');
  const differenceKg = expected.kg - recovered.kg - residual.kg;
  const sigmaKg = Math.max(1e-6, Math.sqrt(expected.variance + recovered.variance + residual.variance));
  const explanations = weighed(
    differenceKg,
    sigmaKg,
    explanationCodes.map((code) => [code, sizeOf(code, expected.kg, recovered.kg, known)]),
  );
  const worth = explanations.filter(
    ({ probability, decidedBy }) => probability > WORTH_A_CHECK && known.checked?.[decidedBy] === undefined,
  );
  const [next] = worth.map(({ decidedBy }) => decidedBy).sort((a, b) => minutesOf(a) - minutesOf(b));
  return {
    differenceKg,
    sigmaKg,
    withinErrors: Math.abs(differenceKg) <= EXPLAINED * sigmaKg,
    explanations,
    nextCheck: next ?? null,
  };
}

interface Sum {
  readonly kg: number;
  readonly variance: number;
}

const summed = (terms: readonly Term[]): Sum => ({
  kg: terms.reduce((sum, { kg, term }) => sum + within(`mass of ${term}`, kg, -1e6, 1e6, 'kg'), 0),
  variance: terms.reduce((sum, { sigmaKg, term }) => sum + within(`error of ${term}`, sigmaKg, 0, 1e6, 'kg') ** 2, 0),
});

type Sized = readonly [ExplanationCode, Size];

/** The posterior of every explanation, over none, one and pairs of them. */
function weighed(difference: number, sigma: number, all: readonly Sized[]): readonly Explanation[] {
  const odds = all.map(([, { prior }]) => prior / (1 + prior));
  const cases: { readonly of: readonly number[]; readonly weight: number; readonly kg: readonly number[] }[] = [
    { of: [], weight: NONE_PRIOR * density(difference, 0, sigma), kg: [] },
  ];
  for (const [i, [, one]] of all.entries()) {
    const alone = slab(difference, sigma, one);
    cases.push({ of: [i], weight: odds[i]! * alone.evidence, kg: [alone.kg] });
    for (const [j, [, other]] of all.entries()) {
      if (j <= i) continue;
      const both = slabs(difference, sigma, one, other);
      cases.push({ of: [i, j], weight: 0.5 * odds[i]! * odds[j]! * both.evidence, kg: both.kg });
    }
  }
  const total = cases.reduce((sum, { weight }) => sum + weight, 0);
  return all
    .map(([code, { decidedBy }], k): Explanation => {
      let [probability, kg] = [0, 0];
      for (const { of, weight, kg: sizes } of cases) {
        const at = of.indexOf(k);
        if (at === -1 || total === 0) continue;
        probability += weight / total;
        kg += (weight / total) * sizes[at]!;
      }
      return { code, kg: probability > 0 ? kg / probability : 0, probability, decidedBy };
    })
    .filter(({ probability }) => probability > 0.005)
    .sort((a, b) => b.probability - a.probability);
}

const density = (x: number, mean: number, sd: number) => Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));

/** Points at which a size is weighed, in its scales. */
const POINTS = Array.from({ length: 41 }, (_, k) => -4 + 0.2 * k);

/** Sizes and their weights by the prior of an explanation, kg; missing counts above 0. */
function sizes({ sign, scale }: Size): readonly (readonly [number, number])[] {
  const kept = POINTS.filter((x) => (sign === 'missing' ? x > 0 : sign === 'surplus' ? x < 0 : true));
  const raw = kept.map((x) => [x * scale, Math.exp(-0.5 * x * x)] as const);
  const total = raw.reduce((sum, [, weight]) => sum + weight, 0);
  return raw.map(([kg, weight]) => [kg, weight / total] as const);
}

function slab(difference: number, sigma: number, size: Size) {
  // a wide error smooths the points; a narrow one is never narrower than they lie apart
  const width = Math.hypot(sigma, 0.12 * size.scale);
  let [evidence, kg] = [0, 0];
  for (const [own, weight] of sizes(size)) {
    const part = weight * density(difference, own, width);
    evidence += part;
    kg += part * own;
  }
  return { evidence, kg: evidence > 0 ? kg / evidence : 0 };
}

function slabs(difference: number, sigma: number, one: Size, other: Size) {
  let [evidence, first, second] = [0, 0, 0];
  const width = Math.hypot(sigma, 0.12 * Math.max(one.scale, other.scale));
  const others = sizes(other);
  for (const [a, wa] of sizes(one))
    for (const [b, wb] of others) {
      const part = wa * wb * density(difference, a + b, width);
      evidence += part;
      first += part * a;
      second += part * b;
    }
  return { evidence, kg: evidence > 0 ? [first / evidence, second / evidence] : [0, 0] };
}
