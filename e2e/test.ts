import { test as plain } from '@playwright/test';
import { endOwnServer, ownInstruments, ownServer } from './own-server';

export { expect } from '@playwright/test';

interface OfAFile {
  /** Where the simulated instruments are played; they are there for whoever asks. */
  readonly instruments: string;
}

interface OfAProcess {
  readonly ended: undefined;
}

/** Every file of tests has a server and a database of its own: what one changes, no other sees. */
export const test = plain.extend<OfAFile, OfAProcess>({
  baseURL: async ({ ended: _ }, use, { file }) => use((await ownServer(file)).url),
  instruments: async ({ ended: _ }, use, { file }) => use(await ownInstruments(file)),
  ended: [
    // oxlint-disable-next-line no-empty-pattern -- what a fixture needs is read off its parameter
    async ({}, use) => {
      await use(undefined);
      await endOwnServer();
    },
    { scope: 'worker' },
  ],
});
