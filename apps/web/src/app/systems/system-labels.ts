import type { Circuit, ComponentId } from '@hygromet/core/circuit/circuit';
import { partOf } from '@hygromet/core/circuit/circuit-of';
import { exchangerOf } from '@hygromet/core/circuit/exchanger';
import type { Purpose, Thing } from '@hygromet/core/circuit/opened';
import { valves, type FittedState, type Part, type Port, type Valve, type ValveState } from '@hygromet/core/circuit/part';
import type { CondenserCooling, Ports } from '@hygromet/core/circuit/system-kind';
import type { CompressorType } from '@hygromet/core/planning/job-conditions';
import type { SystemKind } from '@hygromet/contract/system';

export const systemKindNames: Record<SystemKind, string> = {
  split: $localize`Split system`,
  'heat-pump': $localize`Heat pump`,
  packaged: $localize`Packaged unit`,
  'multi-split': $localize`Multi-split`,
  'walk-in': $localize`Walk-in with receiver`,
  rack: $localize`Rack`,
  chiller: $localize`Water chiller`,
  geothermal: $localize`Geothermal`,
  appliance: $localize`Sealed appliance`,
  vehicle: $localize`Vehicle-mounted`,
};

export const partNames: Record<Part, string> = {
  compressor: $localize`Compressor`,
  'discharge-line': $localize`Discharge line`,
  'reversing-valve': $localize`Reversing valve`,
  condenser: $localize`Condenser`,
  'outdoor-metering': $localize`Outdoor metering device`,
  'head-pressure-valve': $localize`Head pressure valve`,
  receiver: $localize`Receiver`,
  drier: $localize`Drier`,
  'sight-glass': $localize`Sight glass`,
  'liquid-line': $localize`Liquid line`,
  solenoid: $localize`Solenoid valve`,
  metering: $localize`Metering device`,
  evaporator: $localize`Evaporator`,
  'suction-line': $localize`Suction line`,
  accumulator: $localize`Accumulator`,
};

export const valveNames: Record<Valve, string> = {
  'discharge-service': $localize`Discharge service valve`,
  'receiver-inlet': $localize`Receiver inlet valve`,
  king: $localize`King valve`,
  'liquid-service': $localize`Liquid service valve`,
  'branch-liquid': $localize`Branch liquid valve`,
  'branch-gas': $localize`Branch gas valve`,
  'suction-service': $localize`Suction service valve`,
};

export const servicePortNames: Record<Port, string> = { 'liquid-port': $localize`Liquid port`, 'suction-port': $localize`Suction port` };

const numberOf = (id: string): string => /-(\d+)$/.exec(id)?.[1] ?? '';
const withNumber = (name: string, id: string): string => (numberOf(id) === '' ? name : `${name} ${numberOf(id)}`);

/** A part as installed, such as "Evaporator 2". */
export const componentName = (id: ComponentId): string =>
  id.startsWith('before-')
    ? $localize`Pipe before the ${valveIdName(id.slice('before-'.length)).toLowerCase()}`
    : withNumber(partNames[partOf(id)], id);

const exchangerNames = {
  barrel: $localize`Barrel`,
  coaxial: $localize`Coaxial exchanger`,
  'water-cooled': $localize`Water condenser`,
} as const;

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
  if (to !== undefined) return $localize`${componentName(from)} to ${componentName(to).toLowerCase()}`;
  if (thing === 'liquid-port' || thing === 'suction-port') return servicePortNames[thing];
  return valves.some((name) => thing === name || thing.startsWith(`${name}-`)) ? valveIdName(thing) : componentName(from);
}

export const purposeNames: Record<Purpose, string> = {
  repair: $localize`repair`,
  'find-leak': $localize`find a leak`,
  'replace-outdoor': $localize`replace the outdoor unit`,
  'replace-indoor': $localize`replace the indoor unit`,
  'replace-both': $localize`replace both units`,
  remove: $localize`remove the system`,
  'change-refrigerant': $localize`change the refrigerant`,
};

export const valveStateNames: Record<ValveState, string> = {
  holds: $localize`holds`,
  leaks: $localize`leaks`,
  unproved: $localize`not verified`,
  none: $localize`there is none`,
};

export const fittedNames: Record<FittedState, string> = { fitted: $localize`fitted`, none: $localize`there is none` };

export const compressorNames: Record<CompressorType, string> = {
  scroll: $localize`Scroll`,
  reciprocating: $localize`Reciprocating`,
  rotary: $localize`Rotary`,
  screw: $localize`Screw`,
  centrifugal: $localize`Centrifugal`,
};

export const portNames: Record<Ports, string> = {
  both: $localize`liquid and suction side`,
  suction: $localize`suction side only`,
  liquid: $localize`liquid side only`,
  one: $localize`one, side not known`,
  none: $localize`none`,
};

export const cooledByNames: Record<CondenserCooling, string> = { air: $localize`air-cooled`, water: $localize`water-cooled` };

/** What a safety class means at the unit; the codes of the place say the rest. */
export const flammableWords: Readonly<Record<string, string>> = {
  A2L: $localize`A2L, mildly flammable: no ignition source, ventilate, machine, hoses and cylinder rated for it, sweep with nitrogen before any flame.`,
  A2: $localize`A2, flammable: no ignition source, ventilate, machine, hoses and cylinder rated for it, cut joints instead of unbrazing them.`,
  A3: $localize`A3, highly flammable: no ignition source within reach, ventilate, a detector on, everything rated for it, cut joints instead of unbrazing them.`,
  B2L: $localize`B2L, toxic and mildly flammable: breathing protection ready, no ignition source, ventilate, everything rated for it.`,
};
