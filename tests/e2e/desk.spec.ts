import { expect, type Page } from '@playwright/test';
import { A, accessible, go, live, tablet, test } from './shop.ts';

let desk: Page;

test.beforeAll(async ({ browser }) => {
  desk = await tablet(browser, A, 'Per Lindqvar', '9753');
});

const find = (page: Page) => page.getByRole('textbox', { name: 'Tag, serial number, name or telephone' });

test('a tag’s code from a scanner opens its job at once', async () => {
  await go(desk, '/desk');
  await expect(find(desk)).toBeFocused();
  await desk.keyboard.type(`${A}/job/409\n`);
  await desk.waitForURL('**/job/409/arrival');
});

test('a serial scanned of an instrument that is here opens its job', async () => {
  await go(desk, '/desk');
  await desk.keyboard.type('AV-0409\n');
  await desk.waitForURL('**/job/408/arrival');
});

test('one that comes back is found by telephone, with its history and how it left', async () => {
  await go(desk, '/desk');
  await find(desk).fill('555 0101');
  const known = desk.getByRole('region', { name: 'Known to the shop' });
  await expect(known).toContainText('Petra Aldous');
  await accessible(desk, 'desk, found');
  await expect(known.getByText(/here as 412/)).toBeVisible();
  await find(desk).fill('5550101');
  await expect(known).toContainText('Petra Aldous');
  await known
    .getByRole('link', { name: /^Take in another/ })
    .first()
    .click();
  await desk.waitForURL('**/desk/take-in*');
  await expect(desk.getByText('Known to the shop')).toBeVisible();
  await expect(desk.getByLabel('Telephone', { exact: true })).toHaveValue('555 0101');
  await desk.evaluate(() => localStorage.clear());
});

test('what was looked for in vain begins a new one', async () => {
  await go(desk, '/desk');
  await find(desk).fill('ZZ-90210');
  await expect(desk.getByText('Nobody and nothing by this: take in a new one.')).toBeVisible();
  await desk.getByRole('link', { name: 'Take in a new one' }).click();
  await expect(desk.getByLabel('Serial number', { exact: true })).toHaveValue('ZZ-90210');
  // What is typed over it outlives a reload.
  await desk.getByLabel('Serial number', { exact: true }).fill('ZZ-90211');
  await desk.reload();
  await live(desk);
  await expect(desk.getByLabel('Serial number', { exact: true })).toHaveValue('ZZ-90211');
  await desk.evaluate(() => localStorage.clear());
});
