/** What a hold is set up with, as a person chooses it. */
export const GAUGE_STEPS = [
  { value: '0.1', label: $localize`0.1 psi` },
  { value: '0.5', label: $localize`0.5 psi` },
  { value: '1', label: $localize`1 psi` },
  { value: '5', label: $localize`5 psi, a dial` },
];
export const THERMOMETERS = [
  { value: 'pipe', label: $localize`pipe clamp and air` },
  { value: 'air', label: $localize`air alone` },
];
export const FILLED_SINCE = [
  { value: '0', label: $localize`just now` },
  { value: '10', label: $localize`10 minutes ago` },
  { value: '30', label: $localize`half an hour ago` },
  { value: '60', label: $localize`an hour ago, or longer` },
];
export const OILS = [
  { value: 'no', label: $localize`none` },
  { value: 'yes', label: $localize`in the volume under test` },
];
export const BEFORE = [
  { value: 'evacuated', label: $localize`evacuated and swept` },
  { value: 'not', label: $localize`not evacuated` },
];
/** Leaks to be excluded, share of the nitrogen an hour. */
export const LIMITS = [
  { value: '0.03', label: $localize`3 % per hour` },
  { value: '0.01', label: $localize`1 % per hour` },
  { value: '0.002', label: $localize`0.2 % per hour` },
  { value: '0.0005', label: $localize`0.05 % per hour` },
];
/** What is excluded where nobody chooses otherwise: of the list of limits. */
export const USUAL_LIMIT = { watched: '0.01', left: '0.0005' } as const;
