const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        target: 'es2022',
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'es6' },
    },
  ],
};
const shared = {
  modulePathIgnorePatterns: ['<rootDir>/.rubrica/'],
  transform,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
};

export default {
  testTimeout: 120_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}', '<rootDir>/tests/architecture/**/*.test.ts'],
    },
    { ...shared, displayName: 'integration', testMatch: ['<rootDir>/tests/integration/**/*.test.ts'] },
    { ...shared, displayName: 'together', testMatch: ['<rootDir>/tests/together/**/*.test.ts'] },
  ],
};
