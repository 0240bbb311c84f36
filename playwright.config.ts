import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS } from './cli/browser.ts';

export default defineConfig({
  testDir: 'tests/e2e',
  testMatch: '**/*.spec.ts',
  timeout: 300_000,
  expect: { timeout: 15_000 },
  workers: 1,
  fullyParallel: false,
  retries: 0,
  forbidOnly: true,
  reporter: [['list']],
  use: {
    actionTimeout: 20_000,
    navigationTimeout: 30_000,
    baseURL: process.env['RUBRICA_E2E_A'] ?? 'http://127.0.0.1:4370',
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS },
    trace: 'retain-on-failure',
  },
});
