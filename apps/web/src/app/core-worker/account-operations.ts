import { accountOf, type Account } from '@hygromet/core/account/account';
import type { Known } from '@hygromet/core/account/explanation';
import { reuseOf, type Reuse, type ReuseTask } from '@hygromet/core/account/reuse-verdict';
import { visitTerms, type VisitMasses, type VisitTerms } from '@hygromet/core/account/visit-terms';
import { chargeTarget, floodedCharge, usualFlooded, type ChargeTarget, type HoseBore } from '@hygromet/core/charge/charge-target';
import { drawnAsVapour, type VapourError, type VapourTask } from '@hygromet/core/charge/drawn-as-vapour';
import { feedRate, type FeedRate } from '@hygromet/core/charge/feeding';
import { lineSetOf } from '@hygromet/contract/plan-facts';
import type { System } from '@hygromet/contract/system';
import type { Composition } from '@hygromet/core/fluids/composition';
import { kelvin } from '@hygromet/core/units/quantity';

export interface AccountArgs extends VisitMasses {
  readonly known: Known;
}

export interface AccountAnswer extends Account, VisitTerms {}

export interface ChargeArgs {
  readonly composition: Composition;
  readonly plateKg: number;
  readonly lineSet: System['facts']['lineSet'];
  readonly drierKg?: number | undefined;
  readonly oilKg?: number | undefined;
  readonly cameWithKg?: number | undefined;
  /** Of a condenser whose pressure is held by flooding it: how large it is, and the coldest day that it runs. */
  readonly flooded?: { readonly condenserM3: number; readonly outdoorK: number } | undefined;
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
  account: ({ known, ...masses }: AccountArgs): AccountAnswer => {
    const terms = visitTerms(masses);
    return { ...accountOf(terms, known), ...terms };
  },

  chargeTarget: ({ lineSet, flooded, ...task }: ChargeArgs): ChargeTarget =>
    chargeTarget({
      ...task,
      lineSet: lineSet === undefined ? undefined : lineSetOf(lineSet),
      floodedKg:
        flooded === undefined
          ? undefined
          : floodedCharge({ composition: task.composition, ...usualFlooded, ...flooded, outdoorK: kelvin(flooded.outdoorK) }).kg,
    }),

  reuse: (task: ReuseArgs): ReuseAnswer => {
    const { beyond, ...own } = reuseOf(task);
    return { ...own, beyond: [...beyond] };
  },

  /** What a blend would be, drawn from the vapour of its cylinder. */
  drawnAsVapour: (task: VapourTask): VapourError | null => drawnAsVapour(task) ?? null,

  feedRate: (task: FeedArgs): FeedRate => feedRate(task),
};
