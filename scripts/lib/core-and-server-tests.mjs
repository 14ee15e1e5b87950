// @ts-check
import { MOST_IN_A_GROUP, writeGroups } from './grouped-tests.mjs';
import { at } from './paths.mjs';
import { jest } from './steps.mjs';

/** Where tests of everything that runs in plain Node stand; the names are those of `jest.config.mjs`. */
const SOURCES = { core: 'packages/core', contract: 'packages/contract', instruments: 'apps/instruments', server: 'apps/server' };

/** The tests of core, contract, instruments and server, in groups. */
export function coreAndServerTests() {
  for (const [name, folder] of Object.entries(SOURCES))
    writeGroups(at(folder), at('dist/grouped-tests', name), {
      ending: '.test.ts',
      most: MOST_IN_A_GROUP,
      cleared: 'jest.restoreAllMocks();',
    });
  return jest('node-tests', ['--config', 'jest.grouped.config.mjs', '--maxWorkers=1']);
}
