import { createHash } from 'node:crypto';
import { DomainError } from '../domain/domain-error';
import type { Db } from '../store/database';
import { senderBy, type Sender } from '../store/instrument-store';

/** ms for which a token that was found is not looked up again: for so long, at most, one that another server process revoked still sends. */
const KNOWN_MS = 5000;
const MOST_KNOWN_COUNT = 5000;

/** What is kept of a token is its hash. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Who sends, by the token behind "Bearer". */
export class Senders {
  private readonly known = new Map<string, { readonly sender: Sender; readonly until: number }>();

  constructor(private readonly db: Db) {}

  /** @throws DomainError */
  async of(authorization: string | undefined): Promise<Sender> {
    const token = /^Bearer (\S{16,200})$/.exec(authorization ?? '')?.[1];
    const sender = token === undefined ? undefined : await this.lookedUp(tokenHash(token));
    if (sender === undefined)
      throw new DomainError(
        'unknown-gateway',
        'This gateway is not known here, or may send no more. Add it under Settings, Instruments, and give it the token that is shown there.',
      );
    return sender;
  }

  /** Looks everybody up again. */
  forget(): void {
    this.known.clear();
  }

  private async lookedUp(hash: string): Promise<Sender | undefined> {
    const known = this.known.get(hash);
    if (known !== undefined && known.until > performance.now()) return known.sender;
    const sender = await senderBy(this.db, hash);
    this.known.delete(hash);
    if (sender === undefined) return undefined;
    if (this.known.size >= MOST_KNOWN_COUNT) this.known.clear();
    this.known.set(hash, { sender, until: performance.now() + KNOWN_MS });
    return sender;
  }
}
