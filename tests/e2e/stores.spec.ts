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

test(
  'a part is ordered and arrives: its job hangs on the part rail till then, Week knows it, and it wakes',
  { tag: '@long' },
  async () => {
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
  },
);

test('stocktaking on a telephone: scan, how many, scan the next', { tag: '@long' }, async ({ browser }) => {
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
