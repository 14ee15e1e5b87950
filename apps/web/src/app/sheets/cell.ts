import { quantityUnits, readQuantity, type QuantityKind } from '../ui/quantity-entry';
import { CellError, type Cells } from './sheet';

/** Other ways in which people write our units. */
const alsoWritten: Readonly<Record<string, string>> = {
  lbs: 'lb',
  psi: 'psig',
  'bar gauge': 'barg',
  bar: 'barg',
  l: 'L',
  litre: 'L',
  litres: 'L',
  liter: 'L',
  'lb wc': 'lb-water',
  'lb water': 'lb-water',
  'lb of water': 'lb-water',
  feet: 'ft',
};

const POUNDS_OUNCES = /^(\d+)\s*lbs?\s+([\d.,]+)\s*oz$/i;
const NUMBER_UNIT = /^([-−+]?[\d.,\s]*\d)\s*(.*)$/;

export interface CellQuantity {
  readonly si: number;
  readonly typed: { readonly text: string; readonly unit: string };
}

/** "26.5 lb", "4 lb 6 oz", "150 psi". Nothing where the cell is empty. @throws CellError */
export function quantityIn(cells: Cells, column: string, kind: QuantityKind): CellQuantity | undefined {
  const text = (cells[column] ?? '').trim();
  if (text === '') return undefined;
  const split = POUNDS_OUNCES.exec(text);
  const reading =
    split !== null && (kind === 'mass' || kind === 'charge')
      ? readQuantity(kind, { unit: 'lb-oz', text: split[1]!, ounces: split[2]! })
      : readQuantity(kind, { ...numberAndUnit(text, column, kind), ounces: '' });
  if (reading.state === 'bad') throw new CellError(column, reading.sentence);
  return reading.state === 'good' ? { si: reading.si, typed: reading.typed } : undefined;
}

function numberAndUnit(text: string, column: string, kind: QuantityKind): { readonly text: string; readonly unit: string } {
  const [, number, written] = NUMBER_UNIT.exec(text) ?? [];
  if (number === undefined || written === undefined) throw new CellError(column, $localize`"${text}" is not a number with its unit.`);
  const unit = unitOf(written, kind);
  if (unit === undefined) {
    const units = Object.values(quantityUnits[kind]).join(', ');
    throw new CellError(
      column,
      written === ''
        ? $localize`"${text}" has no unit: write one of ${units}.`
        : $localize`"${written}" is no unit here: write one of ${units}.`,
    );
  }
  return { text: number, unit };
}

/** The unit that these words mean for this kind of quantity. */
export function unitOf(written: string, kind: QuantityKind): string | undefined {
  const word = written.trim();
  const units = Object.entries(quantityUnits[kind]);
  const meant = alsoWritten[word.toLowerCase()] ?? word;
  return units.find(([unit, label]) =>
    [word, meant].some((text) => text.toLowerCase() === unit.toLowerCase() || text.toLowerCase() === label.toLowerCase()),
  )?.[0];
}

/** As it was typed, or in SI with all its digits. */
export const quantityCell = (
  si: number | undefined,
  typed: { text: string; unit: string } | null | undefined,
  siUnit: string,
  factor = 1,
): string => {
  if (si === undefined) return '';
  if (typed == null) return `${Number((si * factor).toPrecision(9))} ${siUnit}`;
  return typed.unit === 'lb-oz' ? typed.text : `${typed.text} ${typed.unit}`;
};

export function choiceIn<T extends string>(cells: Cells, column: string, choices: readonly T[]): T | undefined {
  const text = (cells[column] ?? '').trim().toLowerCase();
  if (text === '') return undefined;
  const choice = choices.find((entry) => entry.toLowerCase() === text || entry.toLowerCase() === text.replaceAll(' ', '-'));
  if (choice === undefined) throw new CellError(column, $localize`"${text}" is none of ${choices.join(', ')}.`);
  return choice;
}

export function textIn(cells: Cells, column: string, what: string): string {
  const text = (cells[column] ?? '').trim();
  if (text === '') throw new CellError(column, $localize`The ${what} is missing.`);
  return text;
}
