import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';

let per: Page;

test.beforeAll(async ({ browser }) => {
  per = await tablet(browser, A, 'Per Lindqvar', '9753');
});

test(
  '? says what a page is for and its keys; the guide is searched as one types',
  { tag: '@long' },
  async () => {
    await go(per, '/rack');
    await per.keyboard.press('?');
    const help = per.getByRole('dialog');
    await expect(help).toContainText('Where every instrument is');
    await accessible(per, 'help');
    await per.keyboard.press('Escape');
    await expect(help).toHaveCount(0);
    // In a field a question mark is a question mark.
    await per.getByRole('searchbox', { name: 'Find' }).press('?');
    await expect(help).toHaveCount(0);
    await per.getByRole('button', { name: /What this page is for/ }).click();
    await help.getByRole('link', { name: 'In the guide' }).click();
    await expect(per).toHaveURL(/\/guide#bench-day$/);
    await accessible(per, 'guide');
    await per.getByLabel('Find in the guide').fill('representative');
    await expect(per.getByText('a reading taken with a string missing or off pitch')).toBeVisible();
    await expect(per.getByRole('heading', { name: 'A day as owner' })).toHaveCount(0);
  },
);
