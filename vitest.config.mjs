import { defineConfig } from 'vitest/config';

/** What is tested, by `--mode`: how its files are found and how they run. */
const KINDS = {
  // The core and what is pure beside it: files share what was loaded, so that it is loaded once.
  unit: {
    include: ['src/**/*.test.{ts,tsx}', 'cli/**/*.test.ts', 'tests/planner/**/*.test.ts'],
    pool: 'threads',
    isolate: false,
    // One: they fill up what the others leave, and on a starved machine a second is not heard in time.
    minWorkers: 1,
    maxWorkers: 1,
  },
  // What machines check is checked: each rule is broken once.
  architecture: { include: ['tests/architecture/**/*.test.ts'], pool: 'threads', isolate: false },
  // Against a real database, each file with a shop of its own.
  integration: {
    include: ['tests/integration/**/*.test.ts'],
    pool: 'forks',
    isolate: false,
    minWorkers: 2,
    maxWorkers: 2,
  },
  // A page of the house in a document of its own, over the house's own routes and a real database.
  screens: {
    include: ['tests/screens/**/*.test.tsx'],
    setupFiles: ['tests/screens/setup.ts'],
    // The React that is served, not the one that watches itself: three times as quick.
    env: { NODE_ENV: 'production' },
    pool: 'forks',
    isolate: false,
    minWorkers: 2,
    maxWorkers: 2,
  },
  // Real processes that are killed while many write.
  together: {
    include: ['tests/together/**/*.test.ts'],
    pool: 'forks',
    isolate: false,
    fileParallelism: false,
  },
};

/**
 * What Node reads by itself: it leaves the types out and runs what is left. Pages are made of what it cannot read, and tests have names
 * of the runner's.
 */
const READ_BY_NODE = /\/(src\/(core|contracts|server|demo)|cli)\/(?!.*\.test\.ts$).*\.ts$/;

/** What is tried at length by `--long` takes long. */
const LIMIT_MS = process.env.RUBRICA_LONG === 'yes' ? 7_200_000 : 600_000;

export default defineConfig(({ mode }) => ({
  esbuild: { jsx: 'automatic', jsxDev: false },
  test: {
    globals: true,
    environment: 'node',
    server: { deps: { external: [READ_BY_NODE] } },
    // A machine shared with others may give a tenth of a core: how fast it is, the bench says, not these.
    testTimeout: LIMIT_MS,
    hookTimeout: LIMIT_MS,
    ...(KINDS[mode] ?? KINDS.unit),
  },
}));
