import { componentsOf, valvesOf, type Circuit, type ComponentId, type ValveId } from './circuit';
import { partOf } from './circuit-of';
import { parts, portNames, valves, type Part, type Port } from './part';
import { FIRST_SHUT, type PumpedInto } from './sections';

/** What a visit is for. `repair` opens what has failed; the others open what they replace or take away. */
export const purposes = [
  'repair',
  'find-leak',
  'replace-outdoor',
  'replace-indoor',
  'replace-both',
  'remove',
  'change-refrigerant',
] as const;
export type Purpose = (typeof purposes)[number];

/** A joint is named by the two components that it joins. */
export type JointId = `${string}>${string}`;
/** Anything of a circuit that can fail. */
export type Thing = ComponentId | ValveId | Port | JointId;

/** What will be open to the air. `unknown` until what has failed is found; `everything` where nothing may stay in it. */
export type Opened = readonly ComponentId[] | 'unknown' | 'everything';

/** The condensing unit of a split system: what stands outdoors, as far as its service valves. */
const OUTDOORS: readonly Part[] = [
  'compressor',
  'discharge-line',
  'reversing-valve',
  'condenser',
  'outdoor-metering',
  'head-pressure-valve',
  'receiver',
];
const INDOORS: readonly Part[] = ['metering', 'evaporator'];

/** Whether the unit that keeps the charge is carried away with it: then only what is outside its valves is cut. */
export const carriesChargeAway = (purpose: Purpose): boolean =>
  purpose === 'replace-outdoor' || purpose === 'replace-both' || purpose === 'remove';

/**
 * What is open to the air when the charge stays in the condenser or the receiver, or when all of it was recovered.
 * @param failed nothing where nobody has found it
 * @param kept where it stays
 */
export function openedBy(circuit: Circuit, purpose: Purpose, failed: Thing | undefined, kept: PumpedInto | undefined): Opened {
  switch (purpose) {
    case 'repair':
    case 'find-leak':
      return failed === undefined ? 'unknown' : openedWith(circuit, failed);
    case 'replace-indoor':
      return ofParts(circuit, INDOORS);
    case 'replace-outdoor':
      return kept === undefined ? [...ofParts(circuit, OUTDOORS), ...cutAtTheUnit(circuit, 'condenser')] : cutAtTheUnit(circuit, kept);
    case 'replace-both':
    case 'remove':
      return kept === undefined ? 'everything' : [...new Set([...cutAtTheUnit(circuit, kept), ...ofParts(circuit, INDOORS)])];
    case 'change-refrigerant':
      return 'everything';
    default:
      return purpose satisfies never;
  }
}

const ofParts = (circuit: Circuit, parts: readonly Part[]): readonly ComponentId[] => parts.flatMap((part) => componentsOf(circuit, part));

/** The lines are cut on their side of the service valves, where there are any. */
function cutAtTheUnit(circuit: Circuit, kept: PumpedInto): readonly ComponentId[] {
  const [liquid, suction] = ([FIRST_SHUT[kept], 'suction-service'] as const).map((valve) =>
    circuit.links.find(({ barrier }) => barrier?.kind === 'hand-valve' && barrier.valve === valve),
  );
  return liquid === undefined || suction === undefined ? circuit.components.map(({ id }) => id) : [liquid.to, suction.from];
}

/** What stands open when this thing is taken out: of a valve or a joint both sides, of a core what it sits on. */
function openedWith(circuit: Circuit, thing: Thing): readonly ComponentId[] | 'unknown' {
  const component = circuit.components.find(({ id }) => id === thing);
  if (component !== undefined) return [component.id];
  const ends = circuit.links.find(
    ({ from, to, barrier }) => thing === `${from}>${to}` || (barrier?.kind === 'hand-valve' && barrier.id === thing),
  );
  if (ends !== undefined) return [ends.from, ends.to];
  // a port that this record does not name sits where such a port usually does
  const port = circuit.ports.find((one) => one.port === thing)?.at ?? (thing === 'suction-port' ? 'suction-line' : undefined);
  if (port !== undefined) return [port];
  // a part of many of which one was not told: any of them
  const alike = circuit.components.filter(({ id }) => partOf(id) === thing).map(({ id }) => id);
  return alike.length > 0 ? alike : 'unknown';
}

/** Everything of this circuit that can fail, in the order of the flow: components, joints between them, valves, and the cores of its ports. */
export function thingsOf(circuit: Circuit): readonly Thing[] {
  return [
    ...circuit.components.map(({ id }) => id).filter((id) => !id.startsWith('before-')),
    ...valvesOf(circuit).map(({ id }) => id),
    ...circuit.ports.map(({ port }) => port),
    ...circuit.links.map(({ from, to }): JointId => `${from}>${to}`),
  ];
}

export type ThingSort = 'part' | 'valve' | 'port' | 'joint';

export function sortOf(thing: Thing): ThingSort {
  if (thing.includes('>')) return 'joint';
  if (portNames.some((port) => port === thing)) return 'port';
  return new RegExp(`^${VALVE}$`).test(thing) ? 'valve' : 'part';
}

const oneOf = (names: readonly string[]): string => `(?:${names.join('|')})`;
const VALVE = `${oneOf(valves)}(?:-\\d{1,2})?`;
const COMPONENT = `(?:${oneOf(parts)}(?:-\\d{1,2})?|before-${VALVE})`;
/** What names a thing that a circuit may have. */
export const THING = new RegExp(`^(?:${COMPONENT}(?:>${COMPONENT})?|${VALVE}|${oneOf(portNames)})$`);
