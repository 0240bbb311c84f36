import { expect, type Locator, type Page } from '@playwright/test';
import { A, go, live, tablet, test } from './shop.ts';

const MOST_TABS = 160;

/** Goes to a control as a keyboard does: Tab by Tab, until it has the focus. */
async function tabTo(page: Page, to: Locator): Promise<void> {
  await expect(to).toBeVisible();
  await expect(to).toBeEnabled();
  const found = await to.elementHandle();
  for (let i = 0; i < MOST_TABS; i++) {
    if (await found?.evaluate((e) => e.contains(document.activeElement))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`the keyboard never came to ${String(to)}`);
}

async function press(page: Page, to: Locator, key = 'Enter'): Promise<void> {
  await tabTo(page, to);
  await page.keyboard.press(key);
}

async function typeInto(page: Page, label: string | RegExp, text: string): Promise<void> {
  await tabTo(page, page.getByLabel(label, { exact: true }));
  await page.keyboard.type(text);
}

async function leaf(page: Page, name: string): Promise<void> {
  await press(
    page,
    page.getByRole('navigation', { name: 'Leaves of the job' }).getByRole('link', { name: new RegExp(name) }),
  );
  await page.waitForURL(new RegExp(`/${name.toLowerCase()}$`));
  await live(page);
}

test('the whole story by keyboard alone', { tag: '@long' }, async ({ browser }) => {
  const page = await tablet(browser, A, 'Odile Farrant', '480216');
  await go(page, '/rack');
  await press(page, page.getByRole('link', { name: 'Desk' }));
  await page.waitForURL('**/desk');
  await page.keyboard.press('Tab');
  await press(page, page.getByRole('link', { name: 'Take in a new one' }));
  await page.waitForURL('**/desk/take-in');
  await live(page);
  await typeInto(page, 'Name, telephone or serial number', 'Vesna Halloway');
  await page.keyboard.press('Escape');
  await typeInto(page, /own words/, 'Hard to press down.');
  await press(page, page.getByRole('button', { name: /^Kind/ }), 'Space');
  await page.keyboard.type('steel');
  await page.keyboard.press('Enter');
  await typeInto(page, 'Model', 'Pebble');
  await tabTo(page, page.getByRole('radio', { name: 'not said' }));
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'light' })).toBeChecked();
  await tabTo(page, page.getByRole('radio', { name: 'at pitch' }));
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: 'at pitch' })).toBeChecked();
  await typeInto(page, /What came with it/, 'gig bag');
  await press(page, page.getByRole('button', { name: 'Take it in' }));
  await page.waitForURL(/arrival/);
  await live(page);

  await leaf(page, 'Inspection');
  const open = page.getByText('○ open');
  await expect(open.first()).toBeVisible();
  for (let left = await open.count(); left > 0; left--) {
    await page.keyboard.press('f');
    await expect(open).toHaveCount(left - 1);
  }
  await press(page, page.getByRole('button', { name: 'Finish the inspection' }));
  await expect(page.getByText(/Finished by Odile/)).toBeVisible();

  await leaf(page, 'Readings');
  await tabTo(page, page.locator('[data-station="relief:0:7"]'));
  for (const text of [
    '.007',
    '6.5/64',
    '4/64',
    '4',
    '4',
    '4',
    '4',
    '3',
    '3',
    '4.0',
    '0',
    '1',
    '1',
    '0',
    '1',
    '0',
  ]) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('heading', { name: 'Lower the saddle' })).toBeVisible();

  await leaf(page, 'Plan');
  await press(page, page.getByRole('button', { name: 'Accept' }).first());
  await expect(page.getByText(/Odile Farrant accepted this/)).toBeVisible();

  await leaf(page, 'Work');
  await press(page, page.getByRole('button', { name: 'Yes to Lower the saddle' }));
  await press(page, page.getByRole('button', { name: 'Start: Lower the saddle' }));
  await press(page, page.getByRole('button', { name: 'Finish: Lower the saddle' }));
  await expect(page.getByRole('button', { name: 'Not finished: Lower the saddle' })).toBeVisible();

  await leaf(page, 'Hand-over');
  for (const box of await page.getByRole('region', { name: 'Bench check' }).getByRole('checkbox').all()) {
    await press(page, box, 'Space');
    await expect(box).toBeChecked();
  }
  await typeInto(page, /What is out of band/, 'Only the saddle was touched; the customer waits.');
  await press(page, page.getByRole('checkbox', { name: 'gig bag' }), 'Space');
  await expect(page.getByRole('checkbox', { name: 'gig bag' })).toBeChecked();
  await press(page, page.getByLabel('Signs by name, without drawing'), 'Space');
  await press(page, page.getByRole('button', { name: 'Sign and close the job' }));
  await expect(page.getByText('Signed and sealed')).toBeVisible();
  await page.context().close();
});
