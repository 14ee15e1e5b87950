import type { Composition } from '@hygromet/core/fluids/composition';
import { allRefrigerants } from '@hygromet/core/fluids/refrigerant';

const nominal = new Map<string, Composition>(allRefrigerants.map(({ composition }) => [JSON.stringify(composition), composition]));
/** Mixtures that came about in cylinders: what is remembered of them goes when they do. */
const mixtures = new Map<string, Composition>();
const MOST_MIXTURES_COUNT = 200;

/** One object for all equal compositions: what the model remembers, it remembers by the object. */
export function sameObject(composition: Composition): Composition {
  const key = JSON.stringify(composition);
  const known = nominal.get(key) ?? mixtures.get(key);
  if (known !== undefined) return known;
  if (mixtures.size >= MOST_MIXTURES_COUNT) mixtures.clear();
  mixtures.set(key, composition);
  return composition;
}
