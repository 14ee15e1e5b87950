import { kelvin, pascal, type Kelvin, type Pascal } from '../units/quantity';
import { within } from '../units/quantity';

/** J/(mol K), exact since 2019. */
export const GAS_CONSTANT = 8.31446261815324;
/** kg/mol. */
export const NITROGEN_MOLAR_MASS = 0.0280134;
/** Where the virial series holds its accuracy: -30 to 70 °C, up to 60 bar. */
const [COLDEST, WARMEST, MOST] = [243.15, 343.15, 6e6];

/** cm³/mol and cm⁶/mol², t in °C. */
const virials = (t: number) => ({ B: -10.295 + 0.23486 * t - 0.000785 * t * t, C: 1482.4 - 3.064 * t + 0.0147 * t * t });

/**
 * Compressibility of nitrogen, two virial coefficients fitted to the equation of Span et al. 2000 (from memory): within 6e-5 of it from -5 to
 * 50 °C up to 550 psig. @param p absolute, Pa @throws OutOfRange beyond -30 to 70 °C or 60 bar
 */
export function compressibility(T: Kelvin, p: Pascal): number {
  within('temperature of the nitrogen', T, COLDEST, WARMEST, 'K');
  within('pressure of the nitrogen', p, 0, MOST, 'Pa');
  const { B, C } = virials(T - 273.15);
  const ideal = (p / (GAS_CONSTANT * T)) * 1e-6; // mol/cm³
  let rho = ideal;
  for (let k = 0; k < 8; k++) rho = ideal / (1 + B * rho + C * rho * rho);
  return ideal / rho;
}

/** kg/m³ */
export const nitrogenDensity = (T: Kelvin, p: Pascal): number => (p * NITROGEN_MOLAR_MASS) / (compressibility(T, p) * GAS_CONSTANT * T);

/** ln of the amount in a closed volume, but for a constant: what falls when it leaks, and stays when it only gets colder. */
export const lnAmount = (T: Kelvin, p: Pascal): number => Math.log(p / (compressibility(T, p) * T));

/** d ln p / d ln T of a closed volume: 1 of an ideal gas, 1.027 at 150 psig, 1.07 at 400. */
export function pressureByTemperature(T: Kelvin, p: Pascal): number {
  const step = 0.5;
  const at = (value: number) => lnAmount(kelvin(value), p);
  const byT = (at(T + step) - at(T - step)) / (2 * step);
  const byP = (lnAmount(T, pascal(p * 1.001)) - lnAmount(T, pascal(p * 0.999))) / 0.002;
  return (-byT * T) / byP;
}

/** The pressure to which a closed amount comes at another temperature, Pa. */
export function carriedTo(p: Pascal, from: Kelvin, to: Kelvin): Pascal {
  const amount = lnAmount(from, p);
  let carried = (p * to) / from;
  for (let k = 0; k < 20; k++) carried *= Math.exp(amount - lnAmount(to, pascal(carried)));
  return pascal(carried);
}
