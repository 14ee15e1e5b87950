import type { Departure } from '../fluids/pair';
import type { ResidualGroup } from '../fluids/substance';
import { deltaForm, UNDAMPED, type Damping, type DeltaForm } from './delta-form';
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
  /** The distinct δ-forms, in the order in which the terms name them: one slot each. */
  readonly forms: readonly DeltaForm[];
  /** Where the plain terms n τ^t of each slot begin, and where the last ones end: they stand in the order of their slots. */
  readonly plainFrom: Int32Array;
  /** Plain terms: n, t n, t (t − 1) n, and t. */
  readonly plain0: Float64Array;
  readonly plain1: Float64Array;
  readonly plain2: Float64Array;
  readonly plainT: Float64Array;
  /** Terms with an exponential of τ. */
  readonly bells: readonly { readonly slot: number; readonly term: TauTerm }[];
  readonly nonAnalytic: readonly NonAnalyticTerm[];
}

/** As the data has them, before they are laid out. */
interface Listed {
  readonly form: readonly DeltaForm[];
  readonly term: readonly TauTerm[];
  readonly nonAnalytic: readonly NonAnalyticTerm[];
}

/** They depend on nothing but the data: made once for each substance and departure, whatever the mixtures it is in. */
const made = new WeakMap<object, ResidualTerms>();

function once(data: object, list: () => Listed): ResidualTerms {
  const known = made.get(data) ?? layOut(list());
  made.set(data, known);
  return known;
}

const isPlain = ({ m, bell }: TauTerm) => m === 0 && bell === undefined;

function layOut({ form, term, nonAnalytic }: Listed): ResidualTerms {
  const forms = [...new Set(form)];
  const slotted = term.map((t, i) => ({ slot: forms.indexOf(form[i]!), term: t }));
  const plain = slotted.filter((entry) => isPlain(entry.term)).sort((one, other) => one.slot - other.slot);
  const times = (factor: (t: number) => number) => Float64Array.from(plain, (entry) => factor(entry.term.t) * entry.term.n);
  return {
    forms,
    plainFrom: Int32Array.from({ length: forms.length + 1 }, (_, from) => plain.filter(({ slot }) => slot < from).length),
    plain0: times(() => 1),
    plain1: times((t) => t),
    plain2: times((t) => t * (t - 1)),
    plainT: Float64Array.from(plain, (entry) => entry.term.t),
    bells: slotted.filter((entry) => !isPlain(entry.term)),
    nonAnalytic,
  };
}

export const substanceTerms = (groups: readonly ResidualGroup[]): ResidualTerms =>
  once(groups, () => {
    const listed = groups.map(groupTerms);
    return {
      form: listed.flatMap(({ form }) => form),
      term: listed.flatMap(({ term }) => term),
      nonAnalytic: listed.flatMap(({ nonAnalytic }) => nonAnalytic),
    };
  });

function groupTerms(group: ResidualGroup): Listed {
  if (group.kind === 'nonAnalytic') return { form: [], term: [], nonAnalytic: nonAnalyticTerms(group) };
  const form = group.d.map((d, i) => deltaForm(d, dampingOf(group, i)));
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

export const departureTerms = (departure: Departure): ResidualTerms => once(departure, () => departureListed(departure));

function departureListed(departure: Departure): Listed {
  if (departure.kind === 'power') return groupTerms({ ...departure, kind: 'power' });
  const shapes = departure.n.map((_, i) => (i < departure.powerTerms ? { damping: UNDAMPED, scale: 1 } : gergDamping(departure, i)));
  return {
    form: departure.d.map((d, i) => deltaForm(d, shapes[i]!.damping)),
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
