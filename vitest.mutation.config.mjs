import { defineConfig } from 'vitest/config';

/** The core's own tests as the mutation run wants them: in one process that stays, so that a mutant costs its tests only. */
export default defineConfig({
  test: {
    globals: true,
    environment: 'node',
    include: [process.env.RUBRICA_MUTATION_TESTS ?? 'src/core/**/*.test.ts'],
    setupFiles: ['tests/quick-properties.mjs'],
    testTimeout: 600_000,
  },
});
