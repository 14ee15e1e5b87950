import { sameRefrigerant, type Composition } from '../fluids/composition';
import { dewPoint } from '../thermo/saturation';
import type { Kelvin } from '../units/quantity';

/** A cylinder from which a system may be charged. */
export interface Stock {
  readonly id: string;
  readonly composition: Composition;
  readonly contentKg: number;
  readonly volumeM3: number;
  /** Recovered from this very system; recovered from others of its owner; virgin. */
  readonly is: 'own' | 'owners' | 'virgin';
  /** Why it must not go in, whatever it holds. */
  readonly against: boolean;
}

/** What is drawn from one cylinder, kg, and what stays in it as vapour. */
export interface Draw {
  readonly id: string;
  readonly kg: number;
  readonly heelKg: number;
}

export interface Sources {
  readonly draws: readonly Draw[];
  /** kg that nothing at hand covers. */
  readonly shortKg: number;
}

const ORDER = ['own', 'owners', 'virgin'] as const;
/** Less than this is not worth connecting a cylinder for, kg. Common practice. */
const LEAST_KG = 0.05;

/** Whether it may go into a system of this refrigerant at all: the same blend, and nothing speaks against it. */
export const mayFeed = (composition: Composition, { against, composition: own }: Stock): boolean =>
  !against && sameRefrigerant(own, composition);

/**
 * From which cylinders a charge comes: what was recovered from the system first, then what its owner has, then virgin of the same blend; the
 * fullest first, so that the fewest are opened. What stays as vapour in a cylinder at this temperature cannot be drawn as liquid. Nothing
 * comes out of a cylinder that something speaks against.
 */
export function sourcesFor(composition: Composition, targetKg: number, stock: readonly Stock[], T: Kelvin): Sources {
  const rhoVapour = dewPoint(composition, T).rhoVapour;
  const usable = stock
    .filter((stock) => mayFeed(composition, stock))
    .map((stock) => ({ ...stock, heelKg: rhoVapour * stock.volumeM3 }))
    .map((entry) => ({ ...entry, drawableKg: entry.contentKg - entry.heelKg }))
    .filter(({ drawableKg }) => drawableKg > LEAST_KG)
    .sort((a, b) => ORDER.indexOf(a.is) - ORDER.indexOf(b.is) || b.drawableKg - a.drawableKg);
  let leftKg = Math.max(0, targetKg);
  const draws: Draw[] = [];
  for (const { id, drawableKg, heelKg } of usable) {
    if (leftKg <= LEAST_KG) break;
    const kg = Math.min(leftKg, drawableKg);
    draws.push({ id, kg, heelKg });
    leftKg -= kg;
  }
  return { draws, shortKg: leftKg <= LEAST_KG ? 0 : leftKg };
}
