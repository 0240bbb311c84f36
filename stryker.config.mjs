/** Mutation testing of the core: `npm run mutate [FOLDER …]`, a folder at a time. Words said to people are not logic and are left alone. */
export default {
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutation.config.mjs', related: false },
  mutate: ['src/core/**/*.ts', '!src/core/**/*.test.ts', '!src/core/**/*-for-tests.ts'],
  mutator: { excludedMutations: ['StringLiteral'] },
  ignoreStatic: true,
  coverageAnalysis: 'perTest',
  concurrency: 2,
  timeoutMS: 4_000,
  incremental: true,
  incrementalFile: '.rubrica/mutation-known.json',
  ignorePatterns: ['.rubrica', '.next', 'docs', 'tests/e2e'],
  tempDirName: '.rubrica/stryker',
  reporters: ['json'],
  jsonReporter: { fileName: '.rubrica/mutation.json' },
  thresholds: { high: 90, low: 85, break: null },
  dryRunTimeoutMinutes: 30,
};
