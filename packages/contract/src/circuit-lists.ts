/** What a circuit can be and have. Without the schema library, so that a page can offer the lists. */
export const systemKinds = [
  'split',
  'heat-pump',
  'packaged',
  'multi-split',
  'walk-in',
  'rack',
  'chiller',
  'geothermal',
  'appliance',
  'vehicle',
] as const;

export const valveStates = ['holds', 'leaks', 'unproved', 'none'] as const;
export const compressorTypes = ['scroll', 'reciprocating', 'rotary', 'screw', 'centrifugal'] as const;
export const tubes = ['1/4', '3/8', '1/2', '5/8', '3/4', '7/8', '1-1/8', '1-3/8', '1-5/8', '2-1/8'] as const;
