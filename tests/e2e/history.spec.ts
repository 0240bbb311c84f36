import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let tomas: Page;

test.beforeAll(async ({ browser }) => {
  tomas = await tablet(browser, A, 'Tomas Vey', '1357');
});

test(
  'a job’s own history: what stood there before and after, by whom; filtered, and as a file',
  { tag: '@long' },
  async () => {
    const number = await takenIn('ukulele', 'Chronicle', { readings: [['action', 1, 12, '2.4']] });
    await go(tomas, `/job/${number}/readings`);
    const action = tomas.locator('[id="station-action:1:12"]');
    await action.fill('2.6 mm');
    await action.press('Enter');
    await expect(tomas.locator('[data-sending]')).toHaveCount(0);
    await tomas.getByRole('link', { name: 'History' }).click();
    await expect(tomas.getByRole('heading', { level: 1 })).toHaveText(`History of ${number}`);
    const rows = tomas.getByRole('table').getByRole('row');
    await expect(rows).toHaveCount(4);
    const changed = tomas.getByRole('row', { name: /Tomas Vey/ });
    await expect(changed).toContainText('read as found: action at fret 12, string 1');
    await expect(changed).toContainText('2.4');
    await expect(changed).toContainText('2.6 mm');
    await accessible(tomas, 'history');
    await tomas.getByLabel('With the word').fill('took it in');
    await expect(rows).toHaveCount(2);
    await tomas.getByLabel('With the word').fill('');
    await tomas.getByRole('button', { name: /^By/ }).click();
    await tomas.getByRole('option', { name: 'Tomas Vey' }).click();
    await expect(rows).toHaveCount(2);
    const [file] = await Promise.all([
      tomas.waitForEvent('download'),
      tomas.getByRole('link', { name: 'As CSV' }).click(),
    ]);
    const text = await readFile(await file.path(), 'utf8');
    expect(text.trim().split('\r\n')).toHaveLength(4);
    expect(text).toContain('as found: action, string 1, fret 12');
  },
);
