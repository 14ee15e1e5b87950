import { BadComposition, UnknownRefrigerant } from '../errors';
import { findSubstance, type Substance } from './substance';

/** Mass fractions by substance id; they sum to 1. */
export type Composition = Readonly<Record<string, number>>;

/** Shares that a person typed to a tenth of a per cent sum to 1 within this. */
const SUM_TOLERANCE = 1e-6;

/**
 * A composition that was checked: known substances, shares above 0, sum 1 (then scaled to it exactly).
 * @throws UnknownRefrigerant, BadComposition (with the sum)
 */
export function compositionOf(massFraction: Readonly<Record<string, number>>): Composition {
  const parts = Object.entries(massFraction).filter(([, share]) => share !== 0);
  for (const [id, share] of parts) {
    if (findSubstance(id) === undefined) throw new UnknownRefrigerant(id, []);
    if (!(share > 0)) throw new BadComposition(`The share of ${id} is ${share}; it has to be a number above 0.`);
  }
  const sum = parts.reduce((total, [, share]) => total + share, 0);
  if (!(Math.abs(sum - 1) <= SUM_TOLERANCE))
    throw new BadComposition(`The shares by mass sum to ${Number(sum.toPrecision(9))}; they have to sum to 1.`);
  return Object.fromEntries(parts.map(([id, share]) => [id, share / sum]));
}

/** Composition of several contents put together. @throws BadComposition when nothing is in any of them */
export function mixed(contents: readonly { readonly composition: Composition; readonly mass: number }[]): Composition {
  const total = contents.reduce((sum, { mass }) => sum + mass, 0);
  if (!(total > 0)) throw new BadComposition('There is nothing to mix: the masses sum to 0.');
  const parts: Record<string, number> = {};
  for (const { composition, mass } of contents)
    for (const [id, share] of Object.entries(composition)) parts[id] = (parts[id] ?? 0) + (share * mass) / total;
  return compositionOf(parts);
}

/** A share of a substance that differs by less is the same refrigerant: scales and rounding do as much. */
export const SAME_SHARE = 0.005;

/** Whether two compositions are the same refrigerant. */
export const sameRefrigerant = (one: Composition, other: Composition, within = SAME_SHARE): boolean =>
  largestDifference(one, other, within) < within;

/** The largest difference of a substance's share; as soon as it reaches `enough` it is not looked for further. */
export function largestDifference(one: Composition, other: Composition, enough = Number.POSITIVE_INFINITY): number {
  let largest = 0;
  for (const id in one) if ((largest = Math.max(largest, Math.abs(one[id]! - (other[id] ?? 0)))) >= enough) return largest;
  for (const id in other) if (one[id] === undefined && (largest = Math.max(largest, other[id]!)) >= enough) return largest;
  return largest;
}

export interface MolarComposition {
  readonly substances: readonly Substance[];
  readonly moleFraction: readonly number[];
  /** kg/mol */
  readonly molarMass: number;
}

/** The same composition by amount of substance. */
export function molarOf(composition: Composition): MolarComposition {
  const substances = Object.keys(composition).map((id) => {
    const substance = findSubstance(id);
    if (substance === undefined) throw new UnknownRefrigerant(id, []);
    return substance;
  });
  const moles = substances.map(({ id, molarMass }) => composition[id]! / molarMass);
  const total = moles.reduce((sum, n) => sum + n, 0);
  return { substances, moleFraction: moles.map((n) => n / total), molarMass: 1 / total };
}

/** Mass fractions by substance id of amounts (mol, or mol/m³). */
export function massFractionsOf(substances: readonly Substance[], amount: ArrayLike<number>): Composition {
  let total = 0;
  for (let i = 0; i < substances.length; i++) total += amount[i]! * substances[i]!.molarMass;
  const parts: Record<string, number> = {};
  for (let i = 0; i < substances.length; i++) parts[substances[i]!.id] = (amount[i]! * substances[i]!.molarMass) / total;
  return parts;
}
