import type { Departure } from '../fluids/pair';
import type { ResidualGroup } from '../fluids/substance';
import { UNDAMPED, type Damping, type DeltaBasis } from './delta-basis';
import { nonAnalyticTerms, type NonAnalyticTerm } from './non-analytic';
import type { TauTerm } from './tau-terms';

/**
 * The terms of one residual function, ready to be summed: at fixed τ all terms of a δ-form add up to one coefficient.
 *
 *     power         n τ^t δ^d exp(−δ^l), no exponential where l = 0
 *     exponential   n τ^t δ^d exp(−g δ^l)
 *     powerWithTau  n τ^t δ^d exp(−δ^l) exp(−τ^m), each exponential absent where its exponent is 0
 *     gaussian      n τ^t δ^d exp(−η(δ−ε)² − β(τ−γ)²)
 *     gaoB          n τ^t δ^d exp(η(δ−ε)² + 1/(β(τ−γ)² + b))
 *     nonAnalytic   n Δ^b δ ψ
 *     gerg          n τ^t δ^d exp(−η(δ−ε)² − β(δ−γ)), the first `powerTerms` without the exponential
 */
export interface ResidualTerms {
  /** Index into the shared basis, for each term. */
  readonly form: readonly number[];
  readonly term: readonly TauTerm[];
  readonly nonAnalytic: readonly NonAnalyticTerm[];
}

export function substanceTerms(groups: readonly ResidualGroup[], basis: DeltaBasis): ResidualTerms {
  const compiled = groups.map((group) => groupTerms(group, basis));
  return {
    form: compiled.flatMap(({ form }) => form),
    term: compiled.flatMap(({ term }) => term),
    nonAnalytic: compiled.flatMap(({ nonAnalytic }) => nonAnalytic),
  };
}

function groupTerms(group: ResidualGroup, basis: DeltaBasis): ResidualTerms {
  if (group.kind === 'nonAnalytic') return { form: [], term: [], nonAnalytic: nonAnalyticTerms(group) };
  const form = group.d.map((d, i) => basis.add(d, dampingOf(group, i)));
  const term = group.n.map((n, i) => ({ n, t: group.t[i]!, ...tauPartOf(group, i) }));
  return { form, term, nonAnalytic: [] };
}

type FactoredGroup = Exclude<ResidualGroup, { kind: 'nonAnalytic' }>;

function dampingOf(group: FactoredGroup, i: number): Damping {
  switch (group.kind) {
    case 'power':
    case 'powerWithTau':
      return group.l[i] === 0 ? UNDAMPED : { ...UNDAMPED, g: 1, l: group.l[i]! };
    case 'exponential':
      return group.g[i] === 0 ? UNDAMPED : { ...UNDAMPED, g: group.g[i]!, l: group.l[i]! };
    case 'gaussian':
      return { ...UNDAMPED, eta: group.eta[i]!, epsilon: group.epsilon[i]! };
    case 'gaoB':
      return { ...UNDAMPED, eta: -group.eta[i]!, epsilon: group.epsilon[i]! };
    default:
      return group satisfies never;
  }
}

function tauPartOf(group: FactoredGroup, i: number): Pick<TauTerm, 'm' | 'bell'> {
  switch (group.kind) {
    case 'power':
    case 'exponential':
      return { m: 0 };
    case 'powerWithTau':
      return { m: group.m[i]! };
    case 'gaussian':
      return { m: 0, bell: { kind: 'gaussian', beta: group.beta[i]!, gamma: group.gamma[i]! } };
    case 'gaoB':
      return { m: 0, bell: { kind: 'gaoB', beta: group.beta[i]!, gamma: group.gamma[i]!, b: group.b[i]! } };
    default:
      return group satisfies never;
  }
}

export function departureTerms(departure: Departure, basis: DeltaBasis): ResidualTerms {
  if (departure.kind === 'power') return groupTerms({ ...departure, kind: 'power' }, basis);
  const shapes = departure.n.map((_, i) => (i < departure.powerTerms ? { damping: UNDAMPED, scale: 1 } : gergDamping(departure, i)));
  return {
    form: departure.d.map((d, i) => basis.add(d, shapes[i]!.damping)),
    term: departure.n.map((n, i) => ({ n: n * shapes[i]!.scale, t: departure.t[i]!, m: 0 })),
    nonAnalytic: [],
  };
}

/** −η(δ−ε)² − β(δ−γ) as one gaussian, completing the square, or as a plain exponential where η is 0. */
function gergDamping(departure: Extract<Departure, { kind: 'gerg' }>, i: number): { damping: Damping; scale: number } {
  const eta = departure.eta[i]!;
  const epsilon = departure.epsilon[i]!;
  const beta = departure.beta[i]!;
  const gamma = departure.gamma[i]!;
  if (eta === 0) return { damping: { ...UNDAMPED, g: beta, l: 1 }, scale: Math.exp(beta * gamma) };
  const centre = epsilon - beta / (2 * eta);
  return { damping: { ...UNDAMPED, eta, epsilon: centre }, scale: Math.exp(beta * gamma + eta * (centre * centre - epsilon * epsilon)) };
}
