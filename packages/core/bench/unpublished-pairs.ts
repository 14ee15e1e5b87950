/// <reference types="node" />
/**
 * How far off a mixture is whose pair nobody has published: every published pair is left out in turn, replaced by the linear rule, or by
 * a rule fitted to one boiling point, and its bubble point is compared with the published one. Prints the figures of
 * `src/fluids/unpublished-pairs.json`. Run: npx tsx packages/core/bench/unpublished-pairs.ts
 */
import pairs from '../src/fluids/pairs.json';
import { molarOf } from '../src/fluids/composition';
import { findSubstance, type Substance } from '../src/fluids/substance';
import { CoreError } from '../src/errors';
import { solveEquilibrium, type Equilibrium } from '../src/thermo/equilibrium';
import { findRoot } from '../src/thermo/find-root';
import { compileMixture, type MixtureModel } from '../src/thermo/mixture-model';
import { massDensity } from '../src/thermo/phase';
import { startAt } from '../src/thermo/saturation';
import { workspaceOf } from '../src/thermo/workspace';

/** What nobody meets in one cylinder with ordinary refrigerants, or what the rule is known to fail for altogether. */
const ODD = 'R-717 R-744 R-23 R-116 R-170 R-218 R-601 R-601a R-718 R-728 R-732 R-740 R-50 R-1150 R-13 R-14 R-41 R-764 R-E170'.split(' ');
const SHARES = [0.3, 0.5, 0.7];
const [FITTED_AT, JUDGED_AT] = [233.15, [298.15, 328.15]] as const;

interface State {
  readonly p: number;
  readonly rho: number;
}

function bubble(model: MixtureModel, x: readonly number[], T: number): State | undefined {
  const equilibrium: Equilibrium = { ...workspaceOf(model), x, parentIs: 'liquid' };
  if (!solveEquilibrium(equilibrium, startAt(equilibrium, T), { kind: 'T' })) return undefined;
  return { p: equilibrium.incipient.p, rho: massDensity(equilibrium.parent) };
}

/** The pair by the linear combining rule, its temperature parameter times `factor`. */
function ruled(published: MixtureModel, i: Substance, j: Substance, factor: number): MixtureModel {
  const cT = (i.reducing.T + j.reducing.T) * factor;
  const cV = 1 / i.reducing.rhoMolar + 1 / j.reducing.rhoMolar;
  return { ...published, departures: [], reducingPairs: [{ i: 0, j: 1, cT, bT: 1, cV, bV: 1 }] };
}

function fittedFactor(published: MixtureModel, i: Substance, j: Substance, x: readonly number[]): number | undefined {
  const true_ = bubble(published, x, FITTED_AT);
  if (true_ === undefined) return undefined;
  const off = (factor: number) => Math.log((bubble(ruled(published, i, j, factor), x, FITTED_AT)?.p ?? Number.NaN) / true_.p);
  const [low, high] = off(1) < 0 ? [0.85, 1] : [1, 1.15];
  const factor = findRoot(off, low, high, 1e-8);
  return Math.abs(off(factor)) < 1e-4 ? factor : undefined;
}

const off = { linear: [] as { p: number; rho: number; T: number }[], fitted: [] as { p: number; rho: number; T: number }[] };
for (const pair of pairs) {
  if (pair.source === undefined || ODD.includes(pair.i) || ODD.includes(pair.j)) continue;
  const [i, j] = [findSubstance(pair.i)!, findSubstance(pair.j)!];
  const published = compileMixture([i, j]);
  for (const share of SHARES) {
    const x = molarOf({ [pair.i]: share, [pair.j]: 1 - share }).moleFraction;
    const factor = fittedFactor(published, i, j, x);
    for (const T of JUDGED_AT) {
      try {
        const known = bubble(published, x, T);
        if (known === undefined) continue;
        for (const [how, of] of [
          ['linear', 1],
          ['fitted', factor],
        ] as const) {
          const guessed = of === undefined ? undefined : bubble(ruled(published, i, j, of), x, T);
          if (guessed !== undefined) off[how].push({ p: guessed.p / known.p - 1, rho: guessed.rho / known.rho - 1, T });
        }
      } catch (error) {
        if (!(error instanceof CoreError)) throw error;
      }
    }
  }
}

const quantile = (values: readonly number[], share: number) => [...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))]!;
for (const how of ['linear', 'fitted'] as const)
  for (const T of JUDGED_AT) {
    const at = off[how].filter((entry) => entry.T === T);
    const p = at.map((entry) => entry.p);
    console.log(how, `${T} K`, `${at.length} states`, {
      median: quantile(p.map(Math.abs), 0.5).toFixed(3),
      nineOfTen: quantile(p.map(Math.abs), 0.9).toFixed(3),
      worstTooLow: Math.min(...p).toFixed(3),
      densityTooHigh: Math.max(...at.map(({ rho }) => rho)).toFixed(3),
    });
  }
