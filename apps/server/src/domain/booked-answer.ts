import type { Account } from '@hygromet/contract/account';
import type { Booked } from '@hygromet/contract/movement';
import { overdrawnBy } from '@hygromet/core/cylinder/same-weight';
import type { FillLimitsAnswer } from '@hygromet/contract/fill-limits';
import { AtOnce } from '../store/at-once';
import type { CylinderRecord } from '../store/cylinder-store';
import type { Executor, Tx } from '../store/database';
import { inTransaction } from '../store/in-transaction';
import { fillPolicyOf, type OrganisationRow } from '../store/organisation-store';
import { computedWith, fillingOf } from './describe-cylinder';
import type { Environment } from './environment';

/** What a booking came to, before its answer is put together. */
export interface Entered {
  readonly movement: string;
  /** The cylinder whose limits are told. */
  readonly cylinder: string | undefined;
  readonly repeated: boolean;
}

/**
 * Books in a transaction, and puts the answer together after it: whoever waits for the same accounts does not wait for that.
 * In the answer: the entry, both accounts as they are now, and what may still go into the cylinder, as computed by the full model.
 */
export async function booking(
  db: Executor,
  organisation: OrganisationRow,
  environment: Environment,
  enter: (tx: Tx) => Promise<Entered>,
): Promise<Booked> {
  return bookedAnswer(new AtOnce(db, organisation.id), organisation, environment, await inTransaction(db, enter));
}

export async function bookedAnswer(
  store: AtOnce,
  organisation: OrganisationRow,
  environment: Environment,
  { movement: id, cylinder, repeated }: Entered,
): Promise<Booked> {
  const record = cylinder === undefined ? undefined : await store.cylinder(cylinder);
  // the model computes while the entry is read
  const [limits, { movement, from, to }] = await Promise.all([limitsOf(record, organisation, environment), entryOf(store, id)]);
  const over = limits?.limits.find(({ rule }) => rule === limits.ruling)?.mayAddKg ?? 0;
  return { movement, repeated, from, to, limits, overfilledByKg: over < 0 ? -over : null, overdrawnByKg: overdrawn(from) };
}

async function entryOf(store: AtOnce, id: string) {
  const movement = await store.movement(id);
  if (movement === undefined) throw new Error(`the movement ${id} was booked and is not there`);
  const [from, to] = await Promise.all([store.account(movement.from.id), store.account(movement.to.id)]);
  if (from === undefined || to === undefined) throw new Error(`the movement ${id} names an account that is not there`);
  return { movement, from, to };
}

/** The accounts outside may give what they like; a cylinder or a system holds no more than went in. */
const overdrawn = ({ kind, massKg }: Account): number | null => (kind === 'cylinder' || kind === 'system' ? overdrawnBy(massKg) : null);

/** Limits of a cylinder by what the ledger says is in it; none where they cannot be computed: it is booked all the same, and flagged. */
async function limitsOf(
  record: CylinderRecord | undefined,
  organisation: OrganisationRow,
  { computing }: Environment,
): Promise<FillLimitsAnswer | null> {
  const composition = record === undefined ? undefined : computedWith(record);
  if (record === undefined || composition === undefined) return null;
  const filling = fillingOf(composition, record, organisation);
  return computing.run('limits', { filling, policy: fillPolicyOf(organisation), airShare: record.airShare ?? undefined });
}
