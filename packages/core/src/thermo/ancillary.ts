import type { Ancillary, Substance } from '../fluids/substance';
import type { MixtureModel } from './mixture-model';
import { reducingTemperature } from './reducing';

/** Starting values only: nothing that leaves the core rests on them. */
function ancillaryAt({ form, times, Tr, reducing, n, t }: Ancillary, T: number): number {
  const lnTheta = Math.log(1 - T / Tr);
  let sum = 0;
  for (let i = 0; i < n.length; i++) sum += n[i]! * Math.exp(t[i]! * lnTheta);
  return form === 'linear' ? reducing * (1 + sum) : reducing * Math.exp((times === 'Tr/T' ? Tr / T : 1) * sum);
}

/** ln of the saturation pressure (Pa); beyond the fit's range along Wilson's slope, 5.373 (1 + ω) T_c/T. */
export function lnPressureGuess(substance: Substance, T: number): number {
  const { p } = substance.ancillary;
  const inside = insideFit(p, T);
  return Math.log(ancillaryAt(p, inside)) - 5.373 * (1 + substance.acentric) * substance.critical.T * (1 / T - 1 / inside);
}

const insideFit = (fit: Ancillary, T: number) => Math.min(Math.max(T, fit.Tmin), fit.Tmax - 0.01);

/** Density of the liquid, mol/m³, at the nearest temperature of the fit. */
const liquidGuess = ({ ancillary }: Substance, T: number) => ancillaryAt(ancillary.rhoLiquid, insideFit(ancillary.rhoLiquid, T));

/** Density of a mixture's liquid, mol/m³: the components' volumes at the same T/T_red (corresponding states). */
export function mixtureLiquidGuess(model: MixtureModel, x: ArrayLike<number>, T: number): number {
  if (model.substances.length === 1) return liquidGuess(model.substances[0]!, T);
  const reduced = Math.min(T / reducingTemperature(model, x), 0.98);
  let volume = 0;
  for (let i = 0; i < model.substances.length; i++)
    volume += x[i]! / liquidGuess(model.substances[i]!, reduced * model.substances[i]!.critical.T);
  return 1 / volume;
}

/** Compressibility of a saturated vapour over its reduced pressure: 0.85 at 0.16, 0.66 at 0.5, 0.5 at 0.9, as fluids in general. */
const compressibility = (reducedP: number) => 1 - 0.53 * Math.min(1, reducedP) ** 0.62;

/** ln of the fugacity (Pa) of a pure liquid at its saturation, to some per cent: ln φ is about Z − 1. */
export function lnFugacityGuess(substance: Substance, T: number): number {
  const lnP = lnPressureGuess(substance, T);
  return lnP + compressibility(Math.exp(lnP) / substance.critical.p) - 1;
}

/** Density of a saturated vapour, mol/m³: p/(Z R T). Rather too low than too high: denser ones may fall into a loop of the isotherm. */
export function vapourDensityGuess(model: MixtureModel, x: ArrayLike<number>, p: number, T: number): number {
  const criticalP = model.substances.reduce((sum, { critical }, i) => sum + x[i]! * critical.p, 0);
  return p / (compressibility(p / criticalP) * model.R * T);
}
