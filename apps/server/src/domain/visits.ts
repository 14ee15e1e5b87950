import { nothingRecorded } from '@hygromet/contract/nothing-recorded';
import type { NewVisit, Visit, VisitWithEvents } from '@hygromet/contract/visit';
import type { NewVisitEvent } from '@hygromet/contract/visit-event';
import type { TestReading, TestSetUp } from '@hygromet/contract/visit-test';
import type { VisitRecord } from '@hygromet/contract/visit-record';
import type { Executor, Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { systemById } from '../store/system-store';
import { addVisit, addVisitEvent, lockVisit, visitById, visitEventsOf } from '../store/visit-store';
import type { OrganisationRow } from '../store/organisation-store';
import { refuseImpossible } from './method-stands';
import { keyReused } from './booked-before';
import { doneBefore } from './done-before';
import { refuseUnkeptPhotograph } from './photographs';
import { refuseFuture } from './in-time';
import { refuseHighTest } from './refuse-high-test';
import type { Environment } from './environment';
import { DomainError } from './domain-error';

/** Opens a visit to a system; the same sending twice is one visit. @throws DomainError */
export const openVisit = (db: Executor, organisationId: string, draft: NewVisit, environment: Environment): Promise<Visit> =>
  inTransaction(db, async (tx) => {
    if ((await systemById(tx, organisationId, draft.system)) === undefined)
      throw new DomainError('not-found', 'This system is not in the register.', '/system');
    const id = environment.newId();
    const { key, recordedBy, ...body } = draft;
    const before = await doneBefore(tx, { organisationId, key, kind: 'visit', content: { ...body, recordedBy }, answer: id });
    if (before !== undefined) return read(tx, organisationId, before);
    await addVisit(tx, organisationId, id, draft, environment.now());
    return read(tx, organisationId, id);
  });

/** A visit with everything that was added to it. @throws DomainError */
export async function visitWithEvents(db: Executor, organisationId: string, id: string): Promise<VisitWithEvents> {
  const visit = await visitById(db, organisationId, id);
  if (visit === undefined) throw new DomainError('not-found', 'This visit is not there.');
  return { ...visit, events: await visitEventsOf(db, organisationId, id) };
}

/**
 * Adds what was seen, read, decided or done. Two who look at once write into one look; what decides for others is refused where there is
 * something newer than what was seen. The same sending twice is one event.
 * @throws DomainError
 */
export async function addToVisit(
  db: Executor,
  organisation: OrganisationRow,
  id: string,
  event: NewVisitEvent,
  environment: Environment,
): Promise<Visit> {
  if (event.kind === 'planned') await refuseUnlessPossible(db, organisation, id, event, environment);
  return add(db, organisation.id, id, event, environment);
}

/** Judged by the state that the plan names: what rests on another one is refused for that, with the visit held. */
async function refuseUnlessPossible(
  db: Executor,
  organisation: OrganisationRow,
  id: string,
  { version, plan }: Extract<NewVisitEvent, { kind: 'planned' }>,
  environment: Environment,
): Promise<void> {
  const visit = await visitById(db, organisation.id, id);
  if (visit === undefined || visit.version !== version || visit.system.factsVersion !== plan.factsVersion) return;
  await refuseImpossible(db, organisation, visit, plan, environment);
}

const add = (db: Executor, organisationId: string, id: string, event: NewVisitEvent, environment: Environment): Promise<Visit> =>
  inTransaction(db, async (tx) => {
    if ((await lockVisit(tx, organisationId, id)) === undefined) throw new DomainError('not-found', 'This visit is not there.');
    const before = await read(tx, organisationId, id);
    const earlier = await doneBefore(tx, { organisationId, key: event.key, kind: 'visit-event', content: saidIn(event), answer: id });
    if (earlier !== undefined && earlier !== id) throw keyReused();
    if (earlier !== undefined) return before;
    refuseFuture(event.happenedAt, environment.now());
    refuseOutdated(event, before);
    await refuseHighTest(tx, organisationId, before, event);
    await refuseUnkeptPhotograph(tx, organisationId, event);
    const { id: _id, system: _system, recovered: _recovered, ...record } = before;
    await addVisitEvent(tx, organisationId, id, record satisfies VisitRecord, event, environment.now());
    return read(tx, organisationId, id);
  });

/** The version that was seen is no part of what was said. */
function saidIn(event: NewVisitEvent): object {
  const { key: _key, ...content } = event;
  const { version: _version, ...said } = { version: undefined, ...content };
  return said;
}

function refuseOutdated(event: NewVisitEvent, visit: Visit): void {
  const { state, version, system, tests, transfers } = visit;
  if (event.kind === 'reopened') {
    if (state === 'open') throw new DomainError('changed-meanwhile', 'This visit is open.');
    return;
  }
  if (state === 'closed') throw new DomainError('changed-meanwhile', 'This visit is closed. Open it again, or open a new one.');
  if (event.kind === 'test-read' || event.kind === 'test-followed' || event.kind === 'test-ended') refuseStrangeTest(event, tests);
  refuseStrangeTransfer(event, transfers);
  if (event.kind === 'planned' && event.plan.factsVersion !== system.factsVersion)
    throw new DomainError('changed-meanwhile', 'The facts of this system have changed since. Check the plan again, then save it.');
  if (event.kind === 'closed' && tests.some(({ setUp, ended }) => setUp.test === 'hold' && ended === null))
    throw new DomainError(
      'changed-meanwhile',
      'A nitrogen hold is still running: the system is under pressure. Read it and end the test, then close the visit.',
    );
  if (event.kind === 'closed' && nothingRecorded(visit) && (event.why ?? '').trim() === '')
    throw new DomainError(
      'reason-missing',
      'Nothing was recorded on this visit. Say why it is closed: the reason is saved with the job.',
      '/why',
    );
  if ('version' in event && event.version !== version)
    throw new DomainError('changed-meanwhile', 'Somebody has changed this visit meanwhile. Check it again, then save.');
}

/** What only readings of this kind have; a rise has microns too, and is looked for before a pull-down. */
const TOLD_BY = [
  ['suctionPa', 'pump-down'],
  ['shutInPa', 'shut-in'],
  ['isolated', 'rise'],
  ['micron', 'pull-down'],
  ['gaugePa', 'hold'],
] as const satisfies readonly (readonly [string, TestSetUp['test']])[];
const kindOfReading = (reading: TestReading) => TOLD_BY.find(([field]) => field in reading)?.[1];

/** A reading belongs to a test of its kind that is still running. */
function refuseStrangeTest(
  event: Extract<NewVisitEvent, { kind: 'test-read' | 'test-followed' | 'test-ended' }>,
  tests: Visit['tests'],
): void {
  const test = tests.find(({ id }) => id === event.testId);
  if (test === undefined) throw new DomainError('not-found', 'This test is not on this visit.', '/testId');
  if (test.ended !== null) throw new DomainError('changed-meanwhile', 'This test has ended. Begin another one.', '/testId');
  if (event.kind === 'test-read' && kindOfReading(event.reading) !== test.setUp.test)
    throw new DomainError('invalid-input', 'This reading is of another kind of test.', '/reading');
  if (event.kind === 'test-followed' && event.readings.some(({ reading }) => kindOfReading(reading) !== test.setUp.test))
    throw new DomainError('invalid-input', 'These readings are of another kind of test.', '/readings');
}

/** A transfer is begun once, one at a time, and what is said of it belongs to one that still runs. */
function refuseStrangeTransfer(event: NewVisitEvent, transfers: Visit['transfers']): void {
  if (event.kind === 'transfer-begun' && transfers.some(({ ended }) => ended === null))
    throw new DomainError('changed-meanwhile', 'A transfer of this visit is running. End it first.', '/transferId');
  if (event.kind !== 'transfer-read' && event.kind !== 'transfer-noted' && event.kind !== 'transfer-ended') return;
  const transfer = transfers.find(({ id }) => id === event.transferId);
  if (transfer === undefined) throw new DomainError('not-found', 'This transfer is not on this visit.', '/transferId');
  if (transfer.ended !== null) throw new DomainError('changed-meanwhile', 'This transfer has ended. Begin another one.', '/transferId');
}

async function read(tx: Tx, organisationId: string, id: string): Promise<Visit> {
  const visit = await visitById(tx, organisationId, id);
  if (visit === undefined) throw new Error(`the visit ${id} was saved and is not there`);
  return visit;
}
