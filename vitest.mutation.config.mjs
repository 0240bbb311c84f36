import { statSync } from 'node:fs';
import { defineConfig } from 'vitest/config';
import { BaseSequencer } from 'vitest/node';

/** The short tests first, the exhaustive ones last: most mutants are found before those are asked. */
class ShortFirst extends BaseSequencer {
  sort(files) {
    const cost = ({ moduleId }) => (moduleId.includes('exhaustive') ? Infinity : statSync(moduleId).size);
    return Promise.resolve([...files].sort((a, b) => cost(a) - cost(b)));
  }
}

/** The core's own tests as the mutation run wants them: in one process that stays, so that a mutant costs its tests only. */
export default defineConfig({
  test: {
    globals: true,
    environment: 'node',
    include: [process.env.RUBRICA_MUTATION_TESTS ?? 'src/core/**/*.test.ts'],
    setupFiles: ['tests/quick-properties.mjs'],
    testTimeout: 600_000,
    sequence: { sequencer: ShortFirst },
  },
});
