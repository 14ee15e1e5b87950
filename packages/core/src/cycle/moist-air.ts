import { waterVapourPressure } from '../proof/water';

/** J/(kg K) of dry air, J/(kg K) of water vapour, J/kg of evaporation at 0 °C (ASHRAE Handbook, Fundamentals; from memory). */
const [CP_AIR, CP_VAPOUR, EVAPORATION] = [1006, 1860, 2_501_000];
const ZERO_C = 273.15;
/** Molar mass of water over that of air. */
const MASS_RATIO = 0.621945;
const GAS_CONSTANT_AIR = 287.042;

/** Per kilogram of dry air. */
export const humidityAt = (pVapour: number, p: number): number => (MASS_RATIO * pVapour) / (p - pVapour);
export const saturatedHumidity = (T: number, p: number): number => humidityAt(Math.min(waterVapourPressure(T), 0.9 * p), p);

/** J per kilogram of dry air; zero for dry air at 0 °C. */
export const airEnthalpy = (T: number, w: number): number => CP_AIR * (T - ZERO_C) + w * (EVAPORATION + CP_VAPOUR * (T - ZERO_C));
export const saturatedEnthalpy = (T: number, p: number): number => airEnthalpy(T, saturatedHumidity(T, p));
/** J/(kg K) of moist air. */
export const airHeatCapacity = (w: number): number => CP_AIR + CP_VAPOUR * w;

/** Humidity by dry and wet bulb, kg per kg of dry air. ASHRAE Handbook, Fundamentals (from memory). */
export function humidityOf(T: number, wetBulb: number, p: number): number {
  const [t, tw] = [T - ZERO_C, wetBulb - ZERO_C];
  const atWet = saturatedHumidity(wetBulb, p);
  return Math.max(0, ((2501 - 2.326 * tw) * atWet - 1.006 * (t - tw)) / (2501 + 1.86 * t - 4.186 * tw));
}

/** Wet bulb of air of this relative humidity, K. */
export function wetBulbOf(T: number, relative: number, p: number): number {
  const w = humidityAt(relative * waterVapourPressure(T), p);
  let [low, high] = [T - 40, T];
  for (let k = 0; k < 40; k++) {
    const middle = (low + high) / 2;
    if (humidityOf(T, middle, p) > w) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

/** Temperature of saturated air of this enthalpy, K. */
export function saturatedTemperature(h: number, p: number): number {
  let T = ZERO_C + 15;
  for (let k = 0; k < 12; k++) {
    const slope = (saturatedEnthalpy(T + 0.5, p) - saturatedEnthalpy(T - 0.5, p)) / 1;
    const step = (saturatedEnthalpy(T, p) - h) / slope;
    T -= Math.max(-15, Math.min(15, step));
    if (Math.abs(step) < 1e-9) break;
  }
  return T;
}

/** kg/m³ of dry air in moist air. */
export const dryAirDensity = (T: number, w: number, p: number): number => p / (GAS_CONSTANT_AIR * T * (1 + w / MASS_RATIO));
