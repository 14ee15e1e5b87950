import DataLoader from 'dataloader';

/**
 * Each asks for its own, and what is asked for within one turn of the event loop goes out together. Nothing is remembered: who asks again is
 * answered anew.
 */
export const askedTogether = <K, V>(ask: (keys: readonly K[]) => Promise<readonly V[]>, mostCount: number): DataLoader<K, V> =>
  new DataLoader<K, V>(ask, { cache: false, maxBatchSize: mostCount, batchScheduleFn: (send) => void setImmediate(send) });
