import type { Logger } from 'pino';
import type { Db } from '../store/database';
import { ownOrganisation } from '../store/organisation-store';
import { keepReadings } from '../store/reading-store';

const EVERY_MS = 6 * 3_600_000;

/** Makes room for the readings of the next days, and lets those go that are older than the organisation keeps them. */
export function keepDaysOfReadings(db: Db, log: Logger): () => void {
  const keep = async () => {
    try {
      const { readingsKeptDays } = await ownOrganisation(db);
      await keepReadings(db, readingsKeptDays);
    } catch (error) {
      log.warn({ err: error }, 'the days of the readings were not kept');
    }
  };
  void keep();
  const timer = setInterval(() => void keep(), EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}
