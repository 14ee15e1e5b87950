import { mixed, type Composition } from '@hygromet/core/fluids/composition';
import { designationOf } from '@hygromet/core/fluids/refrigerant';
import { candidates, type Candidate } from '@hygromet/core/readings/candidates';
import { subcooling, superheat } from '@hygromet/core/readings/superheat';
import { vesselAtRest, type VesselAtRest } from '@hygromet/core/readings/vessel-at-rest';
import { enthalpy } from '@hygromet/core/thermo/caloric';
import { bubblePoint, dewPoint, phasesOf, type Saturation } from '@hygromet/core/thermo/saturation';
import { saturationTable, type SaturationTable } from '@hygromet/core/thermo/saturation-table';
import { bubblePointAt, dewPointAt } from '@hygromet/core/thermo/saturation-temperature';
import { kelvin, kilogram, pascal } from '@hygromet/core/units/quantity';

/** What leads: the temperature, and the pressures follow; or the pressure, and the temperatures follow. */
export type Leading = { readonly T: number } | { readonly p: number };

/** One end of the two-phase region, SI. */
export interface Point {
  readonly T: number;
  readonly p: number;
  readonly rhoLiquid: number;
  readonly rhoVapour: number;
  /** Of the other phase's first trace. */
  readonly other: Composition;
}

export interface TwoPoints {
  readonly bubble: Point;
  readonly dew: Point;
  /** Dew temperature less bubble temperature at the bubble pressure, K. */
  readonly glide: number;
  /** J/kg */
  readonly latentHeat: number;
  readonly estimated: boolean;
}

/** Both lines, sampled for a drawing. */
export interface Lines {
  readonly T: readonly number[];
  readonly pBubble: readonly number[];
  readonly pDew: readonly number[];
}

export interface Pair {
  readonly composition: Composition;
  readonly p: number;
  readonly T: number;
}

export interface Mixture {
  readonly composition: Composition;
  /** What a label would call it, if it has a name. */
  readonly designation: string | undefined;
}

const SAMPLES_COUNT = 96;
/** Pa: below it nobody works, and the drawing would be all cold. A refrigerant that boils above it everywhere is drawn whole. */
const LOWEST_DRAWN = 30_000;

export const benchOperations = {
  mix: ({ contents }: { contents: readonly { composition: Composition; massKg: number }[] }): Mixture => {
    const composition = mixed(contents.map(({ composition: own, massKg }) => ({ composition: own, mass: kilogram(massKg) })));
    return { composition, designation: designationOf(composition) };
  },

  twoPoints: ({ composition, given }: { composition: Composition; given: Leading }): TwoPoints => {
    const [bubble, dew] =
      'T' in given
        ? [bubblePoint(composition, kelvin(given.T)), dewPoint(composition, kelvin(given.T))]
        : [bubblePointAt(composition, pascal(given.p)), dewPointAt(composition, pascal(given.p))];
    return {
      bubble: pointOf(bubble, bubble.vapour),
      dew: pointOf(dew, dew.liquid),
      glide: 'T' in given ? dewPointAt(composition, bubble.p).T - bubble.T : dew.T - bubble.T,
      latentHeat: enthalpy(phasesOf(dew).vapour) - enthalpy(phasesOf(bubble).liquid),
      estimated: bubble.estimated,
    };
  },

  lines: ({ composition }: { composition: Composition }): Lines => {
    const table = saturationTable(composition);
    const { hottest, at } = table;
    const first = firstDrawn(table);
    const T = Array.from({ length: SAMPLES_COUNT }, (_, k) => first + ((hottest - first) * k) / (SAMPLES_COUNT - 1));
    const states = T.map((value) => at(kelvin(Math.min(value, hottest))));
    return { T, pBubble: states.map(({ pBubble }) => pBubble), pDew: states.map(({ pDew }) => pDew) };
  },

  atRest: ({ composition, p, T }: Pair): VesselAtRest => vesselAtRest(composition, pascal(p), kelvin(T)),
  superheat: ({ composition, p, T }: Pair): number => superheat(composition, pascal(p), kelvin(T)),
  subcooling: ({ composition, p, T }: Pair): number => subcooling(composition, pascal(p), kelvin(T)),
  candidates: ({ p, T }: { p: number; T: number }): readonly Candidate[] => candidates(pascal(p), kelvin(T)),
};

/** Where the bubble pressure passes `LOWEST_DRAWN`, to a kelvin. */
function firstDrawn({ coldest, hottest, at }: SaturationTable): number {
  let T = coldest as number;
  while (T + 1 < hottest && at(kelvin(T + 1)).pBubble < LOWEST_DRAWN) T++;
  return T;
}

const pointOf = ({ T, p, rhoLiquid, rhoVapour }: Saturation, other: Composition): Point => ({ T, p, rhoLiquid, rhoVapour, other });
