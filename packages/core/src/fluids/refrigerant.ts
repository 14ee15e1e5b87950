import { UnknownRefrigerant } from '../errors';
import { allBlends, type ModelQuality } from './blend';
import type { Composition } from './composition';
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

/** The designation whose nominal composition this is, within `tolerance` of mass share for each component; otherwise nothing. */
export function designationOf(composition: Composition, tolerance = 1e-4): string | undefined {
  const ids = Object.keys(composition);
  const same = ({ composition: nominal }: Refrigerant) =>
    Object.keys(nominal).length === ids.length && ids.every((id) => Math.abs((nominal[id] ?? -1) - composition[id]!) <= tolerance);
  return allRefrigerants.find(same)?.id;
}
