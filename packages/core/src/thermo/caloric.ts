import type { IdealPart } from '../fluids/substance';
import type { Phase } from './phase';

/** τ α⁰_τ of the ideal part without its logarithm of density. */
function idealTauDerivative({ a2, c, power, planckEinstein }: IdealPart, tau: number): number {
  let sum = a2 * tau + c;
  power?.n.forEach((n, i) => (sum += n * power.t[i]! * tau ** power.t[i]!));
  planckEinstein?.n.forEach((n, i) => {
    const t = planckEinstein.t[i]! * tau;
    sum += (n * t) / Math.expm1(t);
  });
  return sum;
}

/**
 * Specific enthalpy of an evaluated phase, J/kg, each substance counted from the zero of its own equation: differences have meaning.
 * h = u + p/ρ, with the ideal parts of the substances at their own reducing temperature and gas constant.
 */
export function enthalpy(phase: Phase): number {
  const { model, T, rho } = phase;
  const { substances } = model;
  const ideal = substances.reduce((sum, s, i) => sum + rho[i]! * s.gasConstant * T * idealTauDerivative(s.eos.ideal, s.reducing.T / T), 0);
  const residual = -model.R * T * phase.TS_T; // u^r per volume: R T · τ S_τ
  const mass = substances.reduce((sum, { molarMass }, i) => sum + rho[i]! * molarMass, 0);
  return (ideal + residual + phase.p) / mass;
}
