/** How many reads go together at most; alone in its file, so that an interface can count with it without the schemas. */
export const MOST_READS_COUNT = 12;
