/** Mutation testing of the core: `npm run mutate`. Words said to people are not logic and are left alone. */
export default {
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
  jest: { projectType: 'custom', configFile: 'jest.core.config.mjs' },
  mutate: ['src/core/**/*.ts', '!src/core/**/*.test.ts', '!src/core/**/*-for-tests.ts'],
  mutator: { excludedMutations: ['StringLiteral'] },
  ignoreStatic: true,
  coverageAnalysis: 'perTest',
  concurrency: 2,
  timeoutMS: 20_000,
  tempDirName: '.rubrica/stryker',
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: '.rubrica/mutation.json' },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  thresholds: { high: 90, low: 85, break: 85 },
};
