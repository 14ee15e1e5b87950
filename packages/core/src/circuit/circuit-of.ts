import type { Barrier, Circuit, Component, ComponentId, Link } from './circuit';
import type { Part, Port, Valve } from './part';
import { kindOf, partsOf, valveStateOf, type CircuitRecord } from './system-kind';

/** What lies outdoors ahead of the liquid service valve. */
const BEFORE_LIQUID_VALVE: readonly Part[] = ['condenser', 'outdoor-metering', 'head-pressure-valve', 'receiver'];
/** What the loop runs through besides the branches: the bypass of the head pressure valve is a way of its own. */
const BRANCHES: readonly Part[] = ['metering', 'evaporator'];

/**
 * The circuit of a system as a graph, from its kind and its record. Common practice: the parts are joined in the order of the flow; a
 * reversing valve carries both vapor lines; a head pressure valve lets hot gas past the condenser into the receiver; each indoor unit is a
 * branch from the liquid line to the suction line.
 */
export function circuitOf(record: CircuitRecord): Circuit {
  const present = partsOf(record);
  const chain = present.filter((part) => !BRANCHES.includes(part));
  const suctionStart = chain.findIndex((part) => part === 'suction-line');
  const [high, low] = [chain.slice(0, suctionStart), chain.slice(suctionStart)];
  const hasValve = (valve: Valve): boolean => valveStateOf(valve, record) !== 'none';
  const links = [
    ...highLinks(high, hasValve),
    ...branchLinks(record, high.at(-1)!, low[0]!, hasValve), // a circuit has a liquid side and a suction line
    ...lowLinks(low, present.includes('reversing-valve'), kindOf(record.kind).suctionValve, hasValve),
    ...bypass(present),
  ];
  return {
    components: componentsIn(links),
    links,
    ...portsOf(record, links),
    water: present.filter(
      (part) => kindOf(record.kind).water.includes(part) || (part === 'condenser' && record.condenserCooling === 'water'),
    ),
  };
}

/** From the compressor to the end of the liquid side. */
function highLinks(high: readonly Part[], hasValve: (valve: Valve) => boolean): readonly Link[] {
  const lastOutdoors = high.findLastIndex((part) => BEFORE_LIQUID_VALVE.includes(part));
  return high.slice(0, -1).flatMap((from, k): readonly Link[] => {
    const to = high[k + 1]!;
    const found: Valve[] = [];
    if (from === 'compressor' && hasValve('discharge-service')) found.push('discharge-service');
    if (to === 'receiver' && hasValve('receiver-inlet')) found.push('receiver-inlet');
    if (from === 'receiver' && hasValve('king')) found.push('king');
    if (k === lastOutdoors && hasValve('liquid-service')) found.push('liquid-service');
    return joined(from, to, found, ofPart(from));
  });
}

/** What of a part keeps refrigerant back at its outlet. */
function ofPart(part: Part): Barrier | undefined {
  switch (part) {
    case 'compressor':
      return { kind: 'compressor' };
    case 'outdoor-metering':
      return { kind: 'check' };
    case 'solenoid':
      return { kind: 'solenoid' };
    case 'metering':
      return { kind: 'metering' };
    default:
      return undefined;
  }
}

/** The branches from the end of the liquid side through the indoor units to the suction line. */
function branchLinks(
  { kind, indoorUnits = 1 }: CircuitRecord,
  liquidEnd: Part,
  suctionStart: Part,
  hasValve: (valve: Valve) => boolean,
): readonly Link[] {
  const count = kind === 'multi-split' ? indoorUnits : 1;
  return Array.from({ length: count }, (_, k) => {
    const numbered = <T extends string>(name: T): T | `${T}-${number}` => (count === 1 ? name : `${name}-${k + 1}`);
    const [metering, evaporator] = [numbered('metering'), numbered('evaporator')];
    const valve = (name: Valve): Barrier | undefined =>
      hasValve(name) ? { kind: 'hand-valve', valve: name, id: numbered(name) } : undefined;
    return [
      ...series(liquidEnd, metering, [ofPart(liquidEnd), valve('branch-liquid')]),
      link(metering, evaporator, { kind: 'metering' }),
      link(evaporator, suctionStart, valve('branch-gas')),
    ];
  }).flat();
}

/** From the suction line back to the compressor, through the reversing valve where there is one. */
function lowLinks(
  low: readonly Part[],
  reversing: boolean,
  suctionValve: 'unit' | 'compressor',
  hasValve: (valve: Valve) => boolean,
): readonly Link[] {
  const way: readonly Part[] = [low[0]!, ...(reversing ? (['reversing-valve'] as const) : []), ...low.slice(1), 'compressor'];
  const at = suctionValve === 'unit' ? 0 : way.length - 2;
  return way
    .slice(0, -1)
    .flatMap((from, k) => joined(from, way[k + 1]!, k === at && hasValve('suction-service') ? ['suction-service'] : []));
}

/** Hot gas that passes the condenser. */
function bypass(present: readonly Part[]): readonly Link[] {
  if (!present.includes('head-pressure-valve')) return [];
  return [link(present.includes('discharge-line') ? 'discharge-line' : 'compressor', 'head-pressure-valve')];
}

const joined = (from: Part, to: Part, found: readonly Valve[], own?: Barrier): readonly Link[] =>
  series(from, to, [own, ...found.map((valve) => ({ kind: 'hand-valve', valve, id: valve }) as const)]);

/** Barriers one behind the other, with a piece of pipe before each hand valve that is not the first: shut, they trap what is in it. */
function series(from: ComponentId, to: ComponentId, found: readonly (Barrier | undefined)[]): readonly Link[] {
  const barriers = found.filter((barrier) => barrier !== undefined);
  if (barriers.length === 0) return [link(from, to)];
  const before = (k: number): ComponentId => {
    const barrier = barriers[k];
    if (k === 0) return from;
    return barrier?.kind === 'hand-valve' ? `before-${barrier.id}` : to;
  };
  return barriers.map((barrier, k) => link(before(k), before(k + 1), barrier));
}

const link = (from: ComponentId, to: ComponentId, barrier?: Barrier): Link => ({ from, to, ...(barrier === undefined ? {} : { barrier }) });

/** The kind of part that a component is. */
export function partOf(id: ComponentId): Part {
  if (id.startsWith('before-')) return id === 'before-discharge-service' ? 'discharge-line' : 'liquid-line';
  return id.replace(/-\d+$/, '') as Part; // an id is a part's name, with a number or without
}

function componentsIn(links: readonly Link[]): readonly Component[] {
  const ids = new Set(links.flatMap(({ from, to }) => [from, to]));
  return [...ids].map((id) => ({ id, part: partOf(id) }));
}

/** A service port sits at the valve it belongs to, on the side of the lines: common practice. */
function portsOf(record: CircuitRecord, links: readonly Link[]): Pick<Circuit, 'ports' | 'portSideUnknown'> {
  const known = record.ports ?? kindOf(record.kind).ports;
  const liquidLine = links.find(({ to }) => partOf(to) === 'liquid-line')?.to ?? 'condenser';
  const at: Readonly<Record<Port, ComponentId>> = { 'liquid-port': liquidLine, 'suction-port': 'suction-line' };
  const found: readonly Port[] =
    known === 'both' || known === 'one'
      ? ['liquid-port', 'suction-port']
      : known === 'none'
        ? []
        : [known === 'liquid' ? 'liquid-port' : 'suction-port'];
  return { ports: found.map((port) => ({ port, at: at[port] })), portSideUnknown: known === 'one' };
}
