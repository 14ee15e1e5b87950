import { accountOf, type Account, type Term } from '@hygromet/core/account/account';
import type { Known } from '@hygromet/core/account/explanation';
import { reuseOf, type Reuse, type ReuseTask } from '@hygromet/core/account/reuse-verdict';
import residuals from '@hygromet/core/account/residuals.json';
import { chargeTarget, type ChargeTarget, type HoseBore } from '@hygromet/core/charge/charge-target';
import { feedRate, type FeedRate } from '@hygromet/core/charge/feeding';
import { lineSetOf } from '@hygromet/contract/plan-facts';
import type { System } from '@hygromet/contract/system';
import type { Composition } from '@hygromet/core/fluids/composition';
import { massDensity } from '@hygromet/core/thermo/phase';
import { singlePhase } from '@hygromet/core/thermo/single-phase';
import { NoTwoPhaseState } from '@hygromet/core/errors';
import { unless } from '@hygromet/core/unless';
import { kelvin, pascal } from '@hygromet/core/units/quantity';

export interface AccountArgs {
  readonly composition: Composition;
  readonly beforeKg: number;
  readonly lineKg: number;
  readonly recovered: readonly { readonly name: string; readonly kg: number }[];
  /** Pa absolute at the end, and K of the circuit, once they were read. */
  readonly end?: { readonly p: number; readonly T: number } | undefined;
  readonly volume: { readonly low: number; readonly likely: number; readonly high: number };
  readonly known: Known;
}

export interface AccountAnswer extends Account {
  readonly expected: readonly Term[];
  readonly recovered: readonly Term[];
  readonly residual: readonly Term[];
}

export interface ChargeArgs {
  readonly composition: Composition;
  readonly plateKg: number;
  readonly lineSet: System['facts']['lineSet'];
  readonly drierKg?: number | undefined;
  readonly oilKg?: number | undefined;
  readonly hose?: { readonly bore: HoseBore; readonly lengthM: number; readonly givenBack: boolean } | undefined;
}

export type ReuseArgs = ReuseTask;

/** As it crosses to the page. */
export interface ReuseAnswer extends Omit<Reuse, 'beyond'> {
  readonly beyond: readonly (readonly [string, number])[];
}

export interface FeedArgs {
  readonly composition: Composition;
  readonly superheatK: number;
  readonly massFlow: number;
}

export const accountOperations = {
  account: ({ composition, beforeKg, lineKg, recovered, end, volume, known }: AccountArgs): AccountAnswer => {
    const terms = {
      expected: [
        { term: 'before', kg: beforeKg, sigmaKg: residuals.beforeShare * beforeKg },
        ...(lineKg === 0 ? [] : [{ term: 'line-set', kg: lineKg, sigmaKg: residuals.lineShare * Math.abs(lineKg) }]),
      ],
      recovered: recovered.map(({ name, kg }) => ({ term: name, kg, sigmaKg: residuals.scaleKg })),
      residual: [
        ...vapourLeft(composition, end, volume),
        { term: 'hoses', kg: residuals.hoses.kg, sigmaKg: residuals.hoses.sigmaKg },
        { term: 'oil', kg: residuals.oil.kg, sigmaKg: residuals.oil.sigmaKg },
      ],
    };
    return { ...accountOf(terms, known), ...terms };
  },

  chargeTarget: ({ lineSet, ...task }: ChargeArgs): ChargeTarget =>
    chargeTarget({ ...task, lineSet: lineSet === undefined ? undefined : lineSetOf(lineSet) }),

  reuse: (task: ReuseArgs): ReuseAnswer => {
    const { beyond, ...own } = reuseOf(task);
    return { ...own, beyond: [...beyond] };
  },

  feedRate: (task: FeedArgs): FeedRate => feedRate(task),
};

/** Vapour at the measured end, in the volume of the circuit. */
function vapourLeft(composition: Composition, end: AccountArgs['end'], { low, likely, high }: AccountArgs['volume']): readonly Term[] {
  if (end === undefined) return [];
  const rho = unless(NoTwoPhaseState, () => massDensity(singlePhase(composition, kelvin(end.T), pascal(end.p), 'vapour'))) ?? 0;
  return [{ term: 'vapor', kg: rho * likely, sigmaKg: (rho * (high - low)) / 4 }];
}
