import { cholesky, dot, normalBelow, solveLower } from './gaussian';
import priors from './rise-priors.json';
import { bins, median } from './trace';
import { PASCAL_PER_MICRON, waterVapourPressure } from './water';

/** One isolation: with the pump shut off, system and rig together; or the rig alone, the valve of the system shut as well. */
export interface RisePhase {
  readonly isolated: 'pump' | 'rig';
  readonly timeS: readonly number[];
  readonly micron: readonly number[];
}

export interface RiseMeta {
  readonly volumeLiter: number;
  readonly rigVolumeLiter: number;
  readonly gaugeResolutionMicron: number;
  readonly gaugeAccuracyShare: number;
  readonly coldestWallC: number;
  readonly compressorWithOil: boolean;
  /** What a nitrogen hold before it has left of a leak of the system, micron a minute. */
  readonly leakAtMost?: number | undefined;
}

export interface RiseResult {
  readonly leak: {
    /** Likely rise by a leak alone, micron a minute, system and rig together. */
    readonly micronPerMin: number;
    readonly interval90: readonly [number, number];
    /** That it is above what was asked. */
    readonly probability: number;
  };
  readonly release: { readonly probability: number };
  /** Where the leak is, once the rig was isolated by itself. */
  readonly place: 'system' | 'rig' | null;
  readonly verdict: 'leak' | 'no-leak' | 'cannot-tell';
}

const MOST_BINS = 36;
const MINUTE = 60;
/** Leaks that are weighed against each other, micron a minute; nothing is one of them. */
const RATES: readonly number[] = [0, ...Array.from({ length: 90 }, (_, k) => 0.05 * 1.115 ** k)];
/** How sure "leak" and "no leak" have to be. */
const [LEAK_SURE, NONE_SURE] = [0.99, 0.95];

/**
 * What an isolated vacuum says: whether there is a leak above `leakAbove`, and whether gas is being released. Two statements: no curve tells
 * moisture from oil. The evidence of all laws of release is summed, with amplitudes that cannot be negative; only the leak is the same in
 * every phase. @param leakAbove micron a minute
 */
export function judgeRise(meta: RiseMeta, phases: readonly RisePhase[], leakAbove: number): RiseResult {
  const usable = phases.map(onScale).filter(({ timeS }) => timeS.length >= 4);
  const together = usable.filter(({ isolated }) => isolated === 'pump');
  if (together.length === 0) return nothing;
  const faster = (meta.volumeLiter + meta.rigVolumeLiter) / meta.rigVolumeLiter;
  const rig = usable.filter(({ isolated }) => isolated === 'rig').map((phase) => evidenceOf(phase, meta, faster));
  const all = weighed(
    together.map((phase) => evidenceOf(phase, meta, 1)),
    rig,
    meta.leakAtMost,
  );
  const gain = 1 + 1.645 * meta.gaugeAccuracyShare;
  const [low, high] = [all.quantile(0.05) / gain, all.quantile(0.95) * gain];
  const probability = all.above(leakAbove);
  const release = { probability: all.release };
  const verdict = probability > LEAK_SURE ? 'leak' : 1 - probability > NONE_SURE ? 'no-leak' : 'cannot-tell';
  return {
    leak: { micronPerMin: all.quantile(0.5), interval90: [low, high], probability },
    release,
    place: rig.length === 0 || verdict === 'no-leak' ? null : all.inRig > 0.5 ? 'rig' : 'system',
    verdict,
  };
}

const nothing: RiseResult = {
  leak: { micronPerMin: 0, interval90: [0, Number.POSITIVE_INFINITY], probability: 0.5 },
  release: { probability: 0.5 },
  place: null,
  verdict: 'cannot-tell',
};

/** A gauge that shows the end of its range shows nothing. */
function onScale({ isolated, timeS, micron }: RisePhase): RisePhase {
  const kept = timeS.flatMap((_, k) => (micron[k]! > 0 && micron[k]! < priors.offScaleMicron ? [k] : []));
  return { isolated, timeS: kept.map((k) => timeS[k]!), micron: kept.map((k) => micron[k]!) };
}

/** ln of the evidence at each rate of `RATES`, without and with release of gas. */
interface Evidence {
  readonly still: readonly number[];
  readonly releasing: readonly number[];
}

/** @param faster how many times faster than system and rig together this phase rises by the same leak */
function evidenceOf({ timeS, micron }: RisePhase, meta: RiseMeta, faster: number): Evidence {
  const ranges = bins(timeS.length, MOST_BINS);
  const t = ranges.map(([from, to]) => median(timeS.slice(from, to)));
  const y = ranges.map(([from, to]) => median(micron.slice(from, to)));
  const count = ranges.map(([from, to]) => to - from);
  const white = whitening(t, y, count, meta);
  const seen = white.of(y);
  const slope = white.of(t.map((s) => (faster * s) / MINUTE));
  const [yy, ys, ss] = [dot(seen, seen), dot(seen, slope), dot(slope, slope)];
  const still = RATES.map((rate) => -0.5 * (yy - 2 * rate * ys + rate * rate * ss));
  const most = mostRelease(meta);
  const scales = priors.releaseScales.filter((scale) => scale <= most);
  const terms = shapesFor(t).map((shape) => {
    const current = white.of(shape);
    return { a: dot(current, current), gy: dot(current, seen), gs: dot(current, slope) };
  });
  const perTerm = -Math.log(terms.length * scales.length);
  const releasing = RATES.map((rate, k) => {
    const all: number[] = [];
    for (const { a, gy, gs } of terms) for (const scale of scales) all.push(lnHalfNormal(a, gy - rate * gs, scale));
    return still[k]! + perTerm + lnSum(all);
  });
  return { still, releasing };
}

/** ln of the integral over an amplitude that is half-normal with this scale: of exp(-(a A² - 2 b A)/2). */
function lnHalfNormal(a: number, b: number, scale: number): number {
  const variance = 1 / (a + 1 / (scale * scale));
  const mean = b * variance;
  const z = mean / Math.sqrt(variance);
  return Math.log((2 / scale) * Math.sqrt(variance)) + 0.5 * b * mean + lnNormalBelow(z);
}

/** Far below, by its asymptotic series. */
const lnNormalBelow = (z: number): number =>
  z > -6 ? Math.log(Math.max(1e-300, normalBelow(z))) : -0.5 * z * z - Math.log(-z * Math.sqrt(2 * Math.PI)) + Math.log1p(-1 / (z * z));

/** micron: no more can be released than water stands at on the coldest wall, and half as much again; oil gives what it likes. */
const mostRelease = ({ coldestWallC, compressorWithOil }: RiseMeta): number =>
  compressorWithOil
    ? Number.POSITIVE_INFINITY
    : Math.max(priors.releaseScales[0]!, (priors.waterShare * waterVapourPressure(coldestWallC + 273.15)) / PASCAL_PER_MICRON);

function shapesFor(t: readonly number[]): number[][] {
  const { share, slower } = priors.twoSites;
  return priors.laws.flatMap(({ law, beta, tau: taus }) =>
    taus.map((tau) => {
      const of = (s: number, value: number) => 1 - Math.exp(-((s / value) ** beta));
      return t.map((s) => (law === 'two-sites' ? share * of(s, tau) + (1 - share) * of(s, slower * tau) : of(s, tau)));
    }),
  );
}

/** Readings less what start and equalisation may be, in units of their noise. */
function whitening(t: readonly number[], y: readonly number[], count: readonly number[], { gaugeResolutionMicron }: RiseMeta) {
  const n = t.length;
  const { share, micron, modelShare, modelMemoryShare } = priors.noise;
  const rise = Math.max(0, median(y.slice(-3)) - median(y.slice(0, 3)));
  const memory = Math.max(60, modelMemoryShare * t[n - 1]!);
  const noise = new Float64Array(n * n);
  const wide = 1e5; // micron: where it starts nobody knows beforehand
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const step = stepAt(y[i]!, gaugeResolutionMicron);
      const apart = t[i]! - t[j]!;
      const equal = priors.equalisation.tau.reduce((sum, tau) => sum + Math.exp(-(t[i]! + t[j]!) / tau), 0);
      let value =
        wide * wide +
        priors.equalisation.sdMicron ** 2 * equal +
        (modelShare * rise) ** 2 * Math.exp(-apart / memory) +
        ((step * step) / 12) * Math.exp(-apart / 120) * 0.5;
      if (i === j) value += ((share * y[i]!) ** 2 + micron * micron + (step * step) / 24) / count[i]! ** 0.8 + 1e-6;
      noise[i * n + j] = noise[j * n + i] = value;
    }
  const l = cholesky(noise, n);
  return { of: (values: readonly number[]): Float64Array => solveLower(l, Float64Array.from(values)) };
}

const stepAt = (value: number, resolution: number): number => Math.max(resolution, value >= 10_000 ? 100 : value >= 1000 ? 10 : resolution);

interface Weighed {
  readonly quantile: (share: number) => number;
  readonly above: (rate: number) => number;
  readonly release: number;
  /** Of a leak: that it is in the rig. */
  readonly inRig: number;
}

/**
 * The posterior over leaks: what every phase says of one leak, each with its own release. A leak of the system leaves the rig alone flat; one
 * of the rig fills its small volume so many times faster.
 */
function weighed(together: readonly Evidence[], rig: readonly Evidence[], leakAtMost: number | undefined): Weighed {
  const { dry, leak, release, both } = priors.hypotheses;
  const density = priorOverRates();
  const alone = rig.map(byItself);
  const rigFlat = sumOf(alone, 0);
  const at = (k: number, place: 'system' | 'rig') => {
    const inRig = place === 'system' ? rigFlat : sumOf(alone, k);
    const excluded = place === 'system' && leakAtMost !== undefined && RATES[k]! > leakAtMost ? HOLD_IS_WRONG : 1;
    const prior = k === 0 ? 1 : 0.5 * density[k]! * excluded;
    const still = together.reduce((total, phase) => total + phase.still[k]!, inRig) + Math.log((k === 0 ? dry : leak) * prior);
    const releasing = together.reduce((total, phase) => total + phase.releasing[k]!, inRig) + Math.log((k === 0 ? release : both) * prior);
    return { still, releasing };
  };
  const system = RATES.map((_, k) => at(k, 'system'));
  const ofRig = rig.length === 0 ? [] : RATES.map((_, k) => at(k, 'rig')).map((entry, k) => (k === 0 ? NONE : entry));
  const every = [...system, ...ofRig];
  const total = lnSum(every.flatMap(({ still, releasing }) => [still, releasing]));
  const share = ({ still, releasing }: { still: number; releasing: number }) => Math.exp(still - total) + Math.exp(releasing - total);
  const weights = RATES.map((_, k) => share(system[k]!) + (ofRig[k] === undefined ? 0 : share(ofRig[k])));
  const leaking = weights.slice(1).reduce((sum, weight) => sum + weight, 0);
  return {
    release: every.reduce((sum, { releasing }) => sum + Math.exp(releasing - total), 0),
    inRig: ofRig.reduce((sum, entry) => sum + share(entry), 0) / Math.max(1e-12, leaking),
    above: (rate) => weights.reduce((sum, weight, k) => sum + (RATES[k]! > rate ? weight : 0), 0),
    quantile: (wanted) => {
      let passed = 0;
      const k = weights.findIndex((weight) => (passed += weight) >= wanted);
      return RATES[k === -1 ? RATES.length - 1 : k]!;
    },
  };
}

/** How often a hold that has excluded a leak is wrong: what `docs/proof.md` measures, rounded up. */
const HOLD_IS_WRONG = 0.01;
const NONE = { still: Number.NEGATIVE_INFINITY, releasing: Number.NEGATIVE_INFINITY };
/** The volumes of system and rig are known to some ten per cent: a leak of the rig is looked for among the rates beside it. */
const BESIDE = 2;

/** What a phase of the rig alone says of each leak, whether or not gas is released in it. */
function byItself({ still, releasing }: Evidence): readonly number[] {
  const { dry, release } = priors.hypotheses;
  const values = RATES.map((_, k) =>
    lnSum([still[k]! + Math.log(dry / (dry + release)), releasing[k]! + Math.log(release / (dry + release))]),
  );
  return values.map((_, k) => {
    if (k === 0) return values[0]!;
    const near = values.slice(Math.max(1, k - BESIDE), k + BESIDE + 1);
    return lnSum(near) - Math.log(near.length);
  });
}

const sumOf = (phases: readonly (readonly number[])[], k: number): number => phases.reduce((total, phase) => total + phase[k]!, 0);

/** A mixture of half-normals, as weights of the rates above nothing. */
function priorOverRates(): number[] {
  const raw = RATES.map((rate, k) => {
    if (k === 0) return 0;
    const width = rate * 0.115; // the rates are a geometric series
    return width * priors.leakScales.reduce((sum, scale) => sum + Math.exp(-0.5 * (rate / scale) ** 2) / scale, 0);
  });
  const total = raw.reduce((sum, value) => sum + value, 0);
  return raw.map((value) => value / total);
}

function lnSum(values: readonly number[]): number {
  let most = Number.NEGATIVE_INFINITY;
  for (const value of values) if (value > most) most = value;
  let sum = 0;
  for (const value of values) sum += Math.exp(value - most);
  return most + Math.log(sum);
}
