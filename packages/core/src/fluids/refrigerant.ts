import { UnknownRefrigerant } from '../errors';
import { allBlends, type ModelQuality } from './blend';
import { largestDifference, SAME_SHARE, type Composition } from './composition';
import { nearestNames } from './nearest-names';
import { allSubstances } from './substance';

/** Anything that can stand on a label: a pure substance or a blend with its nominal composition. */
export interface Refrigerant {
  readonly id: string;
  readonly kind: 'pure' | 'blend';
  readonly composition: Composition;
  readonly modelQuality: ModelQuality;
}

const pureRefrigerants = allSubstances.map(({ id }): Refrigerant => ({
  id,
  kind: 'pure',
  composition: { [id]: 1 },
  modelQuality: 'published',
}));
const blendRefrigerants = allBlends.map(({ id, massFraction, modelQuality }): Refrigerant => ({
  id,
  kind: 'blend',
  composition: massFraction,
  modelQuality,
}));

export const allRefrigerants: readonly Refrigerant[] = [...pureRefrigerants, ...blendRefrigerants];

const byId = new Map(allRefrigerants.map((refrigerant) => [refrigerant.id, refrigerant]));

/** The refrigerant of that designation, "R-410A". @throws UnknownRefrigerant with the nearest names */
export function refrigerant(id: string): Refrigerant {
  const found = byId.get(id);
  if (found === undefined) throw new UnknownRefrigerant(id, nearestNames(id, [...byId.keys()]));
  return found;
}

/**
 * The designation that this composition is, traces of anything else allowed; otherwise nothing. Of two that are both near, the nearer.
 * @param tolerance of mass share for each substance: the one by which two contents are the same refrigerant
 */
export function designationOf(composition: Composition, tolerance = SAME_SHARE): string | undefined {
  let [nearest, least]: [string | undefined, number] = [undefined, tolerance];
  for (const { id, composition: nominal } of allRefrigerants) {
    const off = largestDifference(composition, nominal, least);
    if (off < least) [nearest, least] = [id, off];
  }
  return nearest;
}
