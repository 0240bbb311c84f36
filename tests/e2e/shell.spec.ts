import { appendFileSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ChildProcess } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import { writeWav } from '../../src/core/sound/wav.ts';
import { endServer, serve } from '../../cli/base/serve.ts';
import { accessible, BY_ITSELF, DATABASE, freshContext, live, pairingCode, signIn, test } from './shop.ts';
import { inDatabase, takenIn } from './taken-in.ts';

/** What a tablet shows without a connection, after a reload: the worker between page and house, tried for real. */
test.describe.configure({ mode: 'serial' });

const PORT = 4396;
const ENV = { RUBRICA_DATABASE_URL: DATABASE };
const WORKER = join(process.cwd(), 'public/sw.js');
let own: ChildProcess;
let page: Page;
let number = 0;

const kept = (): Promise<string[]> =>
  page.evaluate(async () => (await (await caches.open('pages')).keys()).map((r) => new URL(r.url).pathname));

test.beforeAll(async ({ browser }) => {
  number = await takenIn('steel-acoustic', 'Kept on the tablet');
  own = await serve(PORT, ENV);
  const context = await freshContext(browser, {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'allow',
  });
  page = await context.newPage();
  await page.goto(`/pair?code=${await pairingCode()}`);
  await page.getByRole('button', { name: 'Pair' }).click();
  await page.waitForURL('**/sign-in');
  await signIn(page, 'Tomas Vey', '1357');
  await page.waitForURL('**/rack');
});
test.afterAll(() => endServer(own));

test('what was shown here is kept, also where one went by a link; customers’ ways in and the door are not', async () => {
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.goto(`/job/${number}/inspection`);
  await page.getByRole('link', { name: 'Readings', exact: true }).click();
  await page.waitForURL('**/readings');
  await expect
    .poll(kept, { timeout: 60_000 })
    .toEqual(expect.arrayContaining([`/job/${number}/inspection`, `/job/${number}/readings`]));
  expect(await kept()).not.toContain('/sign-in');
});

test('what works beside a page works with the worker between', async () => {
  await page.goto(`/job/${number}/readings`);
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  const quiet = writeWav({ rate: 22_050, samples: new Float32Array(22_050).fill(1e-4) });
  await page
    .getByLabel('Or a WAV file of the same')
    .setInputFiles({ name: 'quiet.wav', mimeType: 'audio/wav', buffer: Buffer.from(quiet) });
  await expect(page.getByRole('region', { name: 'Listen' })).toContainText(
    'Not heard through: 6 E',
    BY_ITSELF,
  );
});

test('the house is away: loaded again, the job is there and readable, and what is done waits', async () => {
  await endServer(own);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText('No connection to the shop.')).toBeVisible(BY_ITSELF);
  await page.goto(`/job/${number}/inspection`);
  await expect(page.getByText(/of \d+ answered/)).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByRole('region', { name: 'Not sent yet' })).toContainText('1 not sent yet');
  await accessible(page, 'kept page without a connection');
  await page.reload();
  await expect(page.getByRole('region', { name: 'Not sent yet' })).toContainText('1 not sent yet');
});

test('a page that was never shown here says so, and what is', async () => {
  await page.goto('/house/gauges');
  await expect(page.getByRole('heading', { name: 'No connection to the shop' })).toBeVisible();
  await accessible(page, 'page that is not kept');
  await page.getByRole('listitem').getByRole('link').first().click();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
});

test('the house is back: what waited goes, once', async () => {
  own = await serve(PORT, ENV);
  await page.goto(`/job/${number}/inspection`);
  await expect(page.getByRole('region', { name: 'Not sent yet' })).toHaveCount(0, BY_ITSELF);
  const answers = await inDatabase(async ({ models }) => {
    const job = await models.Job.findOne({ where: { number } });
    return models.EventRow.count({ where: { jobId: job?.id ?? 0, kind: 'item answered' } });
  });
  expect(answers).toBe(1);
});

test(
  'another version is said and waits: what is being typed stays until somebody takes it',
  { tag: '@long' },
  async () => {
    const before = readFileSync(WORKER);
    try {
      appendFileSync(WORKER, '\n// another version\n');
      await page.goto(`/job/${number}/inspection`);
      const note = page.getByLabel(/note/i).first();
      await note.fill('half a sentence');
      const strip = page.getByText('Another version of Rubrica is here.');
      await expect(strip).toBeVisible(BY_ITSELF);
      await expect(note).toHaveValue('half a sentence');
      await accessible(page, 'another version');
      const loaded = page.waitForEvent('load');
      await page.getByRole('button', { name: 'Take it now' }).click();
      await loaded;
      await expect(strip).toHaveCount(0);
    } finally {
      writeFileSync(WORKER, before);
    }
  },
);

test('who signs out leaves nothing of what they saw', async () => {
  await live(page);
  await page.getByRole('button', { name: /switch person/ }).click();
  await page.getByRole('button', { name: 'Switch person', exact: true }).click();
  await page.waitForURL('**/sign-in**');
  // The page may still be loading itself anew while it is asked: it is asked again then.
  await expect(async () => expect(await kept()).toEqual([])).toPass(BY_ITSELF);
});
