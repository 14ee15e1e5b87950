import { UnknownRefrigerant } from '../errors';
import { allBlends, type ModelQuality } from './blend';
import commonNames from './common-names.json';
import { compositionOf, largestDifference, SAME_SHARE, type Composition } from './composition';
import { nearestNames } from './nearest-names';
import { Remembered } from './remembered';
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

/** "R22", "r-410a", "RC318": letters and digits are what a designation is. Two that differ in nothing else are not guessed. */
const plain = (name: string) => name.toUpperCase().replace(/[^A-Z0-9]/g, '');
const bySpelling = new Map<string, Refrigerant | undefined>();
for (const allRefrigerant of allRefrigerants)
  bySpelling.set(plain(allRefrigerant.id), bySpelling.has(plain(allRefrigerant.id)) ? undefined : allRefrigerant);
for (const [name, id] of Object.entries(commonNames.names)) bySpelling.set(plain(name), byId.get(id));

/** The refrigerant of that designation, "R-410A", in any usual spelling. @throws UnknownRefrigerant with the nearest names */
export function refrigerant(id: string): Refrigerant {
  const found = byId.get(id) ?? bySpelling.get(plain(id));
  if (found === undefined) throw new UnknownRefrigerant(id, nearestNames(id, [...byId.keys()]));
  return found;
}

/**
 * A composition as a person writes it: substances in any usual spelling, and blends, which are taken apart. Parts of the same substance add up.
 * @throws UnknownRefrigerant, BadComposition (with the sum)
 */
export function compositionFrom(massFraction: Readonly<Record<string, number>>): Composition {
  const parts: Record<string, number> = {};
  for (const [name, share] of Object.entries(massFraction))
    for (const [id, own] of Object.entries(refrigerant(name).composition)) parts[id] = (parts[id] ?? 0) + own * share;
  return compositionOf(parts);
}

// each limit of each cylinder asks for it, among all designations
const remembered = new Remembered<string | undefined>();

/**
 * The designation that this composition is, traces of anything else allowed; otherwise nothing. Of two that are both near, the nearer.
 * @param tolerance of mass share for each substance: the one by which two contents are the same refrigerant
 */
export const designationOf = (composition: Composition, tolerance = SAME_SHARE): string | undefined =>
  remembered.of(composition, tolerance, () => nearestDesignation(composition, tolerance));

function nearestDesignation(composition: Composition, tolerance: number): string | undefined {
  let [nearest, least]: [string | undefined, number] = [undefined, tolerance];
  for (const { id, composition: nominal } of allRefrigerants) {
    const off = largestDifference(composition, nominal, least);
    if (off < least) [nearest, least] = [id, off];
  }
  return nearest;
}
