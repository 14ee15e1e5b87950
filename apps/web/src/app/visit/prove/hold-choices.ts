/** What a hold is set up with, as a person chooses it. */
export const GAUGE_STEPS = [
  { value: '0.1', label: '0.1 psi' },
  { value: '0.5', label: '0.5 psi' },
  { value: '1', label: '1 psi' },
  { value: '5', label: '5 psi, a dial' },
];
export const THERMOMETERS = [
  { value: 'pipe', label: 'pipe clamp and air' },
  { value: 'air', label: 'air alone' },
];
export const FILLED_SINCE = [
  { value: '0', label: 'just now' },
  { value: '10', label: '10 minutes ago' },
  { value: '30', label: 'half an hour ago' },
  { value: '60', label: 'an hour ago, or longer' },
];
export const OILS = [
  { value: 'no', label: 'none' },
  { value: 'yes', label: 'in the volume under test' },
];
export const BEFORE = [
  { value: 'evacuated', label: 'evacuated and swept' },
  { value: 'not', label: 'not evacuated' },
];
/** Leaks to be excluded, share of the nitrogen an hour. */
export const LIMITS = [
  { value: '0.03', label: '3 % per hour' },
  { value: '0.01', label: '1 % per hour' },
  { value: '0.002', label: '0.2 % per hour' },
  { value: '0.0005', label: '0.05 % per hour' },
];
/** What is excluded where nobody chooses otherwise: of the list of limits. */
export const USUAL_LIMIT = { watched: '0.01', left: '0.0005' } as const;
