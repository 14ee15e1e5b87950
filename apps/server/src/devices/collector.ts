import type { Db } from '../store/database';
import { addReadings, type OwnedReading } from '../store/reading-store';

interface Waiting {
  readonly readings: readonly OwnedReading[];
  readonly done: (stored: number) => void;
  readonly failed: (error: unknown) => void;
}

/**
 * Puts together what comes in while the database is busy with the readings before: a hundred gateways cost a few statements a second, and
 * each gets its answer once its own are stored.
 */
export class Collector {
  private waiting: Waiting[] = [];
  private busy = false;

  constructor(private readonly db: Db) {}

  /** @returns how many of them are new, once they are stored */
  add(readings: readonly OwnedReading[]): Promise<number> {
    if (readings.length === 0) return Promise.resolve(0);
    return new Promise((done, failed) => {
      this.waiting.push({ readings, done, failed });
      void this.flush();
    });
  }

  private async flush(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    while (this.waiting.length > 0) {
      const waitingReadings = this.waiting;
      this.waiting = [];
      await this.store(waitingReadings);
    }
    this.busy = false;
  }

  private async store(waitingReadings: readonly Waiting[]): Promise<void> {
    try {
      if (waitingReadings.length === 1) waitingReadings[0]!.done(await addReadings(this.db, waitingReadings[0]!.readings));
      else {
        const all = waitingReadings.flatMap(({ readings }) => readings);
        const stored = await addReadings(this.db, all);
        // which of them were there before is not told apart: as good as always none were
        let missing = all.length - stored;
        for (const { readings, done } of waitingReadings) {
          const repeated = Math.min(missing, readings.length);
          missing -= repeated;
          done(readings.length - repeated);
        }
      }
    } catch (error) {
      for (const { failed } of waitingReadings) failed(error);
    }
  }
}
