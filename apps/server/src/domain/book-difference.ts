import type { Booked, NewDifference } from '@hygromet/contract/movement';
import { refrigerant } from '@hygromet/core/fluids/refrigerant';
import { accountById } from '../store/account-store';
import type { Executor } from '../store/database';
import { AtOnce } from '../store/at-once';
import { addMovement } from '../store/movement-store';
import type { OrganisationRow } from '../store/organisation-store';
import { systemById } from '../store/system-store';
import { assessmentOf } from './assessment';
import { booking } from './booked-answer';
import { bookedBefore, keyReused } from './booked-before';
import { refuseFuture } from './in-time';
import { refuseOtherVisit } from './other-visit';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** Where a difference may go to, or come from: nowhere that somebody has weighed. Too much may have been charged by somebody else. */
const OPEN_ACCOUNTS: Readonly<Record<NewDifference['direction'], readonly string[]>> = {
  missing: ['air', 'unexplained'],
  surplus: ['unexplained', 'supplier'],
};

/** Books what an account of a system has found missing or too much, with its reason; nothing is adjusted silently. @throws DomainError */
export const bookDifference = (
  db: Executor,
  organisation: OrganisationRow,
  difference: NewDifference,
  environment: Environment,
): Promise<Booked> =>
  booking(db, organisation, environment, async (tx) => {
    const store = new AtOnce(tx, organisation.id);
    const { key, direction, massKg, happenedAt, recordedBy, note, visit } = difference;
    const system = await systemById(tx, organisation.id, difference.system);
    if (system === undefined) throw new DomainError('not-found', 'This system is not in the register.', '/system');
    const account = await accountById(tx, organisation.id, difference.account);
    if (account === undefined || !OPEN_ACCOUNTS[direction].includes(account.kind))
      throw new DomainError(
        'not-found',
        direction === 'missing'
          ? 'What is missing goes to the air, or to what is not accounted for.'
          : 'Too much comes from what is not accounted for, or from whoever supplied it.',
        '/account',
      );
    const [from, to] = direction === 'missing' ? [system.id, account.id] : [account.id, system.id];
    const decided = { from, to, massKg, happenedAt, recordedBy, note, visit };
    const earlier = await bookedBefore(store, key, decided);
    if (earlier !== undefined) return { movement: earlier, cylinder: undefined, repeated: true };
    refuseFuture(happenedAt, environment.now());
    await refuseOtherVisit(tx, organisation.id, visit, system.id);
    const id = environment.newId();
    const { state } = await addMovement(
      tx,
      {
        id,
        organisationId: organisation.id,
        key,
        from,
        to,
        massKg,
        refrigerant: system.refrigerant,
        composition: { ...refrigerant(system.refrigerant).composition },
        known: 'estimated',
        note,
        assessment: assessmentOf(organisation),
        happenedAt,
        recordedBy,
        ...(visit === undefined ? {} : { visit }),
      },
      environment.now(),
      decided,
    );
    if (state !== 'first') throw keyReused();
    return { movement: id, cylinder: undefined, repeated: false };
  });
