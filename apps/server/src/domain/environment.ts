import { randomUUID } from 'node:crypto';
import type { Computing } from '../computing/computing';

/** What a use case needs from outside besides the database: so that tests and demo data can be repeated. */
export interface Environment {
  readonly newId: () => string;
  readonly now: () => Date;
  readonly computing: Computing;
}

export const systemEnvironment = (computing: Computing): Environment => ({ newId: () => randomUUID(), now: () => new Date(), computing });
