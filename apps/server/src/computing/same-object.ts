import type { Composition } from '@hygromet/core/fluids/composition';
import { allRefrigerants } from '@hygromet/core/fluids/refrigerant';

const known = new Map<string, Composition>(allRefrigerants.map(({ composition }) => [JSON.stringify(composition), composition]));
const MOST = 2_000;

/** One object for all equal compositions: what the model remembers, it remembers by the object. */
export function sameObject(composition: Composition): Composition {
  const key = JSON.stringify(composition);
  const earlier = known.get(key);
  if (earlier !== undefined) return earlier;
  if (known.size < MOST) known.set(key, composition);
  return composition;
}
