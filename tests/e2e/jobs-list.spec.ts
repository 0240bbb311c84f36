import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';

let ilse: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
});

const jobs = (page: Page) => page.getByRole('region', { name: 'Jobs' });

test(
  'every job is listed, narrowed by words and state, ordered by a head, its columns chosen and kept as a view',
  { tag: '@long' },
  async () => {
    await go(ilse, '/shelf');
    await ilse.getByRole('link', { name: 'Every job' }).click();
    await expect(jobs(ilse).getByRole('row')).not.toHaveCount(1);
    await ilse.getByLabel('Words, number, serial').fill('lantern dunmore');
    await ilse.getByLabel('Words, number, serial').press('Enter');
    await ilse.waitForURL(/q=lantern/);
    await expect(jobs(ilse).getByRole('link', { name: '372', exact: true })).toBeVisible();
    await expect(jobs(ilse).getByRole('link', { name: '401', exact: true })).toHaveCount(0);
    await jobs(ilse).getByRole('link', { name: /^Came/ }).click();
    await ilse.waitForURL(/sort=taken/);
    await expect(jobs(ilse).getByRole('columnheader', { name: /^Came/ })).toHaveAttribute(
      'aria-sort',
      'descending',
    );
    await jobs(ilse).getByRole('link', { name: /^Came/ }).click();
    await expect(jobs(ilse).getByRole('row').nth(1)).toContainText('23');
    await ilse.getByText('Columns', { exact: true }).click();
    await ilse.getByRole('checkbox', { name: 'In their words' }).uncheck();
    await expect(jobs(ilse).getByRole('columnheader', { name: 'In their words' })).toHaveCount(0);
    await accessible(ilse, 'the list of every job');
    await ilse.getByRole('button', { name: 'Keep this view' }).click();
    await ilse.getByLabel('Its name').fill('The Lantern');
    await ilse.getByRole('button', { name: 'Keep it' }).click();
    await go(ilse, '/shelf/jobs');
    await ilse.getByRole('button', { name: 'The Lantern', exact: true }).click();
    await ilse.waitForURL(/q=lantern/);
    await expect(jobs(ilse).getByRole('row').nth(1)).toContainText('23');
    const file = await ilse.request.get(`${A}/api/find/jobs?q=lantern`);
    expect((await file.text()).split('\r\n')[0]).toContain('Job,Instrument');
    await ilse.getByRole('button', { name: 'Drop the view The Lantern' }).click();
    await expect(ilse.getByRole('button', { name: 'The Lantern', exact: true })).toHaveCount(0);
  },
);
