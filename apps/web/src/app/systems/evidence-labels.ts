import type { Evidence } from '@hygromet/contract/system';
import { waysKnown, type WayKnown } from '@hygromet/core/circuit/evidence';
import { dayOf, momentText, monthDayYear } from '../ui/day';

export const wayNames: Record<WayKnown, string> = {
  seen: $localize`seen on the unit`,
  plate: $localize`read from a plate`,
  measured: $localize`measured`,
  reported: $localize`reported by somebody`,
};

const BY: Record<WayKnown, string> = {
  seen: $localize`Seen by`,
  plate: $localize`From its plate:`,
  measured: $localize`Measured by`,
  reported: $localize`Reported, noted by`,
};

const SHORT: Record<WayKnown, string> = {
  seen: $localize`Seen`,
  plate: $localize`From its plate`,
  measured: $localize`Measured`,
  reported: $localize`Reported`,
};

/** How a fact is known, beside its field: who it was in full is a touch away, and in the timeline. */
export const shortEvidence = (evidence: Evidence | undefined): string =>
  evidence === undefined
    ? $localize`Nobody has seen it`
    : `${SHORT[evidence.how]} ${monthDayYear(dayOf(new Date(evidence.at)))}, ${evidence.by.split(' ')[0] ?? ''}`;

/** How a fact is known, in one line. */
export const evidenceText = (evidence: Evidence | undefined): string =>
  evidence === undefined ? $localize`Nobody has seen it` : `${BY[evidence.how]} ${evidence.by}, ${momentText(evidence.at)}`;

export const wayChoices = [{ value: '', label: $localize`choose` }, ...waysKnown.map((value) => ({ value, label: wayNames[value] }))];
