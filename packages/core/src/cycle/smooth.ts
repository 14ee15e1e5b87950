/** max(x, 0) with its corner rounded over about `width`: a solver needs a slope everywhere. */
export const softPlus = (x: number, width: number): number => {
  const t = x / width;
  return t > 30 ? x : t < -30 ? 0 : width * Math.log1p(Math.exp(t));
};
export const softMost = (x: number, most: number, width: number): number => most - softPlus(most - x, width);
export const softMax = (a: number, b: number, width: number): number => b + softPlus(a - b, width);
