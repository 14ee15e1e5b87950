import type { Movement } from '@hygromet/contract/movement';
import type { VisitTransfer } from '@hygromet/contract/visit-transfer';

/** kg: a weight that somebody typed again from the same display. */
const TYPED_ROUNDING = 0.05;

/** Which transfer of the visit an entry has booked: into the same cylinder, from the same gross weight on, ended before it was recorded. */
export const transferOf = (
  { to, grossBeforeKg, recordedAt }: Pick<Movement, 'to' | 'grossBeforeKg' | 'recordedAt'>,
  transfers: readonly VisitTransfer[],
): VisitTransfer | undefined =>
  transfers.findLast(
    ({ setUp, ended }) =>
      ended !== null &&
      setUp.cylinder === to.id &&
      grossBeforeKg !== null &&
      Math.abs(setUp.startGrossKg - grossBeforeKg) < TYPED_ROUNDING &&
      Date.parse(ended.at) <= Date.parse(recordedAt),
  );
