/** Alone in its file: outside a browser, where tests run, there is no worker and this file is replaced. */
export const createWorker = (): Worker => new Worker(new URL('./core.worker', import.meta.url), { type: 'module' });
