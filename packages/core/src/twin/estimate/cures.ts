import { coolingsOfCylinder, type CylinderCooling, type Deed, type Scenario } from '../scenario';
import parameters from '../parameters.json';
import { valueAt } from './observed';
import { run } from './refit';
import type { Guess } from './guess';

/** What averts a trip besides cooling the cylinder: its own vapor through the machine, the suction throttled, another cylinder. */
export const otherCures = ['loop', 'throttle', 'swap'] as const;
export type CureBy = CylinderCooling | (typeof otherCures)[number];

/** What it would change from now on. */
export interface Cure {
  readonly by: CureBy;
  /** Pa: the highest head from a minute after it on. */
  readonly headPa: number;
  /** Pa, at the times of the outlook. */
  readonly heads: readonly number[];
  readonly endS: number;
  readonly tripS: number | undefined;
}

/** s after which it shows. */
const SHOWS_AFTER = 60;

/** Each from now on, and what comes of it; one that cannot be run is none. @param t s, of the outlook; the first is now */
export function curesOf(scenario: Scenario, guess: Guess, t: readonly number[], cutOut: number): readonly Cure[] {
  const now = t[0]!;
  const throttled = (scenario.deeds ?? []).findLast(({ suction }) => suction !== undefined)?.suction === 'throttled';
  const others = otherCures.filter((by) => by !== 'throttle' || !throttled);
  return [...coolerThan(scenario), ...others].flatMap((by) => {
    const simulated = run({ ...scenario, deeds: [...(scenario.deeds ?? []), ...deedsOf(by, now)] }, guess, 5);
    if (simulated === undefined) return [];
    // the head of a loop is throttled up on purpose: what counts comes after it
    const from = now + SHOWS_AFTER + (by === 'loop' ? parameters.loop.seconds : 0);
    const later = simulated.samples.filter((sample) => sample.t >= from);
    return [
      {
        by,
        headPa: later.reduce((most, { headPa }) => Math.max(most, headPa), valueAt(simulated.samples, 'headPa', from)),
        heads: t.map((at) => valueAt(simulated.samples, 'headPa', at)),
        endS: simulated.end.t,
        tripS: simulated.samples.find((sample) => sample.t >= now + SHOWS_AFTER && sample.headPa > cutOut)?.t,
      },
    ];
  });
}

/** The ways of cooling that take more heat than the present one. */
function coolerThan({ deeds = [], cylinder }: Scenario): readonly CylinderCooling[] {
  const present = deeds.findLast(({ cooling }) => cooling !== undefined)?.cooling ?? cylinder.cooling;
  return coolingsOfCylinder.slice(coolingsOfCylinder.indexOf(present) + 1);
}

function deedsOf(by: CureBy, now: number): readonly Deed[] {
  switch (by) {
    case 'loop':
      return [
        { at: now, task: 'loop' },
        { at: now + parameters.loop.seconds, task: 'recover' },
      ];
    case 'throttle':
      return [{ at: now, suction: 'throttled' }];
    case 'swap':
      return [{ at: now, swap: true }];
    default:
      return [{ at: now, cooling: by }];
  }
}
