import type { Part, Valve, ValveState } from '@hygromet/core/circuit/part';
import type { CompressorType } from '@hygromet/core/planning/situation';
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
  unproved: 'nobody has tried it',
  none: 'there is none',
};

export const compressorNames: Record<CompressorType, string> = {
  scroll: 'Scroll',
  reciprocating: 'Reciprocating',
  rotary: 'Rotary',
  screw: 'Screw',
  centrifugal: 'Centrifugal',
};
