const POINTS_IN = { inch: 72, mm: 72 / 25.4 } as const;

/** Two common label sizes, in points: the shipping label of the Americas, and a narrow roll. */
export const labelSizes = {
  '4 × 6 in': { width: 4 * POINTS_IN.inch, height: 6 * POINTS_IN.inch },
  '62 × 100 mm': { width: 62 * POINTS_IN.mm, height: 100 * POINTS_IN.mm },
} as const;
export type LabelSize = keyof typeof labelSizes;

export const labelSizeNames = Object.keys(labelSizes) as readonly LabelSize[]; // Object.keys forgets its literal keys
