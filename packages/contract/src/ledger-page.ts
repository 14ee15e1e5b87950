/** How many entries of the ledger are read at a time; alone in its file, so that an interface can count with it without the schemas. */
export const USUAL_MOVEMENTS_COUNT = 500;
export const MOST_MOVEMENTS_COUNT = 5000;
