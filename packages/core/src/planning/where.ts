import { parts, staysUnderCharge, type Part } from '../circuit/part';
import { kindOf, type SystemKind } from '../circuit/system-kind';
import type { Method } from './method';

/** What a part of the circuit holds, for a drawing. */
export type Holds = 'liquid' | 'vapour' | 'both' | 'nearly-empty';

const LIQUID_PARTS: readonly Part[] = ['condenser', 'receiver'];

/** Where the refrigerant sits while the system rests: somewhere of both. */
export const whereAtRest = (kind: SystemKind): ReadonlyMap<Part, Holds> => new Map(kindOf(kind).parts.map((part) => [part, 'both']));

const RUNNING: Readonly<Partial<Record<Part, Holds>>> = {
  compressor: 'vapour',
  'reversing-valve': 'vapour',
  'discharge-line': 'vapour',
  condenser: 'both',
  receiver: 'both',
  drier: 'liquid',
  'liquid-line': 'liquid',
  metering: 'both',
  evaporator: 'both',
  accumulator: 'vapour',
  'suction-line': 'vapour',
};

/** Where it is while the system runs as it should. */
export const whereRunning = (kind: SystemKind): ReadonlyMap<Part, Holds> =>
  new Map(kindOf(kind).parts.map((part) => [part, RUNNING[part] ?? 'both']));

/** Where it sits when the method is through, before anything is opened. */
export function whereAfter(method: Method, kind: SystemKind): ReadonlyMap<Part, Holds> {
  const into = method === 'pump-down-receiver' ? 'receiver' : method.startsWith('pump-down') ? 'condenser' : undefined;
  const of = (part: Part): Holds => {
    if (into === undefined || !staysUnderCharge(part, into)) return 'nearly-empty';
    return LIQUID_PARTS.includes(part) ? 'liquid' : 'vapour';
  };
  return new Map(parts.filter((part) => kindOf(kind).parts.includes(part)).map((part) => [part, of(part)]));
}
