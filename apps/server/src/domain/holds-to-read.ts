import { leftAlone } from '@hygromet/contract/left-alone';
import type { Visit } from '@hygromet/contract/visit';

/** A system that was left alone under nitrogen, and when somebody comes back to read it. */
export interface HoldToRead {
  /** The same hold keeps its name, however often the calendar is asked for. */
  readonly uid: string;
  readonly until: Date;
  readonly title: string;
  readonly what: string;
}

export const holdsToRead = (visits: readonly Visit[]): HoldToRead[] =>
  visits.flatMap((visit) =>
    leftAlone(visit).map(({ testId, until }) => ({
      uid: `hold-${testId}`,
      until,
      title: `Read the nitrogen hold: ${visit.system.site}, ${visit.system.name}`,
      what: 'It is under nitrogen. Read pressure and temperatures before anything is opened.',
    })),
  );
