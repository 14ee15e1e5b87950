import type { Circuit, ComponentId } from '@hygromet/core/circuit/circuit';
import { partOf } from '@hygromet/core/circuit/circuit-of';
import { exchangerOf } from '@hygromet/core/circuit/exchanger';
import type { Purpose, Thing } from '@hygromet/core/circuit/opened';
import { valves, type FittedState, type Part, type Port, type Valve, type ValveState } from '@hygromet/core/circuit/part';
import type { Ports } from '@hygromet/core/circuit/system-kind';
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
  'outdoor-metering': 'Outdoor metering device',
  'head-pressure-valve': 'Head pressure valve',
  receiver: 'Receiver',
  drier: 'Drier',
  'sight-glass': 'Sight glass',
  'liquid-line': 'Liquid line',
  solenoid: 'Solenoid valve',
  metering: 'Metering device',
  evaporator: 'Evaporator',
  'suction-line': 'Suction line',
  accumulator: 'Accumulator',
};

export const valveNames: Record<Valve, string> = {
  'discharge-service': 'Discharge service valve',
  'receiver-inlet': 'Receiver inlet valve',
  king: 'King valve',
  'liquid-service': 'Liquid service valve',
  'branch-liquid': 'Branch liquid valve',
  'branch-gas': 'Branch gas valve',
  'suction-service': 'Suction service valve',
};

export const servicePortNames: Record<Port, string> = { 'liquid-port': 'Liquid port', 'suction-port': 'Suction port' };

const numberOf = (id: string): string => /-(\d+)$/.exec(id)?.[1] ?? '';
const withNumber = (name: string, id: string): string => (numberOf(id) === '' ? name : `${name} ${numberOf(id)}`);

/** A part as installed, such as "Evaporator 2". */
export const componentName = (id: ComponentId): string =>
  id.startsWith('before-')
    ? `Pipe before the ${valveIdName(id.slice('before-'.length)).toLowerCase()}`
    : withNumber(partNames[partOf(id)], id);

const exchangerNames = { barrel: 'Barrel', coaxial: 'Coaxial exchanger', 'water-cooled': 'Water condenser' } as const;

/** A component as this circuit has it: an exchanger with water on its other side is called what it is. */
export function nameIn(circuit: Circuit, id: ComponentId): string {
  const exchanger = exchangerOf(circuit, id);
  return exchanger === 'coil' ? componentName(id) : withNumber(exchangerNames[exchanger], id);
}

/** A valve as installed, such as "Branch liquid valve 2". */
export function valveIdName(id: string): string {
  const valve = valves.find((name) => id === name || id.startsWith(`${name}-`));
  return valve === undefined ? id : withNumber(valveNames[valve], id);
}

/** Anything of a circuit that can fail or leak; what is on record of an earlier make-up keeps its name. */
export function thingName(thing: Thing): string {
  const [from, to] = thing.split('>') as [ComponentId, ComponentId?]; // a joint is named by what it joins
  if (to !== undefined) return `${componentName(from)} to ${componentName(to).toLowerCase()}`;
  if (thing === 'liquid-port' || thing === 'suction-port') return servicePortNames[thing];
  return valves.some((name) => thing === name || thing.startsWith(`${name}-`)) ? valveIdName(thing) : componentName(from);
}

export const purposeNames: Record<Purpose, string> = {
  repair: 'repair',
  'find-leak': 'find a leak',
  'replace-outdoor': 'replace the outdoor unit',
  'replace-indoor': 'replace the indoor unit',
  'replace-both': 'replace both units',
  remove: 'remove the system',
  'change-refrigerant': 'change the refrigerant',
};

export const valveStateNames: Record<ValveState, string> = {
  holds: 'holds',
  leaks: 'leaks',
  unproved: 'not verified',
  none: 'there is none',
};

export const fittedNames: Record<FittedState, string> = { fitted: 'fitted', none: 'there is none' };

export const compressorNames: Record<CompressorType, string> = {
  scroll: 'Scroll',
  reciprocating: 'Reciprocating',
  rotary: 'Rotary',
  screw: 'Screw',
  centrifugal: 'Centrifugal',
};

export const portNames: Record<Ports, string> = {
  both: 'liquid and suction side',
  suction: 'suction side only',
  liquid: 'liquid side only',
  one: 'one, side not known',
  none: 'none',
};

/** What a safety class means at the unit; the codes of the place say the rest. */
export const flammableWords: Readonly<Record<string, string>> = {
  A2L: 'A2L, mildly flammable: no ignition source, ventilate, machine, hoses and cylinder rated for it, sweep with nitrogen before any flame.',
  A2: 'A2, flammable: no ignition source, ventilate, machine, hoses and cylinder rated for it, cut joints instead of unbrazing them.',
  A3: 'A3, highly flammable: no ignition source within reach, ventilate, a detector on, everything rated for it, cut joints instead of unbrazing them.',
  B2L: 'B2L, toxic and mildly flammable: breathing protection ready, no ignition source, ventilate, everything rated for it.',
};
