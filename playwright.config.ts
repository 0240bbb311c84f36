import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS } from './cli/base/browser.ts';
import { LONG } from './src/runs-for-tests.ts';

export default defineConfig({
  testDir: 'tests/e2e',
  testMatch: '**/*.spec.ts',
  // A job's story and what only a browser can show are walked each time; the rest by `./rubrica test --long`.
  ...(LONG ? {} : { grepInvert: /@long/ }),
  // A machine shared with others may give a tenth of a core: how fast it is, the bench says, not these.
  timeout: 1_200_000,
  expect: { timeout: 60_000 },
  workers: 1,
  fullyParallel: false,
  // One that fails and passes at a second try is named as such at the end; one that fails twice has failed.
  retries: 1,
  forbidOnly: true,
  reporter: [['list']],
  use: {
    actionTimeout: 90_000,
    navigationTimeout: 120_000,
    baseURL: process.env['RUBRICA_E2E_A'] ?? 'http://127.0.0.1:4370',
    // Requests that tests hold back are the page's own; the worker in between has a test of its own.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    // The same engine without a window's own work; where a microphone is needed, a test starts the whole browser.
    launchOptions: { executablePath: '/usr/bin/chromium-headless-shell', args: CHROMIUM_ARGS },
    // A trace of every test costs more than the tests: ask for it when one is to be looked into.
    trace: process.env['RUBRICA_TRACE'] ? 'on' : 'off',
  },
});
