import type { IdealPart } from '../fluids/substance';
import { massDensity, type Phase } from './phase';

/** α⁰ without ln δ, and its derivatives τ α⁰_τ and τ² α⁰_ττ. */
function idealPart({ a1, a2, c, power, planckEinstein }: IdealPart, tau: number): readonly [number, number, number] {
  let [value, first, second] = [a1 + a2 * tau + c * Math.log(tau), a2 * tau + c, -c];
  power?.n.forEach((n, i) => {
    const t = power.t[i]!;
    const term = n * tau ** t;
    value += term;
    first += t * term;
    second += t * (t - 1) * term;
  });
  planckEinstein?.n.forEach((n, i) => {
    const theta = planckEinstein.t[i]! * tau;
    const e = Math.expm1(theta);
    value += n * Math.log(-Math.expm1(-theta));
    first += (n * theta) / e;
    second -= (n * theta * theta * (e + 1)) / (e * e);
  });
  return [value, first, second];
}

/** Per mass: energies and enthalpy J/kg, entropy and heat capacities J/(kg K), speed of sound m/s. */
export interface Caloric {
  readonly internalEnergy: number;
  readonly enthalpy: number;
  readonly entropy: number;
  readonly cv: number;
  readonly cp: number;
  readonly speedOfSound: number;
}

/**
 * Caloric properties of an evaluated phase. Energies and entropies count from the zeros of the substances' own equations: differences
 * at one composition have meaning. The ideal part of a substance has its own reducing temperature and gas constant.
 */
export function caloric(phase: Phase): Caloric {
  const { model, T, rho, rhoTotal } = phase;
  const mass = massDensity(phase);
  let [u, s, cv] = [0, 0, 0]; // per volume
  model.substances.forEach(({ gasConstant, reducing, eos }, i) => {
    const [value, first, second] = idealPart(eos.ideal, reducing.T / T);
    const amount = rho[i]! * gasConstant;
    u += amount * T * first;
    s += amount * (first - value - Math.log(rho[i]! / reducing.rhoMolar));
    cv -= amount * second;
  });
  u -= model.R * T * phase.TS_T; // u^r = −R T · T S_T
  s -= model.R * (phase.S + phase.TS_T); // s^r = −∂(R T S)/∂T
  cv -= model.R * (2 * phase.TS_T + phase.TTS_TT); // c_v^r = −T ∂²(R T S)/∂T²
  const stiffness = phase.dpdrhoTotal();
  const cp = cv + (T * phase.dpdT ** 2) / (rhoTotal * stiffness);
  return {
    internalEnergy: u / mass,
    enthalpy: (u + phase.p) / mass,
    entropy: s / mass,
    cv: cv / mass,
    cp: cp / mass,
    speedOfSound: Math.sqrt(((cp / cv) * stiffness * rhoTotal) / mass),
  };
}

export const enthalpy = (phase: Phase): number => caloric(phase).enthalpy;
