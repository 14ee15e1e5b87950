const CRITICAL_T = 647.096;
const CRITICAL_P = 22.064e6;
const TRIPLE_T = 273.16;
const TRIPLE_P = 611.657;

/** Pa per micron of mercury. */
export const PASCAL_PER_MICRON = 0.133322387415;

/**
 * Vapour pressure of water, or of ice below its triple point, Pa. Sources: Wagner and Pruss 2002 for the liquid; Wagner, Riethmann, Feistel
 * and Harvey 2011 for ice; both from memory, check against the current text. @param T K, 190 to 647
 */
export function waterVapourPressure(T: number): number {
  if (T < TRIPLE_T) {
    const theta = T / TRIPLE_T;
    const ln = Math.log(theta);
    const sum = -21.2144006 * Math.exp(0.00333333333 * ln) + 27.3203819 * Math.exp(1.20666667 * ln) - 6.1059813 * Math.exp(1.70333333 * ln);
    return TRIPLE_P * Math.exp(sum / theta);
  }
  // v^1.5, v³ and so on as products of v and its root: a running check asks for this hundreds of thousands of times
  const v = 1 - T / CRITICAL_T;
  const root = Math.sqrt(v);
  const cube = v * v * v;
  const sum =
    -7.85951783 * v + 1.84408259 * v * root + cube * (-11.7866497 + 22.6807411 * root - 15.9618719 * v + 1.80122502 * cube * v * root);
  return CRITICAL_P * Math.exp((CRITICAL_T / T) * sum);
}

/** K at which water or ice has this vapour pressure: what is colder still holds some. @param p Pa, 1 to 100 kPa */
export function frostPoint(p: number): number {
  let [low, high] = [190, 373.15];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    if (waterVapourPressure(middle) > p) high = middle;
    else low = middle;
  }
  return low;
}
