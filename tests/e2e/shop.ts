import AxeBuilder from '@axe-core/playwright';
import { expect, type Browser, type BrowserContext, type Page } from '@playwright/test';

const need = (name: string): string => process.env[name] ?? fail(name);
const fail = (name: string): never => {
  throw new Error(`${name} is not set: run ./rubrica test e2e`);
};

/** Two processes of the application on one database. */
export const A = need('RUBRICA_E2E_A');
export const B = need('RUBRICA_E2E_B');
export const DATABASE = need('RUBRICA_E2E_DATABASE');
const CODE = need('RUBRICA_E2E_CODE');

/** Pairs a fresh tablet through the screen. */
export async function pairedTablet(
  browser: Browser,
  base: string,
  name: string,
  touch = false,
): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({
    baseURL: base,
    viewport: { width: 1280, height: 800 },
    hasTouch: touch,
  });
  const page = await context.newPage();
  await page.goto(`/pair?code=${CODE}`);
  await page.getByLabel('Name of this device').fill(name);
  await page.getByRole('button', { name: 'Pair' }).click();
  await page.waitForURL('**/sign-in');
  return { context, page };
}

/** Taps a name and types the PIN. */
export async function signIn(page: Page, who: string, pin: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(who) }).click();
  await page.getByLabel(/^PIN/).fill(pin);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/** A tablet on which somebody is signed in and live updates have begun. */
export async function tablet(
  browser: Browser,
  base: string,
  who: string,
  pin: string,
  touch = false,
): Promise<Page> {
  const { page } = await pairedTablet(browser, base, `${who}’s tablet`, touch);
  await signIn(page, who, pin);
  await page.waitForURL('**/rack');
  await live(page);
  return page;
}

/** Waits until the page listens to the house. */
export const live = async (page: Page): Promise<void> => {
  await page.waitForSelector('html[data-live]', { state: 'attached' });
  await page.waitForSelector('#main h1');
};

/** Goes to a page and waits until it is alive. */
export async function go(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await live(page);
}

/** Nothing serious or critical by axe, for WCAG 2.2 AA. */
export async function accessible(page: Page, what: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  expect(
    serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`),
    what,
  ).toEqual([]);
}

/** A second screen shows a change by itself; how soon is measured by `./rubrica bench`, not here. */
export const BY_ITSELF = { timeout: 15_000 };
