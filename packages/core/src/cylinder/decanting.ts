import type { Composition } from '../fluids/composition';
import { cubicMetre, kilogram, type Kelvin } from '../units/quantity';
import { fullAt } from './hot-state';
import { cannotBeKept, keepBelow } from './keep-below';

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

/** Less is not worth a hose. Common practice. */
const SMALLEST_POUR_KG = 0.05;

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
  const full = fullAt({ composition, volume: cubicMetre(volumeM3), mass: kilogram(contentKg) });
  const below = full && keepBelow(full.T);
  const emergency = below !== undefined && cannotBeKept(below);
  return { outKg, pours, leftKg: left < SMALLEST_POUR_KG ? 0 : left, keepBelow: below, emergency };
}

/** One that takes all of it comes first, the tightest of those; otherwise the roomiest first. */
function inOrder(receiving: readonly Receiving[], outKg: number): readonly Receiving[] {
  const whole = receiving.filter(({ roomKg }) => roomKg >= outKg).sort((a, b) => a.roomKg - b.roomKg);
  return whole.length > 0 ? whole : [...receiving].sort((a, b) => b.roomKg - a.roomKg);
}
