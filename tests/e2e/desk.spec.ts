import { expect, type Page } from '@playwright/test';
import { A, accessible, go, live, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let desk: Page;

test.beforeAll(async ({ browser }) => {
  desk = await tablet(browser, A, 'Per Lindqvar', '9753');
});

const find = (page: Page) => page.getByRole('textbox', { name: 'Tag, serial number, name or telephone' });

test('the day stands on the desk: who goes home, who waits for a word', async () => {
  await go(desk, '/desk');
  await expect(
    desk.getByRole('region', { name: 'Going home' }).getByRole('link', { name: /413/ }).first(),
  ).toBeVisible();
  await expect(
    desk.getByRole('region', { name: 'Waits for a word' }).getByRole('link', { name: /^Answer \(\d+\) 408/ }),
  ).toBeVisible();
  await accessible(desk, 'desk');
});

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

test('what was not asked stays open and in sight', async () => {
  await go(desk, '/job/413/arrival');
  await expect(desk.getByText(/^Not known yet: .*the money limit/)).toBeVisible();
});

test('an instrument with earlier visits shows how it left', async () => {
  await go(desk, '/job/406/arrival');
  const before = desk.getByRole('region', { name: 'Here before' });
  await expect(before).toContainText(/As it left the last time: relief .+ action, lowest .+ action, highest/);
});

test('what was written at the counter is corrected, with its reason, and stands so on every leaf', async ({
  browser,
}) => {
  const number = await takenIn('ukulele', 'Misheard');
  const per = await tablet(browser, A, 'Per Lindqvar', '9753', true);
  await go(per, `/job/${number}/arrival`);
  await per.getByRole('button', { name: /^Correct/ }).tap();
  const form = per.getByRole('dialog', { name: 'Correct what was said' });
  await form.getByLabel('In their words').fill('It goes out of tune by the evening');
  await form.getByLabel('Money limit').fill('a lot');
  await expect(form.getByRole('alert')).toContainText('amount');
  await expect(form.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await form.getByLabel('Money limit').fill('45');
  await form.getByLabel('Telephone').fill('555 0142');
  await accessible(per, 'correcting what was said');
  await form.getByLabel('Why it is corrected').fill('misheard');
  await form.getByRole('button', { name: 'Keep' }).tap();
  await expect(form).toHaveCount(0);
  const main = per.locator('#main');
  await expect(main).toContainText('It goes out of tune by the evening');
  await expect(main).toContainText('555 0142');
  await expect(main).toContainText('¤45.00');
  await go(per, `/job/${number}/history`);
  await expect(main).toContainText('corrected what was said: their words');
  await expect(main).toContainText('It goes out of tune by the evening');
});
