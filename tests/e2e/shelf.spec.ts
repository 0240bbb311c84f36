import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';

let ilse: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
});

/** Takes something in for a new customer, as shortly as the form allows. */
async function takeIn(page: Page, name: string, phone: string, serial: string): Promise<string> {
  await go(page, '/desk/take-in');
  await page.getByLabel('Name, telephone or serial number').fill(name);
  await page.getByLabel('Telephone', { exact: true }).fill(phone);
  await page.getByLabel('Serial number', { exact: true }).fill(serial);
  await page.getByRole('button', { name: /^Kind/ }).click();
  await page.getByRole('option', { name: 'Steel-string acoustic' }).click();
  await page.getByLabel('Model').fill('Reed');
  await page.getByLabel(/in their own words/).fill('Buzzes.');
  await page.getByRole('radio', { name: 'at pitch' }).click();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await page.waitForURL(/\/job\/\d+\/arrival/);
  return /\/job\/(\d+)\//.exec(page.url())?.[1] ?? '';
}

test('a kind of the shop’s own is added and taken in by its name', { tag: '@long' }, async () => {
  await go(ilse, '/house/kinds');
  await ilse.getByRole('button', { name: 'Add a kind' }).tap();
  const form = ilse.getByRole('region', { name: 'A new kind' });
  await form.getByLabel('Name of the kind').fill('Tenor four-string');
  await form.getByLabel('Scale').fill('23');
  await form.getByLabel(/^Strings, lowest first/).fill('C3 .042w, G3 .030w, D4 .020w');
  await form.getByRole('button', { name: 'Keep this kind' }).tap();
  await expect(form.getByText(/23.0 mm is no scale length/)).toBeVisible();
  await accessible(ilse, 'a kind with a trouble');
  await form.getByLabel('Scale').fill('23 in');
  await form.getByLabel(/^Strings, lowest first/).fill('C3 .042w, G3 .030w, D4 .020w, A4 .011');
  await form.getByRole('button', { name: 'Keep this kind' }).tap();
  await expect(ilse.getByRole('listitem').filter({ hasText: 'Tenor four-string' })).toContainText(
    '4 strings, 584.2 mm',
  );
  await go(ilse, '/desk/take-in');
  await ilse.getByRole('button', { name: /^Kind/ }).tap();
  await ilse.getByRole('option', { name: 'Tenor four-string' }).tap();
  await expect(ilse.getByLabel(/^Tuning, lowest first \(4 strings\)/)).toHaveAttribute(
    'placeholder',
    'C G D A',
  );
  await ilse.evaluate(() => localStorage.clear());
});

test('what it is, changed in seconds: checklist and readings follow', { tag: '@long' }, async () => {
  const number = await takeIn(ilse, 'Wren Oster', '555 0222', 'RD-1');
  await ilse.getByRole('button', { name: 'Change what it is' }).tap();
  const dialog = ilse.getByRole('dialog', { name: 'What this instrument is' });
  await dialog.getByLabel('Year').fill('1968');
  await dialog.getByLabel('Where the date was found').fill('label in the soundhole');
  await dialog.getByRole('button', { name: /^Kind/ }).tap();
  await ilse.getByRole('option', { name: 'Solid electric' }).tap();
  await dialog.getByRole('button', { name: /^Vibrato/ }).tap();
  await ilse.getByRole('option', { name: 'floating' }).tap();
  await dialog.getByRole('checkbox', { name: 'Left-handed' }).check();
  await accessible(ilse, 'what an instrument is');
  await dialog.getByRole('button', { name: 'Keep' }).tap();
  await expect(ilse.getByRole('heading', { level: 1 })).toHaveText(/Reed solid electric, 1968/);
  await expect(ilse.getByText('1968, label in the soundhole')).toBeVisible();
  await go(ilse, `/job/${number}/inspection`);
  await expect(
    ilse.getByRole('list', { name: 'All items' }).getByRole('button', { name: /^Vibrato floats level/ }),
  ).toBeVisible();
});

test('two entries that are one are joined, and taken apart again', { tag: '@long' }, async () => {
  await takeIn(ilse, 'Oster, Wren', '(555) 0222', 'RD-2');
  await ilse
    .getByText(/In the book twice, it seems: Oster, Wren/)
    .getByRole('link', { name: 'Look' })
    .tap();
  await ilse.waitForURL('**/shelf/double');
  const alike = ilse.getByRole('region', { name: 'Look like one' });
  await expect(alike).toContainText('Customers: same telephone, same name');
  await accessible(ilse, 'double entries');
  await alike.getByRole('button', { name: /^They are one: Wren Oster/ }).tap();
  const joined = ilse.getByRole('region', { name: 'Joined lately' });
  await expect(joined).toContainText('Oster, Wren → Wren Oster');
  await expect(alike.getByText('Wren Oster')).toHaveCount(0);
  await joined.getByRole('button', { name: 'Take apart again: Oster, Wren' }).focus();
  await ilse.keyboard.press('Enter');
  await expect(alike).toContainText('Customers: same telephone, same name');
  await expect(joined).toHaveCount(0);
});
