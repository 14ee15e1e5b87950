import type { Composition } from '../fluids/composition';
import { NoConvergence } from '../errors';
import { phrase } from '../phrase';
import type { Kelvin, Pascal } from '../units/quantity';
import { mixtureLiquidGuess, vapourDensityGuess } from './ancillary';
import { modelOf } from './mixture-model';
import { Phase } from './phase';

const CONVERGED = 1e-12;
const MOST_STEPS = 100;
const LONGEST_STEP = 0.2;

/**
 * One phase at T and p: the dense root or the light one, told apart by where it is sought from. Above the critical temperature both
 * starts come to the same root.
 * @param p absolute pressure, Pa
 * @throws NoConvergence where that phase does not exist at T and p
 */
export function singlePhase(composition: Composition, T: Kelvin, p: Pascal, kind: 'liquid' | 'vapour'): Phase {
  const { model, moleFraction } = modelOf(composition);
  const phase = new Phase(model);
  const starts =
    kind === 'liquid'
      ? liquidStarts(mixtureLiquidGuess(model, moleFraction, T))
      : [vapourDensityGuess(model, moleFraction, p, T), p / (model.R * T)];
  for (const start of starts) if (solveDensity(phase, moleFraction, T, p, Math.log(start))) return phase;
  throw new NoConvergence(phrase`There is no ${kind} at ${{ temperatureK: T }} and ${{ pressurePa: p }}.`);
}

/** Compressed liquid is denser than at saturation; from too light a start the slope leads away. */
const liquidStarts = (saturated: number) => [1, 1.1, 1.2, 0.95, 1.3].map((share) => share * saturated);

/** Newton's method in ln ρ; false at an unstable density or without convergence. */
function solveDensity(phase: Phase, x: readonly number[], T: number, p: number, start: number): boolean {
  let lnRho = start;
  for (let iteration = 0; iteration < MOST_STEPS; iteration++) {
    phase.set(x, Math.exp(lnRho)).evaluate(T);
    const slope = phase.dpdrhoTotal() * phase.rhoTotal;
    if (!(slope > 0)) return false;
    const step = (phase.p - p) / slope;
    lnRho -= Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, step));
    if (Math.abs(step) < CONVERGED) return true;
  }
  return false;
}
