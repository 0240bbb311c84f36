import config from './jest.config.mjs';

const { transform, extensionsToTreatAsEsm, testEnvironment } = config.projects[0];

/** The core's own tests alone, as the mutation run wants them. */
export default {
  transform,
  extensionsToTreatAsEsm,
  testEnvironment,
  testTimeout: 60_000,
  roots: ['<rootDir>/src/core'],
  setupFiles: ['<rootDir>/tests/quick-properties.mjs'],
  testMatch: ['<rootDir>/src/core/**/*.test.ts'],
};
