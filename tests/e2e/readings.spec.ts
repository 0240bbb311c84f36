import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let ilse: Page;
let odile: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
  odile = await tablet(browser, A, 'Odile Farrant', '480216');
});

const station = (page: Page, key: string) => page.locator(`[id="station-${key}"]`);

test('a bass in millimetres by touch', { tag: '@long' }, async () => {
  const number = await takenIn('bass', 'Low');
  await go(ilse, `/job/${number}/readings`);
  await ilse.getByRole('radio', { name: 'mm' }).tap();
  const set = ['0.32', '2.3', '1.9', '0.10', '0.10', '0.09', '0.08', '0', '1', '-1', '0'];
  const fields = ilse.locator('input[data-station]');
  await expect(fields).toHaveCount(set.length);
  const order = ['relief:0:7', 'action:4:12', 'action:1:12'].concat(
    [4, 3, 2, 1].map((n) => `nut-gap:${n}:1`),
    [4, 3, 2, 1].map((n) => `intonation:${n}:12`),
  );
  for (const [i, key] of order.entries()) {
    await station(ilse, key).tap();
    await station(ilse, key).fill(set[i] ?? '');
  }
  await ilse.getByRole('heading', { level: 1 }).tap();
  await expect(station(ilse, 'action:4:12')).toHaveValue('2.30 mm');
  await expect(station(ilse, 'nut-gap:1:1')).toHaveValue('0.08');
  await expect(ilse.locator('[data-sending]')).toHaveCount(0);
});

test(
  'a twelve-string with its courses in thousandths, by the simulated gauge',
  { tag: '@long' },
  async () => {
    const number = await takenIn('twelve-string', 'Dozen');
    await go(ilse, `/job/${number}/readings`);
    await ilse.getByRole('radio', { name: 'thou' }).click();
    await station(ilse, 'relief:0:7').focus();
    await ilse.getByRole('button', { name: 'Gauges' }).click();
    await expect(ilse.getByText('stand-ins, no device is asked')).toBeVisible();
    const truth = ilse.getByLabel('True value, mm');
    const sendIt = ilse.getByRole('button', { name: 'Send its reading' });
    const places = ['relief:0:7', 'action:12:12', 'action:1:12'].concat(
      Array.from({ length: 12 }, (_, i) => `nut-gap:${12 - i}:1`),
    );
    for (const key of places) {
      const value = key.startsWith('action:12') ? '2.0' : key.startsWith('action') ? '1.5' : '0.15';
      await truth.fill(value);
      await sendIt.click();
      await expect(station(ilse, key)).toHaveValue(/^\.\d{3}$/);
    }
    await ilse.getByLabel('Which').selectOption('hygrometer');
    await ilse.getByLabel('True temperature, °C').fill('21');
    await sendIt.click();
    await expect(ilse.getByText(/kept with the round/)).toBeVisible();
    await ilse.getByRole('button', { name: 'Gauges' }).click();
    await expect(ilse.getByRole('button', { name: /°C · \d/ })).toBeVisible();
  },
);

test('two visits beside each other: numbers, drawing, and over time', { tag: '@long' }, async () => {
  await go(odile, '/shelf?find=WH-0401');
  await odile.getByRole('link', { name: /Heron/ }).first().click();
  await odile.getByRole('link', { name: 'What moved' }).click();
  await odile.waitForURL('**/readings');
  await expect(odile.getByRole('row', { name: /Relief, 7th/ })).toBeVisible();
  await odile.getByLabel('To', { exact: true }).selectOption({ index: 1 });
  await expect(odile.getByRole('img', { name: /as left drawn through/ })).toBeVisible();
  await expect(odile.locator('.apexcharts-svg').first()).toBeVisible();
  await accessible(odile, 'what moved');
});
