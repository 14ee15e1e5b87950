import { combine, type Combination } from '@hygromet/core/cylinder/combination';
import type { CylinderKind } from '@hygromet/core/cylinder/cylinder-kind';
import { decanting, type Decanting } from '@hygromet/core/cylinder/decanting';
import { levelAt } from '@hygromet/core/cylinder/level';
import { fillLimits, type FillLimits } from '@hygromet/core/cylinder/fill-limit';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import { HOSES, stopWeight, type Hose, type StopWeight } from '@hygromet/core/cylinder/stop-weight';
import { suitability, type Candidate, type Incoming, type Suitability } from '@hygromet/core/cylinder/suitability';
import type { Composition } from '@hygromet/core/fluids/composition';
import { airCheck, type Accuracy, type AirCheck } from '@hygromet/core/readings/air-check';
import { cubicMetre, kelvin, kilogram, pascal } from '@hygromet/core/units/quantity';

/** Plain numbers in SI on both sides: what goes to a worker and comes back is copied. */
export interface LimitsArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly tareKg: number;
  readonly contentKg: number;
  readonly hottestK: number;
  readonly policy: FillPolicy;
}

export const limitsFor = ({ composition, volumeM3, tareKg, contentKg, hottestK, policy }: LimitsArgs): FillLimits =>
  fillLimits(
    { composition, volume: cubicMetre(volumeM3), tare: kilogram(tareKg), content: kilogram(contentKg), hottest: kelvin(hottestK) },
    policy,
  );

export interface SuitArgs {
  readonly cylinders: readonly (Candidate & { readonly id: string })[];
  readonly incoming: Incoming;
  readonly policy: FillPolicy;
  readonly hottestK: number;
}

/** One cylinder beside several that could go in. */
export interface TakeArgs {
  readonly cylinder: Candidate;
  readonly incomings: readonly Incoming[];
  readonly policy: FillPolicy;
  readonly hottestK: number;
}

export type Suited = Suitability & { readonly id: string };

export interface DecantArgs {
  readonly composition: Composition;
  readonly cylinder: { readonly contentKg: number; readonly limitKg: number; readonly volumeM3: number };
  /** Cylinders that could take some, already sorted out by nothing but their identity. */
  readonly others: SuitArgs;
}

export interface StopArgs {
  readonly limits: LimitsArgs;
  readonly scaleOff: number;
  readonly hose: Hose;
  readonly oilShare: number;
}

/** Contents that would be put together, the masses in kg. */
export type CombineArgs = readonly { readonly composition: Composition; readonly mass: number; readonly kind: CylinderKind }[];

export interface HotCurveArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly massKg: number;
  /** K */
  readonly temperatures: readonly number[];
}

export interface HotPoint {
  readonly T: number;
  /** Pa absolute */
  readonly p: number;
  readonly liquidShare: number;
  readonly full: boolean;
}

/** What is asked about cylinders: whether something may go into them, where too much goes, and whether there is air in them. */
export const cylinderOperations = {
  suit: ({ cylinders, incoming, policy, hottestK }: SuitArgs): readonly Suited[] =>
    cylinders.map((cylinder) => ({ id: cylinder.id, ...suitability(cylinder, incoming, policy, kelvin(hottestK)) })),

  mayTake: ({ cylinder, incomings, policy, hottestK }: TakeArgs): readonly Suitability[] =>
    incomings.map((incoming) => suitability(cylinder, incoming, policy, kelvin(hottestK))),

  /** The reading at which to shut the valve, below the limit that rules. */
  stop: ({ limits: args, hose, ...handling }: StopArgs): StopWeight => {
    const { ruling } = limitsFor(args);
    return stopWeight(ruling, args.composition, { ...handling, hose: HOSES[hose] });
  },

  decant: ({ composition, cylinder, others }: DecantArgs): Decanting => {
    const receiving = cylinderOperations.suit(others).filter(({ objections }) => objections.length === 0);
    return decanting(composition, cylinder, receiving);
  },

  combine: (contents: CombineArgs): Combination => combine(contents.map((own) => ({ ...own, mass: kilogram(own.mass) }))),

  /** How a closed cylinder answers to heat: its pressure and level over temperature. */
  hotCurve: ({ composition, volumeM3, massKg, temperatures }: HotCurveArgs): readonly HotPoint[] =>
    temperatures.flatMap((T) => {
      const level = levelAt(composition, cubicMetre(volumeM3), kilogram(massKg), kelvin(T));
      return level.state === 'empty' ? [] : [{ T, p: level.p, liquidShare: level.liquidShare, full: level.state === 'liquid-full' }];
    }),

  air: ({ composition, p, T, accuracy }: { composition: Composition; p: number; T: number; accuracy: Accuracy }): AirCheck =>
    airCheck(composition, pascal(p), kelvin(T), accuracy),
};
