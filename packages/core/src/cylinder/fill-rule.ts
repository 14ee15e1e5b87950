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

const { 'filling-density': cfrTable, 'un-p200': p200Table } = data.rules;

/**
 * kg/m³ that the tables of 49 CFR and of P200 allow this designation; nothing where they have no entry.
 * @param testPressure of the cylinder, Pa: high-pressure gases have an entry for each; the nearest one below it counts
 */
export function tabulatedFilling(
  refrigerantId: string | undefined,
  testPressure?: number,
): { readonly cfr?: Density; readonly p200?: Density } {
  const cfr = ownEntry(cfrTable.entries, refrigerantId);
  const p200 = ownEntry(p200Table.entries, refrigerantId) ?? atTestPressure(refrigerantId, testPressure);
  return {
    ...(cfr === undefined ? {} : { cfr: (cfr * cfrTable.waterDensity) as Density }),
    ...(p200 === undefined ? {} : { p200: (p200 * 1000) as Density }),
  };
}

function atTestPressure(id: string | undefined, testPressure: number | undefined): number | undefined {
  const fillings = ownEntry<Readonly<Record<string, number>>>(p200Table.entriesAtTestBar, id);
  if (fillings === undefined || testPressure === undefined) return undefined;
  const [least] = Object.entries(fillings)
    .filter(([bar]) => Number(bar) * 1e5 <= testPressure)
    .sort(([one], [other]) => Number(other) - Number(one));
  return least?.[1];
}

const ownEntry = <T>(entries: Readonly<Record<string, T>>, id: string | undefined): T | undefined =>
  id !== undefined && Object.hasOwn(entries, id) ? entries[id] : undefined;
