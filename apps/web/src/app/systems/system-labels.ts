import type { Part, Valve, ValveState } from '@hygromet/core/circuit/part';
import type { CompressorType } from '@hygromet/core/planning/job-conditions';
import type { SystemKind } from '@hygromet/contract/system';

export const systemKindNames: Record<SystemKind, string> = {
  split: 'Split system',
  'heat-pump': 'Heat pump',
  packaged: 'Packaged unit',
  'multi-split': 'Multi-split',
  'walk-in': 'Walk-in with receiver',
  rack: 'Rack',
  chiller: 'Water chiller',
  geothermal: 'Geothermal',
  appliance: 'Sealed appliance',
  vehicle: 'Vehicle-mounted',
};

export const partNames: Record<Part, string> = {
  compressor: 'Compressor',
  'discharge-line': 'Discharge line',
  'reversing-valve': 'Reversing valve',
  condenser: 'Condenser',
  receiver: 'Receiver',
  drier: 'Drier',
  'liquid-line': 'Liquid line',
  metering: 'Metering device',
  evaporator: 'Evaporator',
  'suction-line': 'Suction line',
  accumulator: 'Accumulator',
};

export const valveNames: Record<Valve, string> = {
  'liquid-service': 'Liquid service valve',
  'suction-service': 'Suction service valve',
  king: 'King valve',
};

export const valveStateNames: Record<ValveState, string> = {
  holds: 'holds',
  leaks: 'leaks',
  unproved: 'not verified',
  none: 'there is none',
};

export const compressorNames: Record<CompressorType, string> = {
  scroll: 'Scroll',
  reciprocating: 'Reciprocating',
  rotary: 'Rotary',
  screw: 'Screw',
  centrifugal: 'Centrifugal',
};

export const portNames = { both: 'liquid and suction side', one: 'one', none: 'none' } as const;

/** What a safety class means at the unit; the codes of the place say the rest. */
export const flammableWords: Readonly<Record<string, string>> = {
  A2L: 'A2L, mildly flammable: no ignition source, ventilate, machine, hoses and cylinder rated for it, sweep with nitrogen before any flame.',
  A2: 'A2, flammable: no ignition source, ventilate, machine, hoses and cylinder rated for it, cut joints instead of unbrazing them.',
  A3: 'A3, highly flammable: no ignition source within reach, ventilate, a detector on, everything rated for it, cut joints instead of unbrazing them.',
  B2L: 'B2L, toxic and mildly flammable: breathing protection ready, no ignition source, ventilate, everything rated for it.',
};
