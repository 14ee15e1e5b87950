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
  readonly safetyGroup: string | null;
  readonly gwp: { readonly AR4: number | null; readonly AR5: number | null };
  readonly modelQuality: ModelQuality;
}

const pureRefrigerants = allSubstances.map(({ id, safetyGroup, gwp }): Refrigerant => ({
  id,
  kind: 'pure',
  composition: { [id]: 1 },
  safetyGroup,
  gwp,
  modelQuality: 'published',
}));
const blendRefrigerants = allBlends.map(({ id, massFraction, safetyGroup, gwp, modelQuality }): Refrigerant => ({
  id,
  kind: 'blend',
  composition: massFraction,
  safetyGroup,
  gwp,
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

/** Whether the designation names a flammable refrigerant (A2L, A2, A3, B2L, B2, B3 of ANSI/ASHRAE 34). */
export const isFlammable = ({ safetyGroup }: Refrigerant): boolean => safetyGroup !== null && !safetyGroup.endsWith('1');

/** The designation whose nominal composition this is, within `tolerance` of mass share for each component; otherwise nothing. */
export function designationOf(composition: Composition, tolerance = 1e-4): string | undefined {
  const ids = Object.keys(composition);
  const same = ({ composition: nominal }: Refrigerant) =>
    Object.keys(nominal).length === ids.length && ids.every((id) => Math.abs((nominal[id] ?? -1) - composition[id]!) <= tolerance);
  return allRefrigerants.find(same)?.id;
}
