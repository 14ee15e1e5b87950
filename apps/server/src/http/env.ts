import type { Logger } from 'pino';
import type { Receiver } from '../devices/receiver';
import type { LiveReadings } from '../live/live-readings';
import type { Environment } from '../domain/environment';
import type { Db } from '../store/database';

/** What the routes are given; nothing is reached for. */
export interface Deps {
  readonly db: Db;
  readonly environment: Environment;
  readonly log: Logger;
  /** Shared with whatever else receives readings. */
  readonly receiver?: Receiver | undefined;
  /** Readings as they come in; nothing where nobody listens to PostgreSQL. */
  readonly live?: LiveReadings | undefined;
  readonly version: string;
  /** Holds every answer to its contract: in tests and in development. */
  readonly checkAnswers?: boolean | undefined;
  /** Where the database lies, when its disk is to be watched. */
  readonly dataFolder?: string | undefined;
}

/** What a request carries with it. */
export interface Env {
  Variables: { requestId: string };
}
