import type { Locator, Page } from '@playwright/test';
import { go } from './shop.ts';

/** Opens a step of a job by its thread: any bar of the job, on the day where it has room. */
export async function openStep(page: Page, number: number, title: RegExp): Promise<void> {
  await go(page, '/week');
  await page.getByRole('radio', { name: 'Two weeks' }).click();
  await page.getByRole('radio', { name: 'Day', exact: true }).click();
  const bar = page.getByRole('button', { name: new RegExp(`^${number} `) }).first();
  await fromToday(page, bar);
  await bar.click();
  await page
    .getByRole('region', { name: new RegExp(`^${number} `) })
    .getByRole('listitem')
    .filter({ hasText: title })
    .getByRole('button')
    .click();
}

/** From today on, day by day, to the one that shows something. */
export async function fromToday(page: Page, what: Locator): Promise<void> {
  const today = page.getByRole('button', { name: 'Today' });
  if (await today.isEnabled()) await today.click();
  for (let i = 0; i < 14 && !(await what.isVisible()); i++) {
    await page.getByRole('button', { name: 'Later' }).click();
    await page.waitForTimeout(150);
  }
}
