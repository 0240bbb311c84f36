/** Who works in the shop, and the tablets they do it on: added, changed, sent away, by the screen. */
import { expect, type Page } from '@playwright/test';
import { A, B, accessible, go, pairedTablet, signIn, tablet, test } from './shop.ts';

const rowOf = (page: Page, name: string) => page.getByRole('row', { name: new RegExp(name) });

test(
  'somebody is added, signs in, gets another PIN, and has left: at once, on the other tablet too',
  { tag: '@long' },
  async ({ browser }) => {
    const odile = await tablet(browser, A, 'Odile Farrant', '480216', true);
    await go(odile, '/house/people');
    await accessible(odile, 'people');
    await odile.getByRole('button', { name: 'Add somebody' }).click();
    const form = odile.getByRole('form', { name: 'Somebody new' });
    await form.getByLabel('Name').fill('Juno Amsel');
    await form.getByLabel('Their first PIN').fill('1234');
    await expect(form.getByRole('alert')).toContainText('counts up or down');
    await expect(form.getByRole('button', { name: 'Add to the shop' })).toBeDisabled();
    await form.getByLabel('Their first PIN').fill('7302');
    await form.getByRole('button', { name: 'Add to the shop' }).tap();
    await expect(rowOf(odile, 'Juno Amsel')).toContainText('JA');

    const { page: bench } = await pairedTablet(browser, B, 'Bench 5');
    await signIn(bench, 'Juno Amsel', '7302');
    await bench.waitForURL('**/rack');
    await bench.waitForSelector('html[data-live]');

    await odile.getByRole('button', { name: 'Change Juno Amsel' }).click();
    const facts = odile.getByRole('form', { name: 'Juno Amsel' });
    await facts.getByLabel('Name').fill('The desk of Juno');
    await facts.getByRole('button', { name: 'Keep' }).tap();
    await expect(rowOf(odile, 'The desk of Juno')).toBeVisible();
    await odile.getByRole('button', { name: 'Change The desk of Juno' }).click();
    await odile.getByLabel('Another PIN for them').fill('90210');
    await odile.getByRole('button', { name: 'Give the PIN' }).tap();
    await bench.waitForURL('**/sign-in');
    await signIn(bench, 'The desk of Juno', '90210');
    await bench.waitForURL('**/rack');
    await bench.waitForSelector('html[data-live]');

    await odile.getByRole('button', { name: 'They have left the shop' }).tap();
    await bench.waitForURL('**/sign-in');
    await expect(bench.getByRole('button', { name: /The desk of Juno/ })).toHaveCount(0);
    await expect(rowOf(odile, 'The desk of Juno')).toContainText('has left');
  },
);

test(
  'a code made on the screen pairs a tablet; one sent away while in use shows nothing any more',
  { tag: '@long' },
  async ({ browser }) => {
    const ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
    await go(ilse, '/house/devices');
    await ilse.getByRole('button', { name: 'Make a code' }).tap();
    const code = (await ilse.getByText(/^[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}$/).textContent()) ?? '';
    await expect(ilse.getByRole('img', { name: 'The code to scan' })).toBeVisible();
    await accessible(ilse, 'tablets');
    const { page: lost } = await pairedTablet(browser, B, 'Left in the van', false, code);
    await signIn(lost, 'Tomas Vey', '1357');
    await lost.waitForURL('**/rack');
    await lost.waitForSelector('html[data-live]');
    await go(ilse, '/house/devices');
    const row = ilse.getByRole('listitem').filter({ hasText: 'Left in the van' });
    await expect(row).toContainText('Tomas Vey');
    await row.getByRole('button', { name: /^Send away/ }).tap();
    await row.getByRole('button', { name: /^Yes/ }).tap();
    await expect(ilse.getByRole('listitem').filter({ hasText: 'Left in the van' })).toHaveCount(0);
    await lost.waitForURL(/\/(sign-in|pair)/);
    await lost.goto(`${B}/rack`);
    await expect(lost).toHaveURL(/\/(sign-in|pair)/);
  },
);

test(
  'what the shop is called stands on its papers; what is typed wrongly is said at its field',
  { tag: '@long' },
  async ({ browser }) => {
    const odile = await tablet(browser, A, 'Odile Farrant', '480216', true);
    await go(odile, '/house/shop');
    await accessible(odile, 'the shop');
    const name = await odile.getByLabel('Name of the shop').inputValue();
    await odile.getByLabel('Address, a line each').fill('4 Orrin Lane\nSaltmarren');
    await odile.getByLabel('Per cent').fill('a fifth');
    await expect(odile.locator('#main').getByRole('alert')).toContainText('A percentage');
    await expect(odile.getByRole('button', { name: 'Keep the shop' })).toBeDisabled();
    await odile.getByLabel('Per cent').fill('20');
    await odile.getByRole('button', { name: 'Keep the shop' }).tap();
    await expect(odile.getByRole('button', { name: 'Keep the shop' })).toBeEnabled();
    await odile.goto('/job/412/receipt');
    await expect(odile.getByRole('article')).toContainText(name);
    await expect(odile.getByRole('article')).toContainText('4 Orrin Lane');
  },
);

test(
  'a technician looks, changes their own PIN, and nobody else’s',
  { tag: '@long' },
  async ({ browser }) => {
    const nadia = await tablet(browser, A, 'Nadia Brook', '8642', true);
    await go(nadia, '/house/people');
    await expect(nadia.getByRole('button', { name: /^Change / })).toHaveCount(1);
    await nadia.getByLabel('The one I have now').fill('1111');
    await nadia.getByLabel('The new one').fill('5309');
    await nadia.getByRole('button', { name: 'Change my PIN' }).tap();
    await expect(nadia.locator('#main').getByRole('alert')).toContainText('not the PIN you have now');
    await nadia.getByLabel('The one I have now').fill('8642');
    await nadia.getByRole('button', { name: 'Change my PIN' }).tap();
    await expect(nadia.getByRole('region', { name: 'My PIN' }).getByRole('status')).toContainText(
      'Your PIN is changed',
    );
    // The others sign in as before.
    await nadia.getByLabel('The one I have now').fill('5309');
    await nadia.getByLabel('The new one').fill('8642');
    await nadia.getByRole('button', { name: 'Change my PIN' }).tap();
    await expect(nadia.getByLabel('The new one')).toHaveValue('');
  },
);
