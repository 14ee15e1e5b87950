import type { Part, Port, Valve } from './part';

/**
 * One part as installed; of several alike, such as the indoor units of a multi-split, each has a number; the piece of pipe between two
 * barriers is named by the second of them.
 */
export type ComponentId = Part | `${Part}-${number}` | `before-${ValveId}`;
export interface Component {
  readonly id: ComponentId;
  readonly part: Part;
}

/** One hand valve as installed: the branches of a multi-split have one each. */
export type ValveId = Valve | `${Valve}-${number}`;

/** What may keep refrigerant from passing between two components that are joined. */
export type Barrier =
  | { readonly kind: 'hand-valve'; readonly valve: Valve; readonly id: ValveId }
  /** Shut while its coil has no power. */
  | { readonly kind: 'solenoid' }
  /** Passes slowly both ways; nothing where it is stuck shut. */
  | { readonly kind: 'metering' }
  /** A metering device with a check valve round it: free along the flow. */
  | { readonly kind: 'check' }
  /** The compressor: its own valves keep back what is above them, for a while. */
  | { readonly kind: 'compressor' };

/** Two components that are joined, in the direction of the flow in cooling. */
export interface Link {
  readonly from: ComponentId;
  readonly to: ComponentId;
  readonly barrier?: Barrier;
}

/** A circuit as a graph: what holds refrigerant, how it is joined, and where hoses go on. */
export interface Circuit {
  readonly components: readonly Component[];
  readonly links: readonly Link[];
  readonly ports: readonly { readonly port: Port; readonly at: ComponentId }[];
  /** Which of one port's sides nobody knows. */
  readonly portSideUnknown: boolean;
  /** Components with water on their other side. */
  readonly water: readonly ComponentId[];
}

export const valvesOf = ({ links }: Circuit): readonly Extract<Barrier, { kind: 'hand-valve' }>[] =>
  links.flatMap(({ barrier }) => (barrier?.kind === 'hand-valve' ? [barrier] : []));

export const hasPart = ({ components }: Circuit, part: Part): boolean => components.some((component) => component.part === part);

export const componentsOf = ({ components }: Circuit, part: Part): readonly ComponentId[] =>
  components.filter((component) => component.part === part).map(({ id }) => id);
