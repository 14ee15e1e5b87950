import type { Evidence } from '@hygromet/contract/system';
import { waysKnown, type WayKnown } from '@hygromet/core/circuit/evidence';
import { momentText } from '../ui/day';

export const wayNames: Record<WayKnown, string> = {
  seen: 'seen on the unit',
  plate: 'read from a plate',
  measured: 'measured',
  reported: 'reported by somebody',
};

const BY: Record<WayKnown, string> = { seen: 'Seen by', plate: 'From its plate:', measured: 'Measured by', reported: 'Reported, noted by' };

/** How a fact is known, in one line. */
export const evidenceText = (evidence: Evidence | undefined): string =>
  evidence === undefined ? 'Nobody has seen it' : `${BY[evidence.how]} ${evidence.by}, ${momentText(evidence.at)}`;

export const wayChoices = [{ value: '', label: 'choose' }, ...waysKnown.map((value) => ({ value, label: wayNames[value] }))];
