import classifications from './classification.json';
import { isFlammableGroup } from './safety-group';

/** What a refrigerant is called and how it is classified; nothing is computed from it. */
export interface Classification {
  /** ANSI/ASHRAE 34 safety group, "A2L". */
  readonly safetyGroup: string | null;
  /** Global warming potential over 100 years by the fourth and the fifth IPCC assessment. */
  readonly gwp: { readonly AR4: number | null; readonly AR5: number | null };
}

const byId = new Map<string, Classification>(Object.entries(classifications));
const UNCLASSIFIED: Classification = { safetyGroup: null, gwp: { AR4: null, AR5: null } };

/** Classification of a substance or blend by its designation; nothing is known of others. */
export const classificationOf = (id: string): Classification => byId.get(id) ?? UNCLASSIFIED;

export const isFlammable = ({ safetyGroup }: Classification): boolean => isFlammableGroup(safetyGroup);
