import { parts, type Part, type Valve, type ValveState } from './part';
import { kindOf, type Ports, type SystemKind } from './system-kind';

/** A place that can leak: where two parts meet, the stem and cap of a valve, the core and cap of a port. */
export interface Joint {
  /** Stable, made of what it joins. */
  readonly id: string;
  readonly kind: 'joint' | 'valve' | 'port';
  readonly from: Part | Valve | 'liquid-port' | 'suction-port';
  readonly to?: Part | undefined;
}

/** How a joint was looked at. */
export const jointChecks = ['soap', 'detector', 'hold'] as const;
export type JointCheck = (typeof jointChecks)[number];
export const jointFindings = ['tight', 'leaks', 'repaired'] as const;
export type JointFinding = (typeof jointFindings)[number];

/**
 * The joints of a system, from its kind and its record, in the order in which the refrigerant passes them. Common practice: every part is
 * joined to the next, every valve has a stem under its cap, every port a core under its cap.
 */
export function jointsOf(
  kind: SystemKind,
  valves: Partial<Record<Valve, ValveState>> = {},
  ports: Ports = kindOf(kind).ports,
): readonly Joint[] {
  const values = parts.filter((part) => kindOf(kind).parts.includes(part));
  const joined = values.map((from, k): Joint => {
    const to = values[(k + 1) % values.length]!; // the last is joined to the first
    return { id: `${from}>${to}`, kind: 'joint', from, to };
  });
  const has = (valve: Valve) => (valves[valve] ?? (kindOf(kind).valves.includes(valve) ? 'unproved' : 'none')) !== 'none';
  const stems = (['liquid-service', 'suction-service', 'king'] as const)
    .filter(has)
    .map((valve): Joint => ({ id: valve, kind: 'valve', from: valve }));
  const cores = (['liquid-port', 'suction-port'] as const)
    .slice(0, ports === 'both' ? 2 : ports === 'one' ? 1 : 0)
    .map((port): Joint => ({ id: port, kind: 'port', from: port }));
  return [...joined, ...stems, ...cores];
}
