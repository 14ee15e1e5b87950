import type { AtOnce } from '../store/at-once';
import { contentOf, type Decided } from '../store/movement-store';
import { asKept } from '../store/sent-once-store';
import { DomainError } from './domain-error';

/**
 * The entry that this key has made, undefined where it is new. Asked before anything else is judged: after the first booking the
 * cylinder may be empty, full or mixed, and a request whose answer was lost must not be refused for what it did itself.
 * @throws DomainError where the key came with other content
 */
export async function bookedBefore(store: AtOnce, key: string, decided: Decided): Promise<string | undefined> {
  const sent = asKept(await store.sent(key), { kind: 'booking', content: contentOf(decided) });
  if (sent?.state === 'key-reused') throw keyReused();
  return sent?.answer;
}

export const keyReused = () =>
  new DomainError(
    'key-reused',
    'This booking was sent before with other content, perhaps from another tab, and is booked once. Check the ledger; reverse it there if it is wrong.',
  );
