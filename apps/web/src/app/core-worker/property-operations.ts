import { levelAt, type Level } from '@hygromet/core/cylinder/level';
import { fullAt, hotPressure, reliefOpensAt, type Relief } from '@hygromet/core/cylinder/hot-state';
import { OutOfRange } from '@hygromet/core/errors';
import type { Composition } from '@hygromet/core/fluids/composition';
import { cubicMetre, kelvin, kilogram, pascal } from '@hygromet/core/units/quantity';
import { unless } from '@hygromet/core/unless';
import { accountOperations } from './account-operations';
import { benchOperations } from './bench-operations';
import { cylinderOperations, limitsFor } from './cylinder-operations';
import { planOperations } from './plan-operations';
import { proofOperations } from './proof-operations';
import { runningOperations } from './running-operations';
import { twinOperations } from './twin-operations';

export interface LevelsArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  /** Of its vapour at 77 °F. */
  readonly airShare: number;
  readonly cases: readonly { readonly massKg: number; readonly T: number }[];
}

export interface HeatArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly massKg: number;
  readonly airShare: number;
  readonly hottestK?: number | undefined;
  /** At which its relief valve opens, Pa absolute, where that is known. */
  readonly reliefPa?: number | undefined;
}

/** Where a closed cylinder becomes full of liquid, and what each further kelvin adds; what it stands at in the heat. */
export type Heat = ({ readonly fills: true; readonly T: number; readonly slopePaPerK: number } | { readonly fills: false }) & {
  /** At the hottest place, air counted, Pa absolute. */
  readonly pHottest?: number | undefined;
  /** Where its relief valve opens; absent while its set pressure is not recorded. */
  readonly relief?: Relief | undefined;
};

export const operations = {
  ...accountOperations,
  ...benchOperations,
  ...cylinderOperations,
  ...planOperations,
  ...proofOperations,
  ...runningOperations,
  ...twinOperations,

  limits: limitsFor,

  levels: ({ composition, volumeM3, airShare, cases }: LevelsArgs): readonly Level[] =>
    cases.map(({ massKg, T }) => levelAt(composition, cubicMetre(volumeM3), kilogram(massKg), kelvin(T), airShare)),

  heat: ({ composition, volumeM3, massKg, airShare, hottestK, reliefPa }: HeatArgs): Heat => {
    const cylinder = { composition, volume: cubicMetre(volumeM3), mass: kilogram(massKg), airShare };
    const more = {
      // what lies beyond the published equations is not told
      pHottest: hottestK === undefined ? undefined : unless(OutOfRange, () => hotPressure(cylinder, kelvin(hottestK))),
      relief: reliefPa === undefined ? undefined : reliefOpensAt(cylinder, pascal(reliefPa)),
    };
    const full = fullAt(cylinder);
    return full === undefined ? { fills: false, ...more } : { fills: true, T: full.T, slopePaPerK: full.slope, ...more };
  },
};

export type Operations = typeof operations;
export type OperationName = keyof Operations;
