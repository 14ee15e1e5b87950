import type { Barrier, Circuit, ComponentId, Link, ValveId } from './circuit';

/** How the barriers of a circuit stand. What is not told here is as it is when nobody has touched it. */
export interface Positions {
  /** Hand valves that are shut. */
  readonly shut: ReadonlySet<ValveId>;
  /** Of those, the ones that hold for sure. */
  readonly holds: ReadonlySet<ValveId>;
  /** Whether the coil of a solenoid valve is held open. */
  readonly solenoidHeld: boolean;
  readonly meteringStuckShut: boolean;
  /** Whether the valves of a standing compressor count as keeping back what is above them. */
  readonly compressorKeepsBack: boolean;
}

type Direction = 'along' | 'against';
type Passes = (barrier: Barrier | undefined, direction: Direction) => boolean;

/**
 * Where refrigerant may get to from these components. Whatever is doubtful passes: only a hand valve that is shut and holds keeps it back,
 * and the compressor where it is told to.
 */
export const mayReach = (circuit: Circuit, from: Iterable<ComponentId>, positions: Positions): ReadonlySet<ComponentId> =>
  reach(circuit.links, from, (barrier, direction) => {
    if (barrier?.kind === 'hand-valve') return !(positions.shut.has(barrier.id) && positions.holds.has(barrier.id));
    if (barrier?.kind === 'compressor') return direction === 'along' || !positions.compressorKeepsBack;
    return true;
  });

/** What is surely emptied from these components: whatever is doubtful does not pass. */
export const surelyEmptiedFrom = (circuit: Circuit, from: Iterable<ComponentId>, positions: Positions): ReadonlySet<ComponentId> =>
  // content that comes along the flow is met by walking against it
  reach(circuit.links, from, surelyPasses(positions, 'against'));

/** Where liquid that expands in these components can surely go. */
export const surelyExpandsTo = (circuit: Circuit, from: Iterable<ComponentId>, positions: Positions): ReadonlySet<ComponentId> =>
  reach(circuit.links, from, surelyPasses(positions, 'along'));

/** @param free the direction in which a walk past a check valve goes with what flows */
const surelyPasses =
  ({ shut, solenoidHeld, meteringStuckShut }: Positions, free: Direction): Passes =>
  (barrier, direction) => {
    switch (barrier?.kind) {
      case undefined:
        return true;
      case 'hand-valve':
        return !shut.has(barrier.id);
      case 'solenoid':
        return solenoidHeld;
      case 'metering':
        return !meteringStuckShut;
      case 'check':
        return direction === free;
      case 'compressor':
        return false;
      default:
        return barrier satisfies never;
    }
  };

/** Everything that can be got to, walking each link along its flow and against it as far as it passes. */
function reach(links: readonly Link[], from: Iterable<ComponentId>, passes: Passes): ReadonlySet<ComponentId> {
  const found = new Set(from);
  const next = [...found];
  for (let at = next.pop(); at !== undefined; at = next.pop())
    for (const { from: above, to: below, barrier } of links) {
      const other = at === above && passes(barrier, 'along') ? below : at === below && passes(barrier, 'against') ? above : undefined;
      if (other === undefined || found.has(other)) continue;
      found.add(other);
      next.push(other);
    }
  return found;
}
