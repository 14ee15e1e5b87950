/** Parts of a circuit in the order in which the refrigerant passes them, from the compressor round. */
export const parts = [
  'compressor',
  'discharge-line',
  'reversing-valve',
  'condenser',
  'receiver',
  'drier',
  'liquid-line',
  'metering',
  'evaporator',
  'suction-line',
  'accumulator',
] as const;
export type Part = (typeof parts)[number];

/** Valves by which a part of the circuit is shut off; who writes the record of a system says which exist. */
export const valves = ['liquid-service', 'suction-service', 'king'] as const;
export type Valve = (typeof valves)[number];

/** `none`: this system has no such valve. */
export const valveStates = ['holds', 'leaks', 'unproved', 'none'] as const;
export type ValveState = (typeof valveStates)[number];

/** Parts that keep the charge when the system is pumped down behind this valve. */
const keepers: Readonly<Record<'condenser' | 'receiver', readonly Part[]>> = {
  // between the discharge of the compressor and the liquid service valve; the suction service valve shuts the rest
  condenser: ['compressor', 'discharge-line', 'reversing-valve', 'condenser', 'accumulator'],
  receiver: ['compressor', 'discharge-line', 'reversing-valve', 'condenser', 'receiver'],
};

/** Whether a part stays under the charge that was pumped into the condenser or the receiver: it cannot be opened then. */
export const staysUnderCharge = (part: Part, into: 'condenser' | 'receiver'): boolean => keepers[into].includes(part);
