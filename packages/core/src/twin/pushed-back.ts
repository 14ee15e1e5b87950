import { pascal, type Pascal } from '../units/quantity';
import type { Scenario } from './scenario';
import { simulate } from './simulate';
import type { Simulated } from './transfer-run';

/** How a charge goes into a standing system, before or while it does. Times in s from now. */
export interface PushedBack {
  /** By pressure alone: all of it, or until the pressures are equal. */
  readonly byItself: { readonly isEnough: boolean; readonly kg: number; readonly s: Span };
  /** What the recovery machine drives after that; nothing where it is not needed or there is none. */
  readonly byMachine:
    | {
        /** `empty`: the cylinder has given all it can, and it is not enough; `trips`: the machine's cut-out opens on the way. */
        readonly ends: 'enough' | 'empty' | 'trips';
        readonly kg: number;
        readonly s: Span;
        /** Pa absolute, the highest. */
        readonly head: Pascal;
      }
    | undefined;
}

/** With the hose as it is said, and with a core left in it. */
interface Span {
  readonly least: number;
  readonly most: number;
}

const EVERY_S = 5;

/** @param scenario of the method push-back @throws OutOfRange, the property core's errors */
export function pushedBack(scenario: Scenario): PushedBack {
  const [alone, slow] = spanned({ ...scenario, machine: null });
  const before = scenario.system.chargeKg;
  const byItself = {
    isEnough: alone.end.reason === 'stop-weight',
    kg: alone.end.leftKg - before,
    s: { least: alone.end.t, most: Math.max(alone.end.t, slow.end.t) },
  };
  if (byItself.isEnough || scenario.machine === null) return { byItself, byMachine: undefined };
  const [driven, slowly] = spanned(scenario);
  const after = ({ end, events }: Simulated) => end.t - (events.find(({ kind }) => kind === 'machine-on')?.t ?? 0);
  return {
    byItself,
    byMachine: {
      ends: endsOf(driven),
      kg: driven.end.leftKg - alone.end.leftKg,
      s: { least: after(driven), most: Math.max(after(driven), after(slowly)) },
      head: pascal(driven.samples.reduce((most, { headPa }) => Math.max(most, headPa), 0)),
    },
  };
}

const spanned = (scenario: Scenario): readonly [Simulated, Simulated] => [
  simulate(scenario, EVERY_S),
  simulate({ ...scenario, hoses: { ...scenario.hoses, cores: 'in' } }, EVERY_S),
];

function endsOf({ end, events }: Simulated): 'enough' | 'empty' | 'trips' {
  if (events.some(({ kind }) => kind === 'trip')) return 'trips';
  return end.reason === 'stop-weight' ? 'enough' : 'empty';
}
