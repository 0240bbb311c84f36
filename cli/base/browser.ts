import { chromium, type Browser } from '@playwright/test';
import { needProgram } from './packages.ts';

/** What a Chromium of Debian's packages needs on a machine without a network. */
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
];

/** Starts a headless Chromium, installed from Debian's packages when it is missing. */
export const startBrowser = (): Promise<Browser> =>
  chromium.launch({ executablePath: needProgram('chromium', 'chromium'), args: CHROMIUM_ARGS });
