import { levelAt, type Level } from '@hygromet/core/cylinder/level';
import { fullAt, hotPressure, reliefOpensAt } from '@hygromet/core/cylinder/hot-state';
import { OutOfRange } from '@hygromet/core/errors';
import type { Composition } from '@hygromet/core/fluids/composition';
import { liquidFull } from '@hygromet/core/thermo/liquid-full';
import { cubicMetre, density, kelvin, kilogram, pascal } from '@hygromet/core/units/quantity';
import { benchOperations } from './bench-operations';
import { cylinderOperations, limitsFor } from './cylinder-operations';
import { planOperations } from './plan-operations';

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
  /** Where its relief valve opens, K. */
  readonly reliefT?: number | undefined;
};

/** What lies beyond the published equations is not told. */
function known<T>(ask: () => T): T | undefined {
  try {
    return ask();
  } catch (error) {
    if (error instanceof OutOfRange) return undefined;
    throw error;
  }
}

export const operations = {
  ...benchOperations,
  ...cylinderOperations,
  ...planOperations,

  limits: limitsFor,

  levels: ({ composition, volumeM3, airShare, cases }: LevelsArgs): readonly Level[] =>
    cases.map(({ massKg, T }) => levelAt(composition, cubicMetre(volumeM3), kilogram(massKg), kelvin(T), airShare)),

  heat: ({ composition, volumeM3, massKg, airShare, hottestK, reliefPa }: HeatArgs): Heat => {
    const cylinder = { composition, volume: cubicMetre(volumeM3), mass: kilogram(massKg), airShare };
    const more = {
      pHottest: hottestK === undefined ? undefined : known(() => hotPressure(cylinder, kelvin(hottestK))),
      reliefT: reliefPa === undefined ? undefined : reliefOpensAt(cylinder, pascal(reliefPa)),
    };
    const T = fullAt(cylinder);
    if (T === undefined) return { fills: false, ...more };
    return { fills: true, T, slopePaPerK: liquidFull(composition, density(massKg / volumeM3)).slope, ...more };
  },
};

export type Operations = typeof operations;
export type OperationName = keyof Operations;
