import { addedGateway, type newGateway, type Gateway } from '@hygromet/contract/instrument';
import { createHash, randomBytes } from 'node:crypto';
import type * as z from 'zod';
import type { Outside } from '../domain/outside';
import { Refused } from '../domain/refused';
import type { Tx } from '../store/database';
import { addGateway, revokeGateway, senderBy, type Sender } from '../store/instrument-store';

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Who sends this: by the token behind "Bearer". What is kept of a token is its hash. @throws Refused */
export async function senderOf(db: Tx, authorization: string | undefined): Promise<Sender> {
  const token = /^Bearer (\S{16,200})$/.exec(authorization ?? '')?.[1];
  const sender = token === undefined ? undefined : await senderBy(db, hashOf(token));
  if (sender === undefined)
    throw new Refused(
      'unknown-gateway',
      'This gateway is not known here, or may send no more. Add it under Settings, Instruments, and give it the token that is shown there.',
    );
  return sender;
}

/** The token is told this once. */
export async function letSend(
  db: Tx,
  organisationId: string,
  { name, recordedBy }: z.infer<typeof newGateway>,
  outside: Outside,
): Promise<z.infer<typeof addedGateway>> {
  const token = randomBytes(24).toString('base64url');
  const gateway = await addGateway(db, organisationId, { id: outside.newId(), name, tokenHash: hashOf(token), addedBy: recordedBy });
  return { ...gateway, token };
}

/** @throws Refused */
export async function letSendNoMore(db: Tx, organisationId: string, id: string, outside: Outside): Promise<Gateway> {
  const gateway = await revokeGateway(db, organisationId, id, outside.now());
  if (gateway === undefined) throw new Refused('not-found', 'There is no such gateway.');
  return gateway;
}
