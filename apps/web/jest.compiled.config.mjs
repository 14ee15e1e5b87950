import { webTests } from './jest.config.mjs';

const COMPILED = '<rootDir>/../../dist/web-tests/apps/web';

/**
 * The same tests from what the compiler has made of all sources at once (`scripts/lib/web-tests.mjs`), as the application ships: no file of
 * tests compiles its templates anew, and a group of files reads the libraries once.
 */
const { setupFilesAfterEnv, moduleNameMapper, ...shared } = webTests('js');
const compiled = (place) => place.replace('<rootDir>', COMPILED);

export default {
  ...shared,
  roots: [COMPILED],
  testMatch: [`${COMPILED}/groups/*.test.js`],
  setupFilesAfterEnv: setupFilesAfterEnv.map(compiled),
  moduleNameMapper: Object.fromEntries(Object.entries(moduleNameMapper).map(([from, to]) => [from, compiled(to)])),
  transform: { '\\.m?js$': '<rootDir>/test/linked.mjs' },
};
