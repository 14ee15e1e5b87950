import type { addedGateway, Gateway, newGateway } from '@hygromet/contract/instrument';
import { randomBytes } from 'node:crypto';
import type * as z from 'zod';
import type { Outside } from '../domain/outside';
import { Refused } from '../domain/refused';
import type { Tx } from '../store/database';
import { addGateway, revokeGateway } from '../store/instrument-store';
import { tokenHash } from './senders';

/** Lets a gateway send. Its token is told this once. */
export async function letSend(
  db: Tx,
  organisationId: string,
  { name, recordedBy }: z.infer<typeof newGateway>,
  outside: Outside,
): Promise<z.infer<typeof addedGateway>> {
  const token = randomBytes(24).toString('base64url');
  const gateway = await addGateway(db, organisationId, { id: outside.newId(), name, tokenHash: tokenHash(token), addedBy: recordedBy });
  return { ...gateway, token };
}

/** @throws Refused */
export async function letSendNoMore(db: Tx, organisationId: string, id: string, outside: Outside): Promise<Gateway> {
  const gateway = await revokeGateway(db, organisationId, id, outside.now());
  if (gateway === undefined) throw new Refused('not-found', 'There is no such gateway.');
  return gateway;
}
