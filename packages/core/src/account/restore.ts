import { compositionOf, type Composition } from '../fluids/composition';
import { within } from '../units/quantity';
import { beyondTolerance, FOREIGN_SHARE, toleranceOf } from './blend-tolerance';

/** Something at hand that can be added. */
export interface Available {
  readonly name: string;
  readonly composition: Composition;
  readonly maxKg?: number | undefined;
}

export interface RestoreTask {
  readonly massKg: number;
  readonly composition: Composition;
  readonly designation: string;
  readonly available: readonly Available[];
  /** kg that the cylinder or the charge may hold at most. */
  readonly mostKg?: number | undefined;
}

export type NotRestored = 'foreign-in-it' | 'nothing-fits' | 'too-much';

export interface Restored {
  readonly possible: boolean;
  readonly add: readonly { readonly name: string; readonly kg: number }[];
  readonly resultKg: number;
  readonly composition: Composition;
  readonly reason: NotRestored | 'within-tolerance' | 'restored';
}

/** Shares kept clear of the edge of the band, for what a scale is off. */
const CLEAR = 1e-4;
const number = (value: number) => value.toFixed(9);
const variable = (k: number) => `x${k}`;

/**
 * The least that has to be added, as a linear programme in the LP format: every component's share within its band. The shares are those of
 * the sum, so each bound is linear in what is added. Nothing where it is within tolerance as it is.
 */
export function restoreModel({ massKg, composition, designation, available, mostKg }: RestoreTask): string | undefined {
  within('mass', massKg, Number.MIN_VALUE, 1e6, 'kg');
  if (beyondTolerance(composition, designation).size === 0 || available.length === 0) return undefined;
  const bands = toleranceOf(designation);
  const rows: string[] = [];
  const bound = (share: (entry: Composition) => number, limit: number, sense: '>=' | '<=') => {
    const terms = available.map((available, k) => `${number(share(available.composition) - limit)} ${variable(k)}`);
    rows.push(`${terms.join(' + ').replaceAll('+ -', '- ')} ${sense} ${number(-massKg * (share(composition) - limit))}`);
  };
  for (const [substance, { low, high }] of bands) {
    const share = (entry: Composition) => entry[substance] ?? 0;
    const clear = Math.min(CLEAR, (high - low) / 4);
    bound(share, low + clear, '>=');
    if (high < 1) bound(share, high - clear, '<=');
  }
  const foreign = (entry: Composition) =>
    Object.entries(entry).reduce((sum, [substance, share]) => sum + (bands.has(substance) ? 0 : share), 0);
  bound(foreign, FOREIGN_SHARE, '<=');
  if (mostKg !== undefined) rows.push(`${available.map((_, k) => variable(k)).join(' + ')} <= ${number(Math.max(0, mostKg - massKg))}`);
  return [
    'Minimize',
    ` obj: ${available.map((_, k) => variable(k)).join(' + ')}`,
    'Subject To',
    ...rows.map((row, k) => ` c${k}: ${row}`),
    'Bounds',
    ...available.map(({ maxKg }, k) => ` 0 <= ${variable(k)} <= ${number(maxKg ?? 1e5)}`),
    'End',
  ].join('\n');
}

/** What a solution of the model means. @param valueOf value of a variable; nothing where there is no solution */
export function restored(task: RestoreTask, valueOf: ((variable: string) => number) | undefined): Restored {
  const { massKg, composition, designation, available, mostKg } = task;
  const asItIs = { resultKg: massKg, composition, add: [] };
  if (beyondTolerance(composition, designation).size === 0) return { ...asItIs, possible: true, reason: 'within-tolerance' };
  if (valueOf === undefined) return { ...asItIs, possible: false, reason: reasonAgainst(task) };
  const add = available.flatMap(({ name }, k) => {
    const kg = valueOf(variable(k));
    return kg > 1e-6 ? [{ name, kg, k }] : [];
  });
  const resultKg = massKg + add.reduce((sum, { kg }) => sum + kg, 0);
  const masses = new Map(Object.entries(composition).map(([substance, share]) => [substance, share * massKg]));
  for (const { kg, k } of add)
    for (const [substance, share] of Object.entries(available[k]!.composition))
      masses.set(substance, (masses.get(substance) ?? 0) + kg * share);
  const result = compositionOf(Object.fromEntries([...masses].map(([substance, kg]) => [substance, kg / resultKg])));
  // the solver's own tolerance is far inside the clear; what it gives is looked at all the same
  const possible = beyondTolerance(result, designation).size === 0 && (mostKg === undefined || resultKg <= mostKg + 1e-6);
  return {
    possible,
    add: possible ? add.map(({ name, kg }) => ({ name, kg })) : [],
    resultKg: possible ? resultKg : massKg,
    composition: possible ? result : composition,
    reason: possible ? 'restored' : 'nothing-fits',
  };
}

function reasonAgainst({ composition, designation, mostKg, massKg }: RestoreTask): NotRestored {
  const bands = toleranceOf(designation);
  const foreign = Object.entries(composition).reduce((sum, [substance, share]) => sum + (bands.has(substance) ? 0 : share), 0);
  if (foreign > FOREIGN_SHARE) return 'foreign-in-it';
  return mostKg !== undefined && mostKg < 2 * massKg ? 'too-much' : 'nothing-fits';
}
