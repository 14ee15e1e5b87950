import { defineConfig } from '@playwright/test';
import { browserProgram } from '../scripts/lib/system-packages.mjs';

/** Through the real interface, on demo data; every file has a server and a database of its own (`test.ts`). */
export default defineConfig({
  testDir: '.',
  outputDir: '../dist/e2e-results',
  fullyParallel: false,
  // one more than there are cores: a test that waits for its scene leaves them to the others
  workers: 3,
  retries: 0,
  timeout: 150_000,
  // a machine that does other work beside takes its time; what is wrong stays wrong for longer than this
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json']],
  globalSetup: './demo-cluster.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    // what a service worker passes on, a test cannot answer in its place; the one test that needs it asks for it
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: browserProgram(),
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    // a trace of everything that may fail would take as long as the tests: `--trace on` for the one that is looked into
    screenshot: 'only-on-failure',
  },
});
