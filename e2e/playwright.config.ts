import { defineConfig } from '@playwright/test';

export const PORT = 4391;
/** The page of the simulated instruments. */
export const INSTRUMENTS_PORT = 4399;

/** Through the real interface, as `npm start` serves it, on data of its own. */
export default defineConfig({
  testDir: '.',
  outputDir: '../dist/e2e-results',
  fullyParallel: false,
  workers: 2,
  // what changes the organisation's rules, or a cylinder that others look at, runs when nothing else does
  projects: [
    { name: 'beside each other', testIgnore: '*.serial.spec.ts' },
    { name: 'one after the other', testMatch: '*.serial.spec.ts', dependencies: ['beside each other'], workers: 1 },
  ],
  retries: 0,
  timeout: 150_000,
  // a machine that does other work beside takes its time; what is wrong stays wrong for longer than this
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json']],
  globalSetup: './fresh-data.ts',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // what a service worker passes on, a test cannot answer in its place; the one test that needs it asks for it
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
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
    trace: 'retain-on-failure',
  },
});
