import type { Density } from '../units/quantity';
import data from './fill-rules.json';

/** The rules that limit what a cylinder may hold. Limits, shares and sources stand in `fill-rules.json`. */
export type FillRule = keyof typeof data.rules;

export const fillRules = Object.keys(data.rules) as readonly FillRule[]; // Object.keys forgets its literal keys

/** Which rules an organisation asks for, and how full of liquid it lets a cylinder be at 131 °F. */
export interface FillPolicy {
  readonly required: readonly FillRule[];
  /** 0 to 1 */
  readonly liquidShareAt131F: number;
}

export const defaultFillPolicy: FillPolicy = {
  required: data.defaults.required.filter((rule): rule is FillRule => rule in data.rules),
  liquidShareAt131F: data.defaults.liquidShareAt131F,
};

export const fillRuleName = (rule: FillRule): string => data.rules[rule].name;
export const fillRuleSource = (rule: FillRule): string => `${data.rules[rule].source} (${data.remark})`;

/** kg/m³ that the tables of 49 CFR and of P200 allow this designation; nothing where they have no entry. */
export function tabulatedFilling(refrigerantId: string | undefined): { readonly cfr?: Density; readonly p200?: Density } {
  const cfr = ownEntry(data.rules['filling-density'].entries, refrigerantId);
  const p200 = ownEntry(data.rules['un-p200'].entries, refrigerantId);
  return {
    ...(cfr === undefined ? {} : { cfr: (cfr * data.rules['filling-density'].waterDensity) as Density }),
    ...(p200 === undefined ? {} : { p200: (p200.kgPerLitre * 1000) as Density }),
  };
}

/** The UN number of a gas that P200 names; nothing where it has no entry of its own. */
export const unNumberInTable = (refrigerantId: string | undefined): string | undefined =>
  ownEntry(data.rules['un-p200'].entries, refrigerantId)?.un;

const ownEntry = <T>(entries: Readonly<Record<string, T>>, id: string | undefined): T | undefined =>
  id !== undefined && Object.hasOwn(entries, id) ? entries[id] : undefined;
