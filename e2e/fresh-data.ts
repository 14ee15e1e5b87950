import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { startApplication, stopApplication, untilReady } from './application';
import { INSTRUMENTS_PORT, PORT } from './playwright.config';

/** The application on an empty folder for all tests of the interface, and gone after them. */
export default async function freshData(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(path.join(tmpdir(), 'hygromet-e2e-'));
  chmodSync(folder, 0o755);
  const application = startApplication(['--port', String(PORT), '--instruments', String(INSTRUMENTS_PORT), '--data', folder]);
  await untilReady(application);
  return async () => {
    await stopApplication(application);
    rmSync(folder, { recursive: true, force: true });
  };
}
