import { valvesOf, type Circuit, type ComponentId, type ValveId } from './circuit';
import { mayReach, surelyEmptiedFrom, surelyExpandsTo, type Positions } from './passage';
import { partOf } from './circuit-of';
import type { Part, Valve, ValveState } from './part';

/** Where a pump-down puts the charge. */
export type PumpedInto = 'condenser' | 'receiver';

/** The valve that is shut first, by where the charge goes. */
export const FIRST_SHUT: Readonly<Record<PumpedInto, Valve>> = { condenser: 'liquid-service', receiver: 'king' };

export const idsOf = (circuit: Circuit, ...shut: readonly Valve[]): ReadonlySet<ValveId> =>
  new Set(valvesOf(circuit).flatMap(({ valve, id }) => (shut.includes(valve) ? [id] : [])));

/**
 * What stays under the charge after a pump-down: what the compressor pumps into as far as the valve that was shut, and wherever it may get
 * from there. A valve that is found to leak shuts nothing; one that nobody has tried counts as shut here, and is asked about by itself.
 * @param keepsBack whether the compressor's own valves are trusted where no suction valve is shut
 */
export function underCharge(
  circuit: Circuit,
  into: PumpedInto,
  states: Partial<Record<Valve, ValveState>>,
  keepsBack: boolean,
): ReadonlySet<ComponentId> {
  const shut = idsOf(circuit, FIRST_SHUT[into], 'suction-service');
  const holds = new Set(valvesOf(circuit).flatMap(({ valve, id }) => (shut.has(id) && states[valve] !== 'leaks' ? [id] : [])));
  const positions: Positions = { shut, holds, solenoidHeld: true, meteringStuckShut: false, compressorKeepsBack: keepsBack };
  const outlets = circuit.links.flatMap(({ barrier, to }) => (barrier?.kind === 'compressor' ? [to] : []));
  return new Set<ComponentId>(['compressor', ...mayReach(circuit, outlets, positions)]);
}

/** What a recovery through the ports empties for sure, with every hand valve open. Of one port of unknown side, only what both sides reach. */
export function surelyEmptied(circuit: Circuit, how: Pick<Positions, 'solenoidHeld' | 'meteringStuckShut'>): ReadonlySet<ComponentId> {
  const positions: Positions = { shut: new Set(), holds: new Set(), compressorKeepsBack: false, ...how };
  const from = circuit.ports.map(({ at }) => surelyEmptiedFrom(circuit, [at], positions));
  const all = circuit.components.map(({ id }) => id);
  return new Set(all.filter((id) => (circuit.portSideUnknown ? from.every((set) => set.has(id)) : from.some((set) => set.has(id)))));
}

/** Parts in which liquid has no vapor above it. */
const FULL_OF_LIQUID: readonly Part[] = ['drier', 'sight-glass', 'liquid-line', 'solenoid', 'metering'];

/** Pieces that would be shut off full of liquid, with nothing to relieve them: warmed, they burst. One list for each such piece. */
export function trappedLiquid(circuit: Circuit, shut: ReadonlySet<ValveId>, solenoidHeld: boolean): readonly (readonly ComponentId[])[] {
  // a metering device passes slowly: it relieves what is ahead of it
  const positions: Positions = { shut, holds: shut, solenoidHeld, meteringStuckShut: false, compressorKeepsBack: false };
  return split(circuit, (id) => surelyExpandsTo(circuit, [id], positions)).filter((piece) =>
    piece.every((id) => FULL_OF_LIQUID.includes(partOf(id))),
  );
}

/** A piece of the circuit that can be shut off from the rest, and the valves that do it. */
export interface Section {
  readonly components: readonly ComponentId[];
  readonly valves: readonly ValveId[];
  /** Whether a gauge can be put on it. */
  readonly hasPort: boolean;
}

/** What can be told apart with every hand valve shut that holds or that nobody has found leaking; one section where there is none. */
export function sectionsOf(circuit: Circuit, states: Partial<Record<Valve, ValveState>>): readonly Section[] {
  const hand = valvesOf(circuit).filter(({ valve }) => states[valve] !== 'leaks');
  const shut = new Set(hand.map(({ id }) => id));
  const positions: Positions = { shut, holds: shut, solenoidHeld: true, meteringStuckShut: false, compressorKeepsBack: false };
  return split(circuit, (id) => mayReach(circuit, [id], positions)).map((components) => ({
    components,
    valves: circuit.links.flatMap(({ from, to, barrier }) =>
      barrier?.kind === 'hand-valve' && shut.has(barrier.id) && components.includes(from) !== components.includes(to) ? [barrier.id] : [],
    ),
    hasPort: circuit.ports.some(({ at }) => components.includes(at)),
  }));
}

/** The components in groups, each with everything that belongs to its first. */
function split(circuit: Circuit, groupOf: (id: ComponentId) => ReadonlySet<ComponentId>): readonly (readonly ComponentId[])[] {
  const groups: (readonly ComponentId[])[] = [];
  const seen = new Set<ComponentId>();
  for (const { id } of circuit.components) {
    if (seen.has(id)) continue;
    const group = groupOf(id);
    for (const one of group) seen.add(one);
    groups.push(circuit.components.map((component) => component.id).filter((one) => group.has(one)));
  }
  return groups;
}
