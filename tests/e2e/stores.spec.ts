import { expect, type Page } from '@playwright/test';
import { A, accessible, BY_ITSELF, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';
import { openStep } from './week-steps.ts';

let ilse: Page;
let tomas: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
  tomas = await tablet(browser, A, 'Tomas Vey', '1357');
});

const shelf = (page: Page) => page.getByRole('region', { name: 'From the shelf' });

/** Counts the sets for ukuleles so that so many nobody waits for are there. */
async function ukuleleSetsFree(free: number): Promise<void> {
  await go(ilse, '/stores');
  await ilse.getByRole('searchbox', { name: 'Find' }).fill('Ukulele, nylon');
  await ilse.keyboard.press('Enter');
  await ilse.waitForURL(/\/stores\/\d+$/);
  const move = ilse.getByRole('form', { name: 'What happened to it' });
  await move.getByRole('radio', { name: 'Counted' }).click();
  const waiting = await ilse.getByRole('button', { name: /^Let it go/ }).count();
  await move.getByLabel('So many sets are there').fill(String(waiting + free));
  await move.getByLabel('Why it is another number').fill('some were sold');
  await move.getByRole('button', { name: 'Write it down' }).click();
  await expect(move.getByRole('status')).toContainText(`${free} free`);
}

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
  await expect(move.getByRole('button', { name: 'Write it down' })).toBeEnabled();
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
  const twelve = strings.getByRole('row', { name: /Bass, five strings/ });
  await expect(twelve).toContainText('10 sets');
  await accessible(ilse, 'what is short');
  const saved = ilse.waitForEvent('download');
  await strings.getByRole('link', { name: 'As CSV: Harrow Lane Strings' }).click();
  const file = await (await saved).createReadStream();
  let text = '';
  for await (const piece of file) text += String(piece);
  expect(text.split('\r\n')[0]).toBe('code,name,facts,how many,unit,cost of one');
  expect(text).toContain('"Bass, five strings"');
});

test('the last set is set aside by the customer’s yes; who comes second sees it at once and cannot take it', async () => {
  await ukuleleSetsFree(1);
  const first = await takenIn('ukulele', 'First', { work: ['restring'] });
  const second = await takenIn('ukulele', 'Second', { work: ['restring'] });
  await go(ilse, `/job/${first}/work`);
  await expect(shelf(ilse)).toContainText('1 set waits for this job, 0 free');
  await go(tomas, `/job/${second}/work`);
  await expect(shelf(tomas)).toContainText('◆ none there');
  await expect(shelf(tomas)).toContainText('The job waits for 1 set: ◆ on no order that went out');
  await expect(shelf(tomas).getByRole('button', { name: /^Used/ })).toHaveCount(0);
  await accessible(ilse, 'what a job takes from the shelves');
  // Let go by the one, it is the other's, who has waited for it and sees it without reloading.
  await shelf(ilse).getByRole('button', { name: 'Let it go: Ukulele, nylon' }).click();
  await expect(shelf(tomas)).toContainText('1 set waits for this job, 0 free');
  await shelf(tomas).getByRole('button', { name: 'Used 1 set: Ukulele, nylon' }).click();
  await expect(shelf(tomas).getByRole('list', { name: 'Used for this job' })).toContainText(
    '1 set of Ukulele',
  );
  await expect(shelf(ilse)).toContainText('◆ none there');
  await go(tomas, `/job/${second}/history`);
  await expect(tomas.getByText('used 1 set of Ukulele, nylon')).toBeVisible();
});

test('a part is ordered and arrives: its job hangs on the part rail till then, Week knows it, and it wakes', async () => {
  await ukuleleSetsFree(0);
  const number = await takenIn('ukulele', 'Waits for strings', { work: ['restring'] });
  await go(ilse, '/rack');
  const rail = ilse.getByRole('region', { name: 'A part' });
  const tag = rail.getByRole('link', { name: new RegExp(`^${number}`) });
  await expect(tag).toBeVisible();
  await go(ilse, '/stores/short');
  const strings = ilse.getByRole('region', { name: 'Harrow Lane Strings' });
  await expect(strings.getByRole('row', { name: /Ukulele, nylon/ })).toContainText('◆ 1 waited for');
  await strings.getByRole('button', { name: 'Make it an order: Harrow Lane Strings' }).press('Enter');
  await ilse.waitForURL(/\/stores\/orders\/\d+$/);
  await expect(ilse.getByText('written, not ordered yet')).toBeVisible();
  await accessible(ilse, 'an order');

  // How many, and when it should come, can be put right; what is no number is said.
  const ordered = ilse.getByRole('form', { name: 'What is ordered' });
  const many = ordered.getByLabel('How many sets of Ukulele, nylon');
  await many.fill('some');
  await ordered.getByRole('button', { name: 'Keep the order' }).click();
  await expect(ordered.getByText('How many? A number')).toBeVisible();
  await many.fill('6');
  await ordered.getByLabel('It should come on').fill('2031-03-04');
  await ordered.getByRole('button', { name: 'Keep the order' }).click();
  await ilse.getByRole('button', { name: 'It was ordered another way' }).click();
  await expect(ilse.getByText('under way', { exact: true })).toBeVisible();
  await go(tomas, `/job/${number}/work`);
  await expect(shelf(tomas)).toContainText('The job waits for 1 set: likely on 4 March 2031, with order');
  await go(tomas, '/rack');
  await expect(
    tomas.getByRole('region', { name: 'A part' }).getByRole('link', { name: new RegExp(`^${number}`) }),
  ).toContainText('by Tue 4 Mar');

  // Sooner, after all: Week plans the step behind it.
  const soon = new Date(Date.now() + 4 * 86_400_000).toISOString().slice(0, 10);
  await ordered.getByLabel('It should come on').fill(soon);
  await ordered.getByRole('button', { name: 'Keep the order' }).click();
  await openStep(tomas, number, /new set/);
  await expect(tomas.getByText('Begins when its part has come.')).toBeVisible(BY_ITSELF);

  const came = ilse.getByRole('form', { name: 'What came' });
  await came.getByLabel('So many sets of Ukulele, nylon came').fill('4');
  await expect(came.getByRole('button', { name: 'Put it on the shelves' })).toBeEnabled();
  await came.getByRole('button', { name: 'Put it on the shelves' }).press('Enter');
  await expect(ilse.getByText('partly here')).toBeVisible();
  await accessible(ilse, 'an order that came in part');
  await expect(tomas.getByText('Begins when its part has come.')).toHaveCount(0, BY_ITSELF);
  await go(tomas, '/rack');
  await expect(
    tomas.getByRole('region', { name: 'Hands' }).getByRole('link', { name: new RegExp(`^${number}`) }),
  ).toBeVisible();
  await came.getByRole('button', { name: 'All of it' }).click();
  await came.getByRole('button', { name: 'Put it on the shelves' }).click();
  await expect(ilse.getByText('all here')).toBeVisible();
});

test('a finished step is asked what it took, with what it usually takes; a tap changes it', async () => {
  const number = await takenIn('solid-electric', 'Took its set', { work: ['restring'] });
  await go(tomas, `/job/${number}/work`);
  await tomas.getByRole('button', { name: /^Start: / }).click();
  await tomas.getByRole('button', { name: /^Finish: / }).click();
  await tomas.getByRole('button', { name: 'They are on, at pitch' }).click();
  const asked = tomas.getByRole('region', { name: /^What .* took$/ }).first();
  await expect(asked).toBeVisible();
  await accessible(tomas, 'what a step took');
  await asked.getByRole('button', { name: /^More of/ }).click();
  await expect(asked.getByText('2 sets')).toBeVisible();
  await asked.getByRole('button', { name: /^Less of/ }).click();
  await asked.getByRole('button', { name: 'Write it down' }).click();
  await expect(asked).toHaveCount(0);
  await expect(shelf(tomas).getByRole('list', { name: 'Used for this job' })).toContainText('1 set of');
});

test('stocktaking on a telephone: scan, how many, scan the next', async ({ browser }) => {
  const phone = await tablet(browser, A, 'Per Lindqvar', '9753', true);
  await phone.setViewportSize({ width: 390, height: 780 });
  await go(phone, '/stores/count');
  await accessible(phone, 'stocktaking');
  const scan = phone.getByLabel('Scan a code, or type a name');
  await scan.fill('no such thing');
  await scan.press('Enter');
  await expect(phone.getByText('Nothing has the code or the name no such thing.')).toBeVisible();
  await scan.fill('4000104');
  await scan.press('Enter');
  const one = phone.getByRole('form', { name: 'Count Electric light, nickel' });
  await one.getByLabel('So many sets are there').fill('7');
  await one.getByRole('button', { name: 'That many' }).tap();
  const counted = phone.getByRole('region', { name: 'Counted' });
  await expect(counted).toContainText('Electric light, nickel: 7 sets');
  await expect(counted).toContainText('2 fewer than the book had');
  await expect(phone.getByRole('region', { name: 'Still to count in drawer 2' })).toContainText(
    'Electric regular, nickel',
  );
  await scan.fill('regular');
  await phone.getByRole('button', { name: /^Electric regular, nickel/ }).tap();
  await expect(phone.getByRole('form', { name: 'Count Electric regular, nickel' })).toBeVisible();
  const wide = await phone.evaluate(() => document.documentElement.scrollWidth > innerWidth + 1);
  expect(wide).toBe(false);
  await go(phone, '/stores/labels');
  await accessible(phone, 'labels');
});

test('things from a list: columns matched by what they are called, rows that do not fit said, the rest on the shelves', async () => {
  await go(ilse, '/stores');
  await ilse.getByRole('button', { name: 'From a list' }).click();
  const list = ilse.getByRole('region', { name: 'From a list' });
  const rows = [
    'article;type;gauges;shelf;qty;sku',
    'Dulcimer set;Set of strings;22w 14p 12p 12p;drawer 9;4;880011',
    'Dulcimer set, heavy;Set of strings;very heavy;drawer 9;1;880012',
    'Feather washers;;;tray 9;30;',
  ].join('\r\n');
  await list.getByLabel('A list as CSV').setInputFiles({
    name: 'shelf.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(rows),
  });
  await expect(list.getByText('2 of 3 rows fit.')).toBeVisible();
  await expect(list.getByText(/^line 3: strings, lowest first/)).toBeVisible();
  await accessible(ilse, 'a list of things');
  await list.getByRole('button', { name: 'Put them on the shelves' }).click();
  await expect(list.getByRole('status')).toHaveText('2 things are on the shelves now.');
  await expect(ilse.getByRole('link', { name: 'Dulcimer set' })).toBeVisible();
  await go(ilse, '/stores/figures');
  await accessible(ilse, 'what the shelves come to');
  await go(ilse, '/stores/orders');
  await accessible(ilse, 'the orders');
});
