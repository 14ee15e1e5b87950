import data from './quantities.json';

export type Quantity = keyof typeof data.quantities;
export const quantities = Object.keys(data.quantities) as Quantity[]; // the keys of a constant
export const isQuantity = (name: string): name is Quantity => Object.hasOwn(data.quantities, name);

/** The SI unit in which a quantity is kept. */
export const siOf = (quantity: Quantity): string => data.quantities[quantity].si;

/** What an instrument tells of itself, beside its readings. */
export const instrumentFacts: readonly string[] = data.facts;

type Unit = keyof typeof data.units;
const isUnit = (name: string): name is Unit => Object.hasOwn(data.units, name);

/** A value in SI, or why it is none. */
export type Converted = { readonly value: number } | { readonly problem: 'unit-unknown' | 'unit-of-another-kind' | 'out-of-range' };

/** @param unit of the SenML registry; without one, SI */
export function convert(quantity: Quantity, value: number, unit: string | undefined): Converted {
  const { si, least, most } = data.quantities[quantity];
  const known = unit ?? si;
  if (!isUnit(known)) return { problem: 'unit-unknown' };
  const of: { si: string; factor: number; offset?: number } = data.units[known];
  if (of.si !== si) return { problem: 'unit-of-another-kind' };
  const figure = value * of.factor + (of.offset ?? 0);
  return figure >= least && figure <= most ? { value: figure } : { problem: 'out-of-range' };
}
