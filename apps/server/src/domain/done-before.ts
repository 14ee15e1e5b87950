import type { Tx } from '../store/database';
import { sentOnce, type Sending } from '../store/sent-once-store';
import { keyReused } from './booked-before';

/**
 * What an earlier sending of the same has made; nothing where this is the first.
 * @throws DomainError where the key came with other content
 */
export async function doneBefore(tx: Tx, sending: Sending): Promise<string | undefined> {
  const sent = await sentOnce(tx, sending);
  if (sent.state === 'key-reused') throw keyReused();
  return sent.state === 'repeated' ? sent.answer : undefined;
}
