import type { QuantityKind } from '../ui/quantity-entry';

/** One column of a file, by the name it has in our own exports. */
export interface Column {
  readonly name: string;
  readonly label: string;
  readonly required: boolean;
  /** A quantity is written with its unit, "26.5 lb"; where a file keeps units elsewhere, the person says which it is. */
  readonly quantity?: QuantityKind;
  /** Supported columns. */
  readonly hint: string;
}

export type Cells = Readonly<Record<string, string>>;

/** A cell that cannot be read. */
export class CellError extends Error {
  constructor(
    readonly column: string,
    sentence: string,
  ) {
    super(sentence);
  }
}

/** How a register is written to a file and read from one. */
export interface Sheet<New, Known> {
  readonly what: string;
  readonly one: string;
  readonly columns: readonly Column[];
  readonly write: (known: Known) => Cells;
  /** @throws CellError for the first cell that cannot be read */
  readonly read: (cells: Cells) => New;
}
