import { moment, say } from '@hygromet/contract/sentence';
import { DomainError } from './domain-error';

/** Clocks of a tablet and of the server that differ by less are taken for the same. */
export const CLOCKS_DIFFER_MS = 10 * 60_000;

/** What is recorded has happened: a later time is a slip of the hand, or the clock of the device is ahead. @throws DomainError */
export function refuseFuture(happenedAt: string, now: Date): void {
  if (Date.parse(happenedAt) <= now.getTime() + CLOCKS_DIFFER_MS) return;
  throw new DomainError(
    'invalid-input',
    'Time cannot be in the future. Give the time at which it happened, or set the clock of this device.',
    '/happenedAt',
  );
}

/** What a cylinder shows when it is empty must have been seen after the last of it went out. @throws DomainError */
export function refuseBeforeEmptied(happenedAt: string, lastMovedAt: Date | null, name: string): void {
  if (lastMovedAt === null || Date.parse(happenedAt) >= lastMovedAt.getTime()) return;
  throw new DomainError(
    'invalid-input',
    say`At that time ${name} was still in use: the last entry in its ledger is from ${moment(lastMovedAt)}. Give a time after it.`,
    '/happenedAt',
  );
}
