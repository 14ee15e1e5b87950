import type { CurrentOrganisation } from '@hygromet/contract/organisation';

/** What a firm of its own begins with, in this order; each may be passed over and done later. */
export const firstSteps = ['firm', 'device', 'practice', 'cylinders', 'systems'] as const;
export type FirstStep = (typeof firstSteps)[number];

export interface Begun {
  readonly organisation: Pick<CurrentOrganisation, 'version' | 'demo'>;
  /** Who works on this device; empty while nobody has said so. */
  readonly person: string;
  readonly cylinders: number;
  readonly systems: number;
  /** On this device: the practice was looked at, or a step was passed over. */
  readonly passed: readonly FirstStep[];
}

/** The steps that are done, from what is kept: whoever comes back goes on where something is missing. */
export function stepsDone({ organisation, person, cylinders, systems, passed }: Begun): ReadonlySet<FirstStep> {
  const done: Readonly<Record<FirstStep, boolean>> = {
    firm: organisation.version > 1, // opened without a name of its own
    device: person.trim() !== '',
    practice: passed.includes('practice'),
    cylinders: cylinders > 0,
    systems: systems > 0,
  };
  return new Set(firstSteps.filter((step) => done[step]));
}

/** The first step that is neither done nor passed over; nothing once the firm has begun. */
export function nextFirstStep(begun: Begun): FirstStep | undefined {
  const done = stepsDone(begun);
  return firstSteps.find((step) => !done.has(step) && !begun.passed.includes(step));
}
