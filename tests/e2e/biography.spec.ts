import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';

let ilse: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
});

const open = async (page: Page, serial: string): Promise<void> => {
  await go(page, `/shelf?find=${serial}`);
  await page
    .getByRole('link', { name: /Kestrow Lantern|Orlan Dozen/ })
    .first()
    .click();
  await page.waitForURL(/\/shelf\/\d+$/);
};

test(
  'a limit that is set is said to be reached, and the desk works through whom to call',
  { tag: '@long' },
  async ({ browser }) => {
    await open(ilse, 'KL-0107');
    const watched = ilse.getByRole('region', { name: 'What is watched' });
    await watched.getByRole('button', { name: 'Watch something' }).click();
    const form = watched.getByRole('form', { name: 'Watch something' });
    await form.getByRole('button', { name: /^What/ }).click();
    await ilse.getByRole('option', { name: 'Action at 12, highest string' }).click();
    await form.getByLabel('Limit', { exact: true }).fill('much');
    await form.getByRole('button', { name: 'Watch it' }).click();
    await expect(form.getByRole('alert')).toBeVisible();
    await form.getByLabel('Limit', { exact: true }).fill('3/64');
    await form.getByLabel('Why, or what to do then').fill('She plays slide on it');
    await accessible(ilse, 'something watched');
    await form.getByRole('button', { name: 'Watch it' }).click();
    const one = watched.getByRole('listitem').filter({ hasText: 'highest string' });
    await expect(one).toContainText('not over 3/64');
    await expect(one).toContainText('past its limit');
    const per = await tablet(browser, A, 'Per Lindqvar', '9753');
    await go(per, '/desk');
    await per.getByRole('link', { name: 'Afterwards' }).click();
    const asked = per
      .getByRole('region', { name: /What is watched/ })
      .getByRole('listitem')
      .filter({ hasText: 'She plays slide on it' });
    await expect(asked).toContainText('Saskia Dunmore');
    await asked.getByRole('button', { name: /^Called or written/ }).press('Enter');
    await accessible(per, 'whom to call afterwards');
    const came = asked.getByRole('form', { name: /^What came of it/ });
    await came.getByRole('radio', { name: 'Not now: ask again' }).click();
    await came.getByLabel('What was said (may be empty)').fill('after the summer');
    await came.getByRole('button', { name: 'Keep it' }).click();
    await expect(asked).toHaveCount(0);
    await one.getByRole('button', { name: 'Change the limit of Action at 12, highest string' }).click();
    await one.getByRole('button', { name: 'Watch it no longer' }).click();
    await expect(one).toHaveCount(0);
  },
);

test('a look is offered by e-mail with its reason in the customer’s words', { tag: '@long' }, async () => {
  await open(ilse, 'OR12-0021');
  await expect(ilse.getByRole('region', { name: 'What is watched' })).toContainText('past its limit');
  await go(ilse, '/desk/afterwards');
  const asked = ilse.getByRole('listitem').filter({ hasText: 'The saddle has little left to give.' });
  await asked.getByRole('button', { name: /^Called or written/ }).click();
  await expect(asked.getByLabel(/^Or write to them/)).toHaveValue('its strings have probably come up');
  await asked.getByRole('button', { name: 'Write by e-mail' }).click();
  await expect(asked).toHaveCount(0);
});
