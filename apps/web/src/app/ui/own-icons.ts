/** What the icon set has no drawing for: the two things this trade is about, in its line and on its grid. */
export const cylinderIcon = [
  ['path', { d: 'M7 11a5 4 0 0 1 10 0v8a2.5 2.5 0 0 1-2.5 2.5h-5A2.5 2.5 0 0 1 7 19z' }],
  ['path', { d: 'M10 7V3.5h4V7' }],
  ['path', { d: 'M7 15h10' }],
] as const;

export const systemIcon = [
  ['path', { d: 'M2 8h5M2 16h5M17 8h5M17 16h5' }],
  ['path', { d: 'M7 6l10 12V6L7 18z' }],
] as const;
