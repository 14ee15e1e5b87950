import type { JobConditions } from './job-conditions';
import { perhapsBurntOut } from './job-conditions';

/** Where the recovered refrigerant goes: it decides the cylinder before anything else does. */
export const destinations = ['unknown', 'same-system', 'other-system', 'reclaim'] as const;
export type Destination = (typeof destinations)[number];

/** What an acid test found; kit, result and date stand in the record of the visit. */
export const acidFindings = ['not-tested', 'none', 'acid'] as const;
export type AcidFinding = (typeof acidFindings)[number];

/** It goes back into a system of the same owner: into an evacuated cylinder of its own, through a drier. Common practice. */
export const goesBack = (destination: Destination): boolean => destination === 'same-system' || destination === 'other-system';

/**
 * Whether it goes into a cylinder marked for burnout: after a failed compressor until a test has found no acid, and wherever acid was
 * found. Common practice.
 */
export const keptApart = (compressor: JobConditions['compressor']['state'], failed: JobConditions['failed'], acid: AcidFinding): boolean =>
  perhapsBurntOut(compressor) || failed === 'compressor' ? acid !== 'none' : acid === 'acid';
