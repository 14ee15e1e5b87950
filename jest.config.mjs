/** Core, contract and server run in plain Node; the web application brings its own configuration. */
const swc = ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }];

const project = (displayName, rootDir, more = {}) => ({
  displayName,
  rootDir,
  testMatch: ['<rootDir>/**/*.test.ts'],
  transform: { '^.+\\.ts$': swc },
  testEnvironment: 'node',
  // Jest looks every global up through its sandbox; the core asks for these millions of times
  sandboxInjectedGlobals: ['Math', 'Float64Array', 'Number'],
  moduleNameMapper: {
    '^@hygromet/core/(.*)$': '<rootDir>/../../packages/core/src/$1',
    '^@hygromet/contract/(.*)$': '<rootDir>/../../packages/contract/src/$1',
  },
  modulePathIgnorePatterns: ['/dist/'],
  ...more,
});

export default {
  // for all projects: Jest takes no time limit of a single one; a database with the demo data is made before each file of the server
  testTimeout: 60_000,
  projects: [
    project('core', 'packages/core'),
    project('contract', 'packages/contract'),
    project('instruments', 'apps/instruments'),
    project('server', 'apps/server', {
      globalSetup: '<rootDir>/test/start-postgres.mjs',
      globalTeardown: '<rootDir>/test/stop-postgres.mjs',
    }),
  ],
};
