import { combine, type Combination } from '@hygromet/core/cylinder/combination';
import type { CylinderKind } from '@hygromet/core/cylinder/cylinder-kind';
import { decanting, type Decanting } from '@hygromet/core/cylinder/decanting';
import { levelAt } from '@hygromet/core/cylinder/level';
import { OutOfRange } from '@hygromet/core/errors';
import type { CylinderRating } from '@hygromet/core/cylinder/cylinder-rating';
import { fillLimits, type Filling, type FillLimits } from '@hygromet/core/cylinder/fill-limit';
import type { FillPolicy } from '@hygromet/core/cylinder/fill-rule';
import type { Port } from '@hygromet/core/cylinder/port';
import type { PressureRating } from '@hygromet/core/cylinder/pressure-rating';
import { HOSES, type Hose } from '@hygromet/core/cylinder/handling';
import { stopWeight, type StopWeight } from '@hygromet/core/cylinder/stop-weight';
import { classFor, suitability, type Candidate, type Incoming, type Suitability } from '@hygromet/core/cylinder/suitability';
import { tareAndVolume } from '@hygromet/core/cylinder/tare';
import type { Composition } from '@hygromet/core/fluids/composition';
import { estimateMargin, type EstimateMargin } from '@hygromet/core/fluids/estimate-margin';
import { airCheck, type Accuracy, type AirCheck } from '@hygromet/core/readings/air-check';
import { cubicMetre, kelvin, kilogram, pascal } from '@hygromet/core/units/quantity';
import { unless } from '@hygromet/core/unless';

/** Plain numbers in SI on both sides: what goes to a worker and comes back is copied. */
/** A cylinder by its collar, what is in it, and what would come in. */
export interface FillingArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly tareKg: number;
  readonly tareWeighedKg?: number | undefined;
  readonly contentKg: number;
  /** Absent where no place is in question. */
  readonly hottestK?: number | undefined;
  readonly rating: CylinderRating;
  /** What would come in beside it, and how. */
  readonly incoming?: Composition | undefined;
  readonly port?: Port | undefined;
}

export interface LimitsArgs extends FillingArgs {
  readonly hottestK: number;
  readonly policy: FillPolicy;
}

const fillingOf = ({ composition, contentKg, hottestK, rating, incoming, port, ...collar }: FillingArgs): Filling => ({
  ...tareAndVolume(collar),
  composition,
  content: kilogram(contentKg),
  hottest: hottestK === undefined ? undefined : kelvin(hottestK),
  rating,
  incoming: incoming && { composition: incoming },
  port,
});

export const limitsFor = (args: LimitsArgs): FillLimits => fillLimits(fillingOf(args), args.policy);

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
  /** Absent: as such a scale usually is. */
  readonly scaleOff?: number | undefined;
  readonly hose: Hose;
  readonly oilShare: number;
}

/** Contents that would be put together, the masses in kg. */
export type CombineArgs = readonly { readonly composition: Composition; readonly mass: number; readonly kind: CylinderKind }[];

export interface HotCurveArgs {
  readonly composition: Composition;
  readonly volumeM3: number;
  readonly massKg: number;
  /** Of its vapour at 77 °F. */
  readonly airShare: number;
  /** K */
  readonly temperatures: readonly number[];
}

/** A filling and how far it goes: what the pressure class is judged by. */
export interface RatingArgs {
  readonly filling: FillingArgs;
  readonly massKg: number;
  readonly airShare?: number | undefined;
}

export interface AirArgs {
  readonly composition: Composition;
  /** Absolute, Pa; of the shell, K. */
  readonly p: number;
  readonly T: number;
  readonly accuracy: Accuracy;
  readonly volumeM3: number;
  readonly massKg: number;
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
  stop: ({ limits: args, hose, ...handling }: StopArgs): StopWeight =>
    stopWeight(limitsFor(args), args.incoming ?? args.composition, { ...handling, hose: HOSES[hose] }),

  /** What is taken off because a pair of its substances is not published. */
  margin: (composition: Composition): EstimateMargin => estimateMargin(composition),

  rating: ({ filling: args, massKg, airShare }: RatingArgs): PressureRating => {
    const filling = fillingOf(args);
    return classFor(filling, { volume: filling.volume, mass: kilogram(massKg), airShare });
  },

  decant: ({ composition, cylinder, others }: DecantArgs): Decanting => {
    const receiving = cylinderOperations.suit(others).filter(({ objections }) => objections.length === 0);
    return decanting(composition, cylinder, receiving);
  },

  combine: (contents: CombineArgs): Combination => combine(contents.map((content) => ({ ...content, mass: kilogram(content.mass) }))),

  /** How a closed cylinder answers to heat: its pressure and level over temperature. */
  hotCurve: ({ composition, volumeM3, massKg, airShare, temperatures }: HotCurveArgs): readonly HotPoint[] =>
    temperatures.flatMap((T) => {
      // beyond the published equations the curve ends
      const level = unless(OutOfRange, () => levelAt(composition, cubicMetre(volumeM3), kilogram(massKg), kelvin(T), airShare));
      return level === undefined || level.state === 'empty'
        ? []
        : [{ T, p: level.p, liquidShare: level.liquidShare, full: level.state === 'liquid-full' }];
    }),

  air: ({ composition, p, T, accuracy, volumeM3, massKg }: AirArgs): AirCheck =>
    airCheck(composition, pascal(p), kelvin(T), accuracy, { volume: cubicMetre(volumeM3), mass: kilogram(massKg) }),
};
