import { expect, test as base, type Browser, type BrowserContext, type Page } from '@playwright/test';
import axe from 'axe-core';
import { Op } from 'sequelize';
import { openDatabase } from '../../src/server/db/connection.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { serious, WCAG } from '../axe-says.ts';
import { signedIn } from '../signed-in.ts';

const need = (name: string): string => process.env[name] ?? fail(name);
const fail = (name: string): never => {
  throw new Error(`${name} is not set: run ./rubrica test e2e`);
};

/** Two processes of the application on one database; one under both names where a lane has but one. */
export const A = need('RUBRICA_E2E_A');
export const B = need('RUBRICA_E2E_B');
export const DATABASE = need('RUBRICA_E2E_DATABASE');

/** Which file of tests opened a browser context: a page left open listens to the house for ever. */
const openedBy = new WeakMap<BrowserContext, string>();

/** A test that closes the tablets it opened, and those another file of tests left behind. */
export const test = base.extend<{ tidy: null }>({
  tidy: [
    async ({ browser }, use, info) => {
      const close = (which: (c: BrowserContext) => boolean) =>
        Promise.all(
          browser
            .contexts()
            .filter(which)
            .map((c) => c.close()),
        );
      await close((c) => openedBy.has(c) && openedBy.get(c) !== info.file);
      const before = new Set(browser.contexts());
      await use(null);
      await close((c) => openedBy.has(c) && !before.has(c));
    },
    { auto: true },
  ],
});

/** What the server sent piece by piece stands beside the page, hidden, until it is put in its place. */
const settled = (page: Page) =>
  page.waitForFunction(() => document.querySelector('div[hidden][id^="S:"]') === null);

/** A page that is there when it was gone to or loaded again: nothing of it stands there twice. */
function inOnePiece(page: Page): Page {
  const [go, again] = [page.goto.bind(page), page.reload.bind(page)];
  page.goto = async (...args) => {
    const answer = await go(...args);
    await settled(page);
    return answer;
  };
  page.reload = async (...args) => {
    const answer = await again(...args);
    await settled(page);
    return answer;
  };
  return page;
}

/** A browser context of its own, closed with its test or its file of tests. */
export async function freshContext(
  browser: Browser,
  options: Parameters<Browser['newContext']>[0],
): Promise<BrowserContext> {
  const context = await browser.newContext(options);
  openedBy.set(context, test.info().file);
  const open = context.newPage.bind(context);
  context.newPage = async () => inOnePiece(await open());
  return context;
}

/** A code that pairs one device, as `./rubrica pair` makes it. */
export async function pairingCode(): Promise<string> {
  const db = openDatabase(DATABASE);
  try {
    return await makePairingCode(db, new Date());
  } finally {
    await db.sequelize.close();
  }
}

/** Pairs a fresh tablet through the screen. */
export async function pairedTablet(
  browser: Browser,
  base: string,
  name: string,
  touch = false,
  code?: string,
): Promise<{ context: BrowserContext; page: Page }> {
  const context = await freshContext(browser, {
    baseURL: base,
    viewport: { width: 1280, height: 800 },
    hasTouch: touch,
  });
  const page = await context.newPage();
  await page.goto(`/pair?code=${code ?? (await pairingCode())}`);
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

/** A tablet on which somebody is signed in; what it shows first is what a test goes to. */
export async function tablet(
  browser: Browser,
  base: string,
  who: string,
  _pin: string,
  touch = false,
): Promise<Page> {
  const context = await freshContext(browser, {
    baseURL: base,
    viewport: { width: 1280, height: 800 },
    hasTouch: touch,
  });
  const cookies = await session(who, `${who}’s tablet`);
  await context.addCookies(cookies.map((c) => ({ ...c, url: base })));
  return context.newPage();
}

/** The cookies of a paired device with somebody signed in: the doors themselves are tried in `doors.spec.ts`. */
async function session(
  who: string,
  device: string,
): Promise<readonly { readonly name: string; readonly value: string }[]> {
  const db = openDatabase(DATABASE);
  try {
    const person = await db.models.Person.findOne({ where: { name: { [Op.like]: `%${who}%` } } });
    if (!person) throw new Error(`nobody is called ${who}`);
    return await signedIn(db, person.id, device);
  } finally {
    await db.sequelize.close();
  }
}

/** Waits until the page listens to the house. */
export const live = async (page: Page): Promise<void> => {
  await page.waitForSelector('html[data-live]', { state: 'attached' });
  await page.waitForSelector('#main h1');
  // A leaf hears keys only when it is alive itself, which may be later than its frame.
  if (/\/job\/\d+\/(arrival|inspection|readings|plan|work|hand-over)/.test(new URL(page.url()).pathname))
    await page.waitForSelector('[data-ready]', { state: 'attached' });
  await settled(page);
};

/** Asks the page itself to go elsewhere, as a tap on a link does; says whether it was alive and did. */
const pushed = (page: Page, path: string): Promise<boolean> =>
  page.evaluate((to) => {
    const { next } = window as { next?: { router?: { push: (path: string) => void } } };
    const here = window.location.pathname + window.location.search;
    if (document.documentElement.dataset['live'] === undefined || !next?.router || here === to) return false;
    // It stands for a link that is followed: what a page does before one, it does now.
    document.dispatchEvent(new MouseEvent('click'));
    next.router.push(to);
    return true;
  }, path);

/** Goes to a page and waits until it is alive: as people do, without loading it anew, where one stands open. */
export async function go(page: Page, path: string): Promise<void> {
  const before = page.url();
  if (await pushed(page, path)) await page.waitForURL((url) => url.href !== before, { waitUntil: 'commit' });
  else await page.goto(path);
  await live(page);
}

/** Loads a page anew and waits until it is alive. */
export async function load(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await live(page);
}

/** Nothing serious or critical by axe, for WCAG 2.2 AA. No page has a frame of another origin: each is looked at as one whole. */
export async function accessible(page: Page, what: string): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const found = await page.evaluate(async (values) => {
    const there = window as unknown as { readonly axe: typeof axe };
    const { violations, passes } = await there.axe.run(document, {
      runOnly: { type: 'tag', values },
      resultTypes: ['violations'],
    });
    if (passes.length === 0) throw new Error('axe looked at nothing');
    return violations.map(({ id, impact, nodes }) => ({
      id,
      impact,
      nodes: nodes.map(({ html }) => ({ html })),
    }));
  }, WCAG);
  expect(serious(found), what).toEqual([]);
}

/** A second screen shows a change by itself; how soon is measured by `./rubrica bench`, not here. */
export const BY_ITSELF = { timeout: 60_000 };
