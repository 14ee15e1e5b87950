import { levelAt, type Level } from '@hygromet/core/cylinder/level';
import { pressureRating, type PressureRating } from '@hygromet/core/cylinder/pressure-rating';
import { OutOfRange } from '@hygromet/core/errors';
import type { Composition } from '@hygromet/core/fluids/composition';
import { liquidFull } from '@hygromet/core/thermo/liquid-full';
import { cubicMetre, density, kelvin, kilogram } from '@hygromet/core/units/quantity';
import { benchOperations } from './bench-operations';
import { cylinderOperations, limitsFor } from './cylinder-operations';
import { planOperations } from './plan-operations';

export interface LevelsArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly cases: readonly { readonly massKg: number; readonly T: number }[];
}

export interface HeatArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly massKg: number;
}

/** Where a closed cylinder becomes full of liquid, and what each further kelvin adds. */
export type Heat = { readonly fills: true; readonly T: number; readonly slopePaPerK: number } | { readonly fills: false };

export const operations = {
  ...benchOperations,
  ...cylinderOperations,
  ...planOperations,

  limits: limitsFor,

  levels: ({ composition, volumeM3, cases }: LevelsArgs): readonly Level[] =>
    cases.map(({ massKg, T }) => levelAt(composition, cubicMetre(volumeM3), kilogram(massKg), kelvin(T))),

  heat: ({ composition, volumeM3, massKg }: HeatArgs): Heat => {
    try {
      const { T, slope } = liquidFull(composition, density(massKg / volumeM3));
      return { fills: true, T, slopePaPerK: slope };
    } catch (error) {
      if (error instanceof OutOfRange) return { fills: false }; // so little is in it that it turns to vapour first
      throw error;
    }
  },

  rating: ({ composition, servicePressurePa }: { composition: Composition; servicePressurePa: number }): PressureRating =>
    pressureRating(composition, servicePressurePa),
};

export type Operations = typeof operations;
export type OperationName = keyof Operations;
