/** Parts of a circuit in the order in which the refrigerant passes them in cooling, from the compressor round. */
export const parts = [
  'compressor',
  'discharge-line',
  'reversing-valve',
  'condenser',
  'outdoor-metering',
  'head-pressure-valve',
  'receiver',
  'drier',
  'sight-glass',
  'liquid-line',
  'solenoid',
  'metering',
  'evaporator',
  'suction-line',
  'accumulator',
] as const;
export type Part = (typeof parts)[number];

/** Parts that a system may have or not, whatever its kind: its record says so. */
export const optionalParts = [
  'outdoor-metering',
  'head-pressure-valve',
  'receiver',
  'drier',
  'sight-glass',
  'solenoid',
  'accumulator',
] as const satisfies readonly Part[];
export type OptionalPart = (typeof optionalParts)[number];

export const fittedStates = ['fitted', 'none'] as const;
export type FittedState = (typeof fittedStates)[number];

/** Valves that are shut by hand, in the order in which the refrigerant passes them; the record of a system says which exist. */
export const valves = [
  'discharge-service',
  'receiver-inlet',
  'king',
  'liquid-service',
  'branch-liquid',
  'branch-gas',
  'suction-service',
] as const;
export type Valve = (typeof valves)[number];

/** `none`: this system has no such valve. */
export const valveStates = ['holds', 'leaks', 'unproved', 'none'] as const;
export type ValveState = (typeof valveStates)[number];

/** Where a gauge or a hose is connected. */
export const portNames = ['liquid-port', 'suction-port'] as const;
export type Port = (typeof portNames)[number];
