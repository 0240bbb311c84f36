import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';

let ilse: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
});

const numbers = (page: Page) => page.getByRole('region', { name: 'Its own numbers' });

test('an instrument with seven visits over five years tells its story', { tag: '@long' }, async () => {
  await go(ilse, '/shelf?find=KL-0107');
  await ilse.getByRole('link', { name: /Kestrow Lantern/ }).click();
  const years = ilse.getByRole('region', { name: 'Over the years' });
  await expect(years.getByRole('img', { name: /^Readings of 7 visits over time/ })).toBeVisible();
  await expect(years).toContainText(/In February it will probably read \S+ of relief \(\S+ to \S+ in nine/);
  await expect(years).toContainText(/its relief follows the air by 1\.\d thou for 10 %/);
  const rod = numbers(ilse).getByRole('listitem').first();
  await expect(rod).toContainText(/Relief for an eighth of a turn\s*[23]\.\d thou \(/);
  await rod.getByText(/turns of its own, over what the trade says/).click();
  await expect(rod.getByText(/(tighter|looser) gave/).first()).toBeVisible();
  await accessible(ilse, 'the life of an instrument');
});

test(
  'taken in again, the plan turns its rod by what it did before, and says so',
  { tag: '@long' },
  async () => {
    await go(ilse, '/shelf?find=KL-0107');
    await ilse.getByRole('link', { name: /Kestrow Lantern/ }).click();
    await ilse.getByRole('link', { name: 'Take it in' }).click();
    await ilse.getByLabel(/in their own words/).fill('It has come up again.');
    await ilse.getByRole('radio', { name: 'at pitch' }).click();
    await ilse.getByRole('button', { name: 'Take it in' }).click();
    await ilse.waitForURL(/\/job\/\d+\/arrival/);
    const job = new URL(ilse.url()).pathname.replace('/arrival', '');
    await go(ilse, `${job}/readings`);
    for (const [key, text] of [
      ['relief:0:7', '.016'],
      ['action:6:12', '6/64'],
      ['action:1:12', '5/64'],
    ] as const) {
      await ilse.locator(`[id="station-${key}"]`).fill(text);
      await ilse.locator(`[id="station-${key}"]`).press('Enter');
    }
    await go(ilse, `${job}/plan`);
    const line = ilse.getByRole('listitem').filter({ hasText: 'truss rod' }).first();
    await line.getByText('Why').click();
    await expect(line).toContainText(
      /One eighth usually takes out \.003 \(\d turns of its own, over what the trade says\)/,
    );
    await go(ilse, '/shelf?find=KL-0107');
    await ilse.getByRole('link', { name: /Kestrow Lantern/ }).click();
    await expect(ilse.getByRole('link', { name: 'Take it in' })).toHaveCount(0);
  },
);

test('anything is found from anywhere: by / and a word, with a letter wrong, and by keys alone', async () => {
  await go(ilse, '/week');
  await ilse.keyboard.press('/');
  const find = ilse.getByRole('dialog', { name: 'Find anything' });
  const field = find.getByRole('searchbox', { name: 'Find anything' });
  await expect(field).toBeFocused();
  await field.fill('henrik tarn');
  await expect(find.getByRole('listitem').first()).toContainText('Henrik Tarn');
  await accessible(ilse, 'find anything');
  await field.fill('Kestrwo');
  await expect(find.getByRole('status')).toContainText('Nothing is written “kestrwo”; read as kestrow.');
  await expect(find.getByRole('listitem').first()).toContainText('Kestrow');
  await field.fill('quartz');
  await expect(find.getByRole('status')).toContainText('Nothing is found by “quartz”.');
  await field.fill('401');
  await expect(find.getByRole('listitem').first()).toContainText('401, Wendlow Heron');
  await ilse.keyboard.press('ArrowDown');
  await ilse.keyboard.press('Enter');
  await ilse.waitForURL('**/job/401/hand-over');
  await expect(find).toHaveCount(0);
  await ilse.getByRole('button', { name: 'Find', exact: true }).click();
  await field.fill('socket turns');
  await ilse.keyboard.press('Escape');
  await expect(find).toHaveCount(0);
  // Where a page has its own search field, / goes there.
  await go(ilse, '/shelf');
  await ilse.keyboard.press('/');
  await expect(find).toHaveCount(0);
  await expect(ilse.getByRole('searchbox', { name: 'Find', exact: true })).toBeFocused();
});
