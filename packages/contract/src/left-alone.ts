import type { Visit } from './visit';

/** A nitrogen hold that nobody watches, and when somebody comes back to read it. */
export interface LeftAlone {
  readonly testId: string;
  readonly until: Date;
}

/** Those of a visit that still run. */
export const leftAlone = ({ state, tests }: Pick<Visit, 'state' | 'tests'>): readonly LeftAlone[] =>
  tests.flatMap(({ id, setUp, ended }) =>
    state === 'open' && ended === null && setUp.test === 'hold' && setUp.until !== undefined
      ? [{ testId: id, until: new Date(setUp.until) }]
      : [],
  );
