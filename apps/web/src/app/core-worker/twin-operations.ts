import { OutOfRange } from '@hygromet/core/errors';
import { usualBarrelKg } from '@hygromet/core/twin/barrel';
import { outlook, type Outlook } from '@hygromet/core/twin/estimate/outlook';
import { refit, type Underway } from '@hygromet/core/twin/estimate/refit';
import type { Scenario } from '@hygromet/core/twin/scenario';
import { pushedBack, type PushedBack } from '@hygromet/core/twin/pushed-back';
import { simulate, type Simulated } from '@hygromet/core/twin/simulate';
import { unless } from '@hygromet/core/unless';

export interface ForecastArgs {
  readonly scenario: Scenario;
  /** How far the charge may be off, share: the band of what is not known. */
  readonly chargeOff: number;
  /** Whether water flows through its evaporator: what happens where it stops is told as well. */
  readonly byWater?: boolean | undefined;
}

/** A transfer before it starts: as it likely goes, and at the ends of what is not known. */
export interface Forecast {
  readonly likely: Simulated;
  readonly low: Simulated | undefined;
  readonly high: Simulated | undefined;
  /** s after which the tubes of its evaporator would freeze, if its water stopped now; nothing where they would not. */
  readonly freezesS: number | undefined;
}

/** s between samples: what a chart of some hundred points needs. */
const EVERY_S_DRAWN = 5;

export const twinOperations = {
  /** What comes, by the readings so far; nothing where no run can be made of the records. */
  outlook: (underway: Underway): Outlook | undefined => outlook(underway, refit(underway)),

  /** How a charge goes into a standing system; nothing where it cannot. */
  pushedBack: (scenario: Scenario): PushedBack | undefined => unless(OutOfRange, () => pushedBack(scenario)),

  forecast: ({ scenario, chargeOff, byWater = false }: ForecastArgs): Forecast => {
    const of = (share: number, cores: 'in' | 'out') =>
      simulate(
        { ...scenario, system: { ...scenario.system, chargeKg: share * scenario.system.chargeKg }, hoses: { ...scenario.hoses, cores } },
        EVERY_S_DRAWN,
      );
    return {
      likely: simulate(scenario, EVERY_S_DRAWN),
      low: tried(() => of(1 - chargeOff, scenario.hoses.cores)),
      // a core that was not quite taken out is what takes longest
      high: tried(() => of(1 + chargeOff, 'in')),
      freezesS: byWater ? tried(() => frozenAfter(scenario)) : undefined,
    };
  },
};

/** With as much water as usually stands in its barrel. */
function frozenAfter(scenario: Scenario): number | undefined {
  const { system } = scenario;
  const standing = simulate({ ...scenario, system: { ...system, barrelKg: usualBarrelKg(system.chargeKg) } }, EVERY_S_DRAWN);
  return standing.events.find(({ kind }) => kind === 'tubes-freeze')?.t;
}

/** At the end of its range a charge may not fit the cylinder: then there is no such run. */
function tried<T>(run: () => T): T | undefined {
  try {
    return run();
  } catch {
    return undefined;
  }
}
