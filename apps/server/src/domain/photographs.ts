import type { AddedPhotograph, NewPhotograph } from '@hygromet/contract/photograph';
import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import { createHash } from 'node:crypto';
import type { Executor, Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { addPhotographRow, isPhotograph, photographById } from '../store/photograph-store';
import { doneBefore } from './done-before';
import { DomainError } from './domain-error';
import type { Environment } from './environment';

/** Keeps a photograph; the same sending twice is one. @throws DomainError */
export const addPhotograph = (
  db: Executor,
  organisationId: string,
  { key, jpeg, recordedBy }: NewPhotograph,
  { now, newId }: Environment,
): Promise<AddedPhotograph> =>
  inTransaction(db, async (tx) => {
    const bytes = Buffer.from(jpeg, 'base64');
    if (bytes.length < LEAST_BYTES) throw new DomainError('invalid-input', 'This photograph is empty: take it again.', '/jpeg');
    const id = newId();
    const content = { sha256: createHash('sha256').update(bytes).digest('hex'), recordedBy };
    const before = await doneBefore(tx, { organisationId, key, kind: 'photograph', content, answer: id });
    if (before !== undefined) return { id: before };
    await addPhotographRow(tx, { id, organisationId, jpeg: bytes, addedAt: now(), addedBy: recordedBy });
    return { id };
  });

const LEAST_BYTES = 100;

/** @throws DomainError */
export async function photograph(db: Executor, organisationId: string, id: string): Promise<Buffer> {
  const found = await photographById(db, organisationId, id);
  if (found === undefined) throw new DomainError('not-found', 'This photograph is not there.');
  return found;
}

/** A visit names only photographs that are kept. @throws DomainError */
export async function refuseUnkeptPhotograph(tx: Tx, organisationId: string, event: NewVisitEvent): Promise<void> {
  if (event.kind === 'photographed' && !(await isPhotograph(tx, organisationId, event.photograph)))
    throw new DomainError('not-found', 'This photograph is not kept: send it first.', '/photograph');
}
