/** Those who come while a lot is being worked on are the next lot; who comes alone waits for nobody. The work tells each how it went. */
export function oneLotAfterTheOther<T>(work: (those: readonly T[]) => Promise<void>): (one: T) => void {
  let come: readonly T[] = [];
  let busy = false;
  const run = async () => {
    if (busy) return;
    busy = true;
    try {
      while (come.length > 0) {
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
