const swc = (syntax) => ['@swc/jest', { jsc: { parser: { syntax }, target: 'es2022' }, module: { type: 'commonjs' } }];

/** What both ways of running have in common: `ending` is that of the files that are tested, below the folder that has apps/ and packages/. */
export const webTests = (ending) => ({
  displayName: 'web',
  testEnvironment: 'jsdom',
  testMatch: [`<rootDir>/src/**/*.test.${ending}`],
  // whole pages are rendered and computed; on a machine that does something else besides they take seconds
  testTimeout: 20_000,
  // Jest looks every global up through its sandbox; the core asks for these millions of times
  sandboxInjectedGlobals: ['Math', 'Float64Array', 'Number'],
  setupFilesAfterEnv: [`<rootDir>/test/setup.${ending}`],
  transformIgnorePatterns: ['node_modules/(?!.*\\.mjs$|d3-|internmap|lucide)'],
  moduleNameMapper: {
    '(.*)/create-(truck-)?worker$': `<rootDir>/test/create-worker.${ending}`,
    '^@hygromet/core/(.*)$': '<rootDir>/../../packages/core/src/$1',
    '^@hygromet/contract/(.*)$': '<rootDir>/../../packages/contract/src/$1',
  },
});

/** The web application under jsdom, zoneless, from its sources: each file is compiled as it is read. */
export default {
  ...webTests('ts'),
  preset: 'jest-preset-angular',
  transform: {
    // no templates there: what the other parts use is many times as fast
    '/packages/.+\\.ts$': swc('typescript'),
    '/node_modules/.+\\.m?js$': swc('ecmascript'),
    '^.+\\.(ts|html)$': ['jest-preset-angular', { tsconfig: '<rootDir>/tsconfig.json', stringifyContentPathRegex: '\\.html$' }],
  },
};
