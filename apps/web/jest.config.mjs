/** The web application under jsdom, zoneless. */
export default {
  displayName: 'web',
  preset: 'jest-preset-angular',
  rootDir: '.',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  // whole pages are rendered and computed; on a machine that does something else besides they take seconds
  testTimeout: 20_000,
  setupFilesAfterEnv: ['<rootDir>/test/setup.ts'],
  transform: {
    '^.+\\.(ts|mjs|js|html)$': ['jest-preset-angular', { tsconfig: '<rootDir>/tsconfig.spec.json', stringifyContentPathRegex: '\\.html$' }],
  },
  transformIgnorePatterns: ['node_modules/(?!.*\\.mjs$|d3-|internmap|lucide)'],
  moduleNameMapper: {
    '(.*)/create-(truck-)?worker$': '<rootDir>/test/create-worker.ts',
    '^@hygromet/core/(.*)$': '<rootDir>/../../packages/core/src/$1',
    '^@hygromet/contract/(.*)$': '<rootDir>/../../packages/contract/src/$1',
  },
};
