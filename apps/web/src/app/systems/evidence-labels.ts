import type { Evidence } from '@hygromet/contract/system';
import { waysKnown, type WayKnown } from '@hygromet/core/circuit/evidence';
import { dayOf, momentText, monthDayYear } from '../ui/day';

export const wayNames: Record<WayKnown, string> = {
  seen: 'seen on the unit',
  plate: 'read from a plate',
  measured: 'measured',
  reported: 'reported by somebody',
};

const BY: Record<WayKnown, string> = { seen: 'Seen by', plate: 'From its plate:', measured: 'Measured by', reported: 'Reported, noted by' };

const SHORT: Record<WayKnown, string> = { seen: 'Seen', plate: 'From its plate', measured: 'Measured', reported: 'Reported' };

/** How a fact is known, beside its field: who it was in full is a touch away, and in the timeline. */
export const shortEvidence = (evidence: Evidence | undefined): string =>
  evidence === undefined
    ? 'Nobody has seen it'
    : `${SHORT[evidence.how]} ${monthDayYear(dayOf(new Date(evidence.at)))}, ${evidence.by.split(' ')[0] ?? ''}`;

/** How a fact is known, in one line. */
export const evidenceText = (evidence: Evidence | undefined): string =>
  evidence === undefined ? 'Nobody has seen it' : `${BY[evidence.how]} ${evidence.by}, ${momentText(evidence.at)}`;

export const wayChoices = [{ value: '', label: 'choose' }, ...waysKnown.map((value) => ({ value, label: wayNames[value] }))];
