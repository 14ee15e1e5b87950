import { kindOf } from '../circuit/system-kind';
import { NoTwoPhaseState, OutOfRange } from '../errors';
import { dewPoint } from '../thermo/saturation';
import { kelvin, type Pascal } from '../units/quantity';
import costs from './method-costs.json';
import type { Method } from './method';
import { machineWeight } from './equipment';
import { comparedMinutes } from './compared-minutes';
import type { JobConditions } from './job-conditions';

/** What a method takes: time, what has to be carried to the unit, and refrigerant that ends in the air. */
export interface MethodCost {
  readonly minutes: number;
  readonly carriedKg: number;
  readonly lostKg: number;
}

/** Estimated, to compare methods with each other: not a promise. */
export function methodCost(method: Method, conditions: JobConditions): MethodCost {
  return {
    minutes: costs.setUpMinutes[method] + flowMinutes(method, conditions),
    carriedKg: carried(method, conditions),
    lostKg: lost(method, conditions),
  };
}

function flowMinutes(method: Method, conditions: JobConditions): number {
  const { content, condenser } = conditions;
  switch (method) {
    case 'nothing':
      return 0;
    case 'pump-down-condenser':
    case 'pump-down-receiver':
      return content.likely / costs.pumpDownKgPerMinute;
    case 'pump-down-and-recover': {
      const excess = Math.max(0, content.likely - (condenser?.likely ?? 0));
      return (content.likely - excess) / costs.pumpDownKgPerMinute + recoveryMinutes(conditions, excess + costs.restAfterPumpDownKg, false);
    }
    case 'liquid-first':
      return recoveryMinutes(conditions, content.likely, true);
    case 'push-pull':
      return content.likely / costs.pushPullKgPerMinute + recoveryMinutes(conditions, 0.1 * content.likely, false);
    case 'recover':
    case 'pierce':
      return recoveryMinutes(conditions, content.likely, false);
    default:
      return method satisfies never;
  }
}

function recoveryMinutes(
  { composition, T, level, volume, asFound, equipment }: JobConditions,
  massKg: number,
  liquidPort: boolean,
): number {
  if (massKg <= 0) return 0;
  const mass = asFound.state === 'vapour-only' ? Math.min(massKg, asFound.mostKg) : massKg;
  try {
    return comparedMinutes({
      composition,
      massKg: mass,
      T,
      volume: volume.likely,
      endP: level.p,
      equipment,
      liquidPort,
    });
  } catch (error) {
    // above its critical temperature vapour, as fast as the machine draws it; more on record than this circuit can hold is asked about
    if (error instanceof NoTwoPhaseState || error instanceof OutOfRange) return mass / vapourAlone;
    throw error;
  }
}

/** kg a minute of a dense vapour, common practice. */
const vapourAlone = 0.5;

const carried = (method: Method, { equipment }: JobConditions) => {
  if (method === 'nothing') return 0;
  if (method === 'pump-down-condenser' || method === 'pump-down-receiver') return 1;
  return machineWeight(equipment.machine) + costs.cylinderKg + (method === 'push-pull' ? 6 : 0);
};

/** Vapour that is left in what is opened, at the pressure at which it is opened, and in the hoses. */
function lost(method: Method, { composition, T, atmosphere, level, volume, kind }: JobConditions): number {
  if (method === 'nothing') return 0;
  const opened = method.startsWith('pump-down') ? 0.4 : 1;
  const p = method.startsWith('pump-down') && method !== 'pump-down-and-recover' ? atmosphere : level.p;
  const hoses = kindOf(kind).sealed ? 0 : costs.hoseLossKg;
  return opened * volume.likely * vapourDensity(composition, T, Math.min(p, atmosphere) as Pascal) + hoses;
}

/** Density of vapour at a low pressure, kg/m³: an ideal gas is near enough there. */
function vapourDensity(composition: JobConditions['composition'], T: number, p: Pascal): number {
  const { rhoVapour, p: pDew, T: at } = dewPoint(composition, kelvin(Math.min(T, 263)));
  return (((rhoVapour * p) / pDew) * at) / T;
}
