import { randomUUID } from 'node:crypto';

/** What a use case needs from outside besides the database: so that tests and demo data can be repeated. */
export interface Outside {
  readonly newId: () => string;
  readonly now: () => Date;
}

export const realOutside: Outside = { newId: () => randomUUID(), now: () => new Date() };
