import { valvesOf, type Circuit, type ComponentId, type ValveId } from '../circuit/circuit';
import { underCharge } from '../circuit/sections';
import type { Method } from './method';
import type { Step, StepCode } from './steps';
import { pumpedInto, whereAfter, whereAtRest, whereRunning, type Holds, type Seen, type Where } from './where';

/** A circuit at one moment of the work. */
export interface Moment {
  readonly where: Where;
  /** The hand valves that are shut by then. */
  readonly shut: ReadonlySet<ValveId>;
}

/** When the last liquid has gone over, and when the rest has. */
const LIQUID_GONE: readonly StepCode[] = ['recover-vapour', 'isolate-and-wait'];
const EMPTY: readonly StepCode[] = ['recover-again', 'book-by-scale', 'sweep-with-nitrogen', 'open', 'carry-and-recover'];

/** The circuit as it is when this step has been done. Common practice: what is not emptied yet counts as full. */
export function atStep(method: Method, circuit: Circuit, seen: Seen, steps: readonly Step[], index: number): Moment {
  const done = steps.slice(0, index + 1);
  const codes = done.map(({ code }) => code);
  const shut = shutBy(circuit, done);
  const into = pumpedInto(method);
  if (into === undefined) return { where: recovering(method, circuit, seen, codes), shut };
  if (!codes.includes('run-compressor')) return { where: whereAtRest(circuit), shut };
  if (shut.size === 0) return { where: whereRunning(circuit), shut };
  if (codes.includes('watch-suction')) return { where: whereAfter(method, circuit, seen), shut };
  // the charge is on its way: the shut side fills, and the other side is drawn down
  const kept = underCharge(circuit, into, seen.valves, true);
  const running = whereRunning(circuit);
  return {
    where: new Map([...running].map(([id, holds]): [ComponentId, Holds] => [id, kept.has(id) ? holds : 'vapour'])),
    shut,
  };
}

function recovering(method: Method, circuit: Circuit, seen: Seen, codes: readonly StepCode[]): Where {
  if (codes.some((code) => EMPTY.includes(code))) return whereAfter(method, circuit, seen);
  const after = whereAfter(method, circuit, seen);
  if (codes.some((code) => LIQUID_GONE.includes(code)))
    return new Map([...after].map(([id, holds]): [ComponentId, Holds] => [id, holds === 'nearly-empty' ? 'vapour' : holds]));
  return whereAtRest(circuit);
}

const shutBy = (circuit: Circuit, done: readonly Step[]): ReadonlySet<ValveId> => {
  const names = done.flatMap(({ code, valve }) => (code.startsWith('close-') && valve !== undefined ? [valve] : []));
  return new Set(valvesOf(circuit).flatMap(({ valve, id }) => (names.includes(valve) ? [id] : [])));
};
