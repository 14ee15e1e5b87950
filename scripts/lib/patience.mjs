// @ts-check
const SHORTEST_MS = 100;
const LONGEST_MS = 5000;
/** What ends sooner than this has not really started: the next try waits twice as long. */
const REALLY_STARTED_MS = 2000;

/** The pause before something is started again: hardly any at first, doubled each time that it ends soon. */
export class Patience {
  #pause = SHORTEST_MS;

  /** Milliseconds to wait this time. @param {number} livedMs how long it has run; nothing where it did not start at all */
  next(livedMs) {
    this.#pause = livedMs >= REALLY_STARTED_MS ? SHORTEST_MS : Math.min(2 * this.#pause, LONGEST_MS);
    return this.#pause;
  }
}
