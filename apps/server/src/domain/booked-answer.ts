import type { Account } from '@hygromet/contract/account';
import type { Booked } from '@hygromet/contract/movement';
import { overdrawnBy } from '@hygromet/core/cylinder/same-weight';
import { CoreError } from '@hygromet/core/errors';
import { unless } from '@hygromet/core/unless';
import type { FillLimitsAnswer } from '@hygromet/contract/fill-limits';
import { accountById } from '../store/account-store';
import { cylinderById } from '../store/cylinder-store';
import type { Tx } from '../store/database';
import { movementById } from '../store/movement-store';
import { fillPolicyOf, type OrganisationRow } from '../store/organisation-store';
import { limitsAnswer } from './compute-fill-limits';
import { compositionIn, fillingOf } from './cylinder-standing';

/** The entry with both accounts as they are now, and what may still go into the cylinder, as computed by the full model. */
export async function bookedAnswer(
  tx: Tx,
  organisation: OrganisationRow,
  movementId: string,
  cylinderId: string | undefined,
  repeated: boolean,
): Promise<Booked> {
  const movement = await movementById(tx, organisation.id, movementId);
  if (movement === undefined) throw new Error(`the movement ${movementId} was booked and is not there`);
  const [from, to] = [await accountById(tx, organisation.id, movement.from.id), await accountById(tx, organisation.id, movement.to.id)];
  if (from === undefined || to === undefined) throw new Error(`the movement ${movementId} names an account that is not there`);
  const limits = cylinderId === undefined ? null : await cylinderLimits(tx, organisation, cylinderId);
  const over = limits?.limits.find(({ rule }) => rule === limits.ruling)?.mayAddKg ?? 0;
  return { movement, repeated, from, to, limits, overfilledByKg: over < 0 ? -over : null, overdrawnByKg: overdrawn(from) };
}

/** The accounts outside may give what they like; a cylinder or a system holds no more than went in. */
const overdrawn = ({ kind, massKg }: Account): number | null => (kind === 'cylinder' || kind === 'system' ? overdrawnBy(massKg) : null);

/** Limits of a cylinder by what the ledger says is in it; none where they cannot be computed: it is booked all the same, and flagged. */
export async function cylinderLimits(tx: Tx, organisation: OrganisationRow, id: string): Promise<FillLimitsAnswer | null> {
  const record = await cylinderById(tx, organisation.id, id);
  const composition = record === undefined ? undefined : compositionIn(record);
  if (record === undefined || composition === undefined) return null;
  const more = record.airShare === null ? {} : { airShare: record.airShare };
  return unless(CoreError, () => limitsAnswer(fillingOf(composition, record, organisation), fillPolicyOf(organisation), more)) ?? null;
}
