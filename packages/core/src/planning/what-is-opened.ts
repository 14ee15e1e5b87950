import { openedBy, type Opened } from '../circuit/opened';
import { FIRST_SHUT, surelyEmptied, underCharge, type PumpedInto } from '../circuit/sections';
import type { JobConditions } from './job-conditions';

/** What this visit opens to the air. @param kept where the charge stays, behind shut valves */
export const opened = ({ circuit, purpose, failed }: Pick<JobConditions, 'circuit' | 'purpose' | 'failed'>, kept?: PumpedInto): Opened =>
  failed === 'none' ? 'everything' : openedBy(circuit, purpose, failed === 'unknown' ? undefined : failed, kept);

/**
 * Whether something would be opened that stays under the charge that was pumped there. That the valve which is shut first holds is asked by
 * itself; the compressor counts as keeping back what it pumped.
 */
export function opensUnderCharge(conditions: JobConditions, into: PumpedInto): boolean {
  // without the valve that is shut first there is no such pump-down: that is told by itself
  if (conditions.valves[FIRST_SHUT[into]] === 'none') return false;
  const open = opened(conditions, into);
  return typeof open !== 'string' && some(open, kept(conditions, into, true));
}

/** Whether nothing but the compressor's own valves would keep the charge from what is opened; where that is not known, by the valve alone. */
export function keptBackByCompressorAlone(conditions: JobConditions, into: PumpedInto): boolean {
  const open = opened(conditions, into);
  if (typeof open === 'string') return conditions.valves['suction-service'] === 'none';
  return !some(open, kept(conditions, into, true)) && some(open, kept(conditions, into, false));
}

/** Whether a recovery through the ports surely empties what is opened: where nobody has found that yet, anything may be. */
export function emptiedWhereOpened(conditions: JobConditions, meteringStuckShut: boolean): boolean {
  const open = opened(conditions);
  const emptied = surelyEmptied(conditions.circuit, { solenoidHeld: true, meteringStuckShut });
  return (typeof open === 'string' ? conditions.circuit.components.map(({ id }) => id) : open).every((id) => emptied.has(id));
}

const kept = ({ circuit, valves }: JobConditions, into: PumpedInto, compressorKeepsBack: boolean) =>
  underCharge(circuit, into, { ...valves, [FIRST_SHUT[into]]: 'holds' }, compressorKeepsBack);

const some = <T>(all: readonly T[], of: ReadonlySet<T>): boolean => all.some((one) => of.has(one));
