import type { Booked, Movement, NewReversal } from '@hygromet/contract/movement';
import type { Executor } from '../store/database';
import { addMovement, movementById, type Draft } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { booking } from './booked-answer';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** The entry that undoes `wrong`: same mass, accounts exchanged. `wrong` itself stays for ever. */
export const reversalOf = (wrong: Movement, reversal: NewReversal, organisationId: string, id: string, now: Date): Draft => ({
  id,
  organisationId,
  key: reversal.key,
  from: wrong.to.id,
  to: wrong.from.id,
  massKg: wrong.massKg,
  refrigerant: wrong.refrigerant,
  composition: wrong.composition,
  known: 'corrected',
  note: reversal.note,
  happenedAt: now.toISOString(),
  recordedBy: reversal.recordedBy,
  reverses: wrong.id,
});

/** Reverses a wrong entry, once. A reversal itself is not reversed: what really happened is booked anew. @throws DomainError */
export const reverseMovement = (
  db: Executor,
  organisation: OrganisationRow,
  movementId: string,
  reversal: NewReversal,
  environment: Environment,
): Promise<Booked> =>
  booking(db, organisation, environment, async (tx) => {
    const wrong = await movementById(tx, organisation.id, movementId);
    if (wrong === undefined) throw new DomainError('not-found', 'This entry is not in the ledger.');
    if (wrong.reverses !== null)
      throw new DomainError('reversal-of-reversal', 'This entry is itself a reversal. Book what really happened as a new entry.');
    // the moment of the wrong entry keeps a repeated request the same request
    const draft = reversalOf(wrong, reversal, organisation.id, environment.newId(), new Date(wrong.happenedAt));
    const sent = await addMovement(tx, draft, environment.now(), draft);
    if (sent.state === 'key-reused')
      throw new DomainError('key-reused', 'This reversal was sent before with other content, and is booked once. Check the ledger.');
    const cylinder = [wrong.to, wrong.from].find(({ kind }) => kind === 'cylinder');
    return { movement: sent.state === 'first' ? draft.id : sent.answer, cylinder: cylinder?.id, repeated: sent.state === 'repeated' };
  });
