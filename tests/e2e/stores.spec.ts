import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let ilse: Page;
let tomas: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
  tomas = await tablet(browser, A, 'Tomas Vey', '1357');
});

const shelf = (page: Page) => page.getByRole('region', { name: 'From the shelf' });

test('something new is put on the shelves by keys, what is wrong said at its field, and counted with its reason', async () => {
  await go(ilse, '/stores');
  await accessible(ilse, 'the stores');
  await expect(async () => {
    await ilse.keyboard.press('/');
    await expect(ilse.getByRole('searchbox', { name: 'Find' })).toBeFocused({ timeout: 500 });
  }).toPass();
  await ilse.getByRole('button', { name: 'Something new' }).press('Enter');
  const form = ilse.getByRole('form', { name: 'Something new on the shelves' });
  await form.getByLabel('What it is called').fill('Baritone, bronze');
  await form.getByLabel('Strings, lowest first').fill('seventy');
  await form.getByLabel('At least so many sets').fill('2');
  await form.getByRole('button', { name: 'Keep it' }).press('Enter');
  await expect(form.getByText('is no string’s gauge')).toBeVisible();
  await form.getByLabel('Strings, lowest first').fill('.070 .056 .045 .035 .026 .016p');
  await form.getByLabel('Code, as a scanner reads it').fill('990077');
  await accessible(ilse, 'something new on the shelves');
  await form.getByRole('button', { name: 'Keep it' }).press('Enter');
  await expect(ilse.getByRole('heading', { level: 1, name: 'Baritone, bronze' })).toBeVisible();
  await expect(ilse.getByText('70w 56w 45w 35w 26w 16p')).toBeVisible();
  const move = ilse.getByRole('form', { name: 'What happened to it' });
  await move.getByRole('radio', { name: 'Counted' }).click();
  await move.getByLabel('So many sets are there').fill('3');
  await move.getByRole('button', { name: 'Write it down' }).press('Enter');
  await expect(move.getByText('Why is it another number?')).toBeVisible();
  await move.getByLabel('Why it is another number').fill('they were under the counter');
  await move.getByRole('button', { name: 'Write it down' }).press('Enter');
  await expect(move.getByRole('status')).toHaveText('Written down: 3 there, 3 free.');
  await expect(ilse.getByRole('row', { name: /they were under the counter/ })).toBeVisible();
  await accessible(ilse, 'an item of the stores');
});

test('a scanned code opens its item, on a telephone, and what came in is written down', async ({
  browser,
}) => {
  const phone = await tablet(browser, A, 'Per Lindqvar', '9753', true);
  await phone.setViewportSize({ width: 390, height: 780 });
  await go(phone, '/stores');
  await phone.getByRole('searchbox', { name: 'Find' }).fill('4000102');
  await phone.keyboard.press('Enter');
  await phone.waitForURL(/\/stores\/\d+$/);
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Acoustic custom light, bronze');
  await expect(phone.getByText('◆ Short')).toBeVisible();
  const move = phone.getByRole('form', { name: 'What happened to it' });
  await expect(move.getByRole('radio', { name: 'Used' })).toHaveCount(0);
  await move.getByLabel('How many sets').fill('10');
  await move.getByRole('button', { name: 'Write it down' }).tap();
  await expect(phone.getByText('◆ Short')).toHaveCount(0);
  const wide = await phone.evaluate(() => document.documentElement.scrollWidth > innerWidth + 1);
  expect(wide).toBe(false);
});

test('what is short stands on a list for each supplier, with how many to order, and leaves as CSV', async () => {
  await go(ilse, '/stores');
  await ilse.getByRole('link', { name: 'What is short' }).click();
  const strings = ilse.getByRole('region', { name: 'Harrow Lane Strings' });
  const twelve = strings.getByRole('row', { name: /Twelve-string light/ });
  await expect(twelve).toContainText('10 sets');
  await accessible(ilse, 'what is short');
  const saved = ilse.waitForEvent('download');
  await strings.getByRole('link', { name: 'As CSV: Harrow Lane Strings' }).click();
  const file = await (await saved).createReadStream();
  let text = '';
  for await (const piece of file) text += String(piece);
  expect(text.split('\r\n')[0]).toBe('code,name,facts,how many,unit,cost of one');
  expect(text).toContain('"Twelve-string light, bronze"');
});

test('the last set is set aside by the customer’s yes; who comes second sees it at once and cannot take it', async () => {
  await go(ilse, '/stores');
  await ilse.getByRole('searchbox', { name: 'Find' }).fill('Ukulele, nylon');
  await ilse.keyboard.press('Enter');
  await ilse.waitForURL(/\/stores\/\d+$/);
  const move = ilse.getByRole('form', { name: 'What happened to it' });
  await move.getByRole('radio', { name: 'Counted' }).click();
  // What waits for others stays: one more than that is there.
  const waiting = await ilse.getByRole('button', { name: /^Let it go/ }).count();
  await move.getByLabel('So many sets are there').fill(String(waiting + 1));
  await move.getByLabel('Why it is another number').fill('some were sold');
  await move.getByRole('button', { name: 'Write it down' }).click();
  await expect(move.getByRole('status')).toContainText('1 free');
  const first = await takenIn('ukulele', 'First', { work: ['restring'] });
  const second = await takenIn('ukulele', 'Second', { work: ['restring'] });
  await go(ilse, `/job/${first}/work`);
  await expect(shelf(ilse)).toContainText('1 set waits for this job, 0 free');
  await go(tomas, `/job/${second}/work`);
  await expect(shelf(tomas)).toContainText('◆ none there');
  await expect(shelf(tomas).getByRole('button', { name: /^Used/ })).toHaveCount(0);
  await accessible(ilse, 'what a job takes from the shelves');
  // Let go by the one, it can be taken by the other, who sees it without reloading.
  await shelf(ilse).getByRole('button', { name: 'Let it go: Ukulele, nylon' }).click();
  await expect(shelf(tomas)).toContainText('1 free');
  await shelf(tomas).getByRole('button', { name: 'Used 1 set: Ukulele, nylon' }).click();
  await expect(shelf(tomas).getByRole('list', { name: 'Used for this job' })).toContainText(
    '1 set of Ukulele',
  );
  await expect(shelf(ilse)).toContainText('◆ none there');
  await go(tomas, `/job/${second}/history`);
  await expect(tomas.getByText('used 1 set of Ukulele, nylon')).toBeVisible();
});
