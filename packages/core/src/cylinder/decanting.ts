import type { Composition } from '../fluids/composition';
import { cubicMetre, kelvin, kilogram, type CubicMetre, type Kelvin, type Kilogram } from '../units/quantity';
import { fullAt } from './hot-state';

/** A cylinder with room for some of it. */
export interface Receiving {
  readonly id: string;
  readonly roomKg: number;
}

export interface Pour {
  readonly into: string;
  readonly kg: number;
}

export interface Decanting {
  /** kg that have to leave it. */
  readonly outKg: number;
  readonly pours: readonly Pour[];
  /** kg for which no cylinder with room is at hand. */
  readonly leftKg: number;
  /** Until it is done it must stay below this, K: full of liquid there, less a margin. Nothing where it does not fill at any temperature known. */
  readonly keepBelow: Kelvin | undefined;
  /** Full of liquid where it stands, or colder than anybody can keep it: no temperature to keep it below is of use. */
  readonly emergency: boolean;
}

/** Between the temperature at which it is full and the warmest it may get: a shell thermometer and a warm side (common practice). */
const MARGIN = 8;
const SMALLEST_POUR_KG = 0.05;
/** K, 5 °C: ice and shade keep a cylinder no cooler (common practice). */
const COOLEST_KEPT = kelvin(278.15);

/**
 * How much leaves an overfilled cylinder and into which others: the fewest pours, the fullest use of the first.
 * @param contentKg what is in it @param limitKg what may be in it @param receiving cylinders that suit, with what each may still take
 */
export function decanting(
  composition: Composition,
  { contentKg, limitKg, volumeM3 }: { readonly contentKg: number; readonly limitKg: number; readonly volumeM3: number },
  receiving: readonly Receiving[],
): Decanting {
  const outKg = Math.max(0, contentKg - limitKg);
  const pours: Pour[] = [];
  let left = outKg;
  for (const { id, roomKg } of inOrder(receiving, outKg)) {
    if (left < SMALLEST_POUR_KG) break;
    const kg = Math.min(left, roomKg);
    if (kg < SMALLEST_POUR_KG) continue;
    pours.push({ into: id, kg });
    left -= kg;
  }
  const below = keepBelow(composition, cubicMetre(volumeM3), kilogram(contentKg));
  const emergency = below !== undefined && below < COOLEST_KEPT;
  return { outKg, pours, leftKg: left < SMALLEST_POUR_KG ? 0 : left, keepBelow: below, emergency };
}

/** One that takes all of it comes first, the tightest of those; otherwise the roomiest first. */
function inOrder(receiving: readonly Receiving[], outKg: number): readonly Receiving[] {
  const whole = receiving.filter(({ roomKg }) => roomKg >= outKg).sort((a, b) => a.roomKg - b.roomKg);
  return whole.length > 0 ? whole : [...receiving].sort((a, b) => b.roomKg - a.roomKg);
}

function keepBelow(composition: Composition, volume: CubicMetre, mass: Kilogram): Kelvin | undefined {
  const full = fullAt({ composition, volume, mass });
  return full && kelvin(full.T - MARGIN);
}
