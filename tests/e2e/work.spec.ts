import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let odile: Page;

test.beforeAll(async ({ browser }) => {
  odile = await tablet(browser, A, 'Odile Farrant', '480216');
});

test('a discount wants its reason, comes off before the tax, and stands in the history', async () => {
  const number = await takenIn('ukulele', 'Thrifty');
  await go(odile, `/job/${number}/plan`);
  await odile.getByRole('button', { name: /^Another operation/ }).click();
  await odile.getByRole('option', { name: 'Adjust the truss rod' }).click();
  await odile.getByRole('button', { name: 'Put it on the work order' }).click();
  await go(odile, `/job/${number}/work`);
  await odile.getByRole('button', { name: /^Yes/ }).click();
  const totals = odile.getByRole('region', { name: 'Agreed' });
  await expect(totals).toContainText('12.00');
  await expect(totals).toContainText('As the work turns out');
  await totals.getByRole('button', { name: 'Give a discount' }).click();
  await totals.getByLabel('Per cent off').fill('ten');
  await expect(totals.getByText('A number, like 10')).toBeVisible();
  await totals.getByLabel('Per cent off').fill('25');
  await totals.getByRole('button', { name: 'Keep the discount' }).click();
  await expect(totals.getByText('Why is it given?')).toBeVisible();
  await totals.getByLabel('Its reason').fill('third one this year');
  await accessible(odile, 'the totals');
  await totals.getByRole('button', { name: 'Keep the discount' }).click();
  await expect(totals).toContainText('Discount: third one this year');
  await expect(totals).toContainText('3.00');
  await go(odile, `/job/${number}/history`);
  await expect(odile.getByRole('row', { name: /discount given/ })).toContainText('third one this year');
});
