/** Which cylinder is filled, and for which job: a page of its own reads it from its address, a visit knows it. */
export abstract class FillTarget {
  abstract readonly cylinderId: string;
  /** The visit it is done on. */
  abstract readonly visit: string | null;
  /** The account it comes from, where that is known beforehand. */
  abstract readonly source: string | null;
}
