import { setImmediate as thoseWhoComeAtOnce } from 'node:timers/promises';

/** Those who come at once are a lot, and those who come while it is being worked on the next; who comes alone waits for nobody. The work tells each how it went. */
export function oneLotAfterTheOther<T>(work: (those: readonly T[]) => Promise<void>): (one: T) => void {
  let come: readonly T[] = [];
  let busy = false;
  const run = async () => {
    if (busy) return;
    busy = true;
    try {
      while (come.length > 0) {
        await thoseWhoComeAtOnce();
        const those = come;
        come = [];
        await work(those);
      }
    } finally {
      busy = false;
    }
  };
  return (one) => {
    come = [...come, one];
    void run();
  };
}
