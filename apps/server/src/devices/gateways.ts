import type { addedGateway, Gateway, newGateway } from '@hygromet/contract/instrument';
import { randomBytes } from 'node:crypto';
import type * as z from 'zod';
import type { Environment } from '../domain/environment';
import { DomainError } from '../domain/domain-error';
import type { Executor } from '../store/database';
import { addGateway, revokeGateway } from '../store/instrument-store';
import { tokenHash } from './senders';

/** Lets a gateway send. Its token is told this once. */
export async function letSend(
  db: Executor,
  organisationId: string,
  { name, recordedBy }: z.infer<typeof newGateway>,
  environment: Environment,
): Promise<z.infer<typeof addedGateway>> {
  const token = randomBytes(24).toString('base64url');
  const gateway = await addGateway(db, organisationId, { id: environment.newId(), name, tokenHash: tokenHash(token), addedBy: recordedBy });
  return { ...gateway, token };
}

/** @throws DomainError */
export async function letSendNoMore(db: Executor, organisationId: string, id: string, environment: Environment): Promise<Gateway> {
  const gateway = await revokeGateway(db, organisationId, id, environment.now());
  if (gateway === undefined) throw new DomainError('not-found', 'There is no such gateway.');
  return gateway;
}
