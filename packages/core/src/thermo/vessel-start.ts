import type { Composition } from '../fluids/composition';
import { lnPressureGuess, mixtureLiquidGuess, vapourDensityGuess } from './ancillary';
import { reducingTemperature } from './reducing';
import type { Saturation } from './saturation';
import type { Vessel } from './vessel-solver';

/** Two phases of a state that is known, as far as another one starts from it. */
interface KnownPhases {
  readonly liquid: Composition;
  readonly vapour: Composition;
  readonly rhoLiquid: number;
  readonly rhoVapour: number;
  readonly liquidVolumeFraction: number;
}

/** κ_i and the logit of β of a known state, in the order of its composition. */
export function startFrom({ liquid, vapour, rhoLiquid, rhoVapour, liquidVolumeFraction }: KnownPhases): Float64Array {
  const kappa = Object.keys(liquid).map((id) => Math.log((vapour[id]! * rhoVapour) / (liquid[id]! * rhoLiquid)));
  return Float64Array.from([...kappa, Math.log((1 - liquidVolumeFraction) / liquidVolumeFraction)]);
}

/** Shares of the liquid's density between which a blend is so surely two-phase that bubble and dew point need not be asked first. */
const SURELY_LIGHTER = 0.9;
const SURELY_DENSER = 1.4;

/** Starting values by Raoult's law and corresponding states; none for a pure fluid, near the ends, or near the critical point. */
export function estimatedStart({ liquid: { model }, x, molarMass, T }: Vessel, rho: number): Float64Array | undefined {
  if (x.length === 1 || T < model.minT || T > 0.93 * reducingTemperature(model, x)) return undefined;
  const pure = model.substances.map((substance) => Math.exp(lnPressureGuess(substance, T)));
  const bubble = pure.reduce((sum, p, i) => sum + x[i]! * p, 0);
  const dew = 1 / pure.reduce((sum, p, i) => sum + x[i]! / p, 0);
  const liquid = mixtureLiquidGuess(model, x, T);
  const vapour = vapourDensityGuess(model, x, bubble, T);
  const filling = rho / molarMass;
  if (filling > SURELY_LIGHTER * liquid || filling < SURELY_DENSER * vapour) return undefined;
  const beta = (liquid - filling) / (liquid - vapour);
  const p = bubble + ((beta * vapour) / filling) * (dew - bubble);
  return Float64Array.from([...pure.map((value) => Math.log((value / p) * (vapour / liquid))), Math.log(beta / (1 - beta))]);
}

/** Between bubble and dew point, by the share of the mass that is vapour. */
export function startBetween(bubble: Saturation, dew: Saturation, rho: number): Float64Array {
  const n = bubble.molar.liquid.length;
  const beta = (bubble.rhoLiquid - rho) / (bubble.rhoLiquid - dew.rhoVapour);
  const towardsDew = (beta * dew.rhoVapour) / rho;
  const u = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) u[i] = (1 - towardsDew) * lnKOf(bubble, i) + towardsDew * lnKOf(dew, i);
  u[n] = Math.log(beta / (1 - beta));
  return u;
}

export const lnKOf = ({ molar }: Saturation, i: number) => Math.log(molar.vapour[i]! / molar.liquid[i]!);
