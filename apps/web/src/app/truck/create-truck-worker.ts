/** Alone in its file: outside a browser, where tests run, there is no worker. */
export const createTruckWorker = (): Worker => new Worker(new URL('./truck.worker', import.meta.url), { type: 'module' });
