import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';

let odile: Page;

test.beforeAll(async ({ browser }) => {
  odile = await tablet(browser, A, 'Odile Farrant', '480216');
});

const book = (page: Page) => page.getByLabel('A file of vCards, or CSV as it goes out here');
const take = async (page: Page, name: string): Promise<string> => {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name }).click(),
  ]);
  return readFile(await download.path(), 'latin1');
};

test(
  'the book goes out as vCards and CSV, and comes in again without doubling anybody',
  { tag: '@long' },
  async () => {
    await go(odile, '/shelf/exchange');
    await accessible(odile, 'in and out');
    const cards = await take(odile, 'Customers as vCards');
    expect(cards).toContain('BEGIN:VCARD\r\nVERSION:4.0\r\nFN:');
    const upload = (name: string, text: string) =>
      book(odile).setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text, 'latin1') });
    await upload(
      'in.vcf',
      `${cards}BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Wanda Harrow\r\nTEL:555 0909\r\nEND:VCARD\r\n`,
    );
    await odile.getByRole('button', { name: 'Write them into the book' }).click();
    await expect(odile.getByText(/^1 customers written, \d+ were known already\.$/)).toBeVisible();
    const sheet = await take(odile, 'Customers as CSV');
    expect(sheet).toContain('Wanda Harrow,555 0909,\r\n');
    await upload('in.csv', await take(odile, 'Instruments as CSV'));
    await odile.getByRole('button', { name: 'Write them into the book' }).click();
    await expect(odile.getByText(/^0 instruments written, \d+ were known already\.$/)).toBeVisible();
    await upload('in.csv', 'name,phone,email\r\n"Wanda,5,\r\n');
    await expect(odile.getByRole('alert').filter({ hasText: 'Nothing was changed.' })).toContainText(
      'Line 2',
    );
  },
);

test(
  'a whole job goes out as a zip; damaged it is refused, and a second time it is a job of its own',
  { tag: '@long' },
  async () => {
    await go(odile, '/job/402/hand-over');
    const zip = Buffer.from(await take(odile, 'The whole job as a zip'), 'latin1');
    await go(odile, '/shelf/exchange');
    const file = odile.getByLabel('The zip of a job');
    await file.setInputFiles({
      name: 'job.zip',
      mimeType: 'application/zip',
      buffer: zip.subarray(0, zip.length - 40),
    });
    await expect(
      odile.getByText('This is no zip file, or it is damaged. Nothing was changed.'),
    ).toBeVisible();
    await file.setInputFiles({ name: 'job.zip', mimeType: 'application/zip', buffer: zip });
    const here = odile.getByRole('link', { name: /^job \d+$/ });
    await expect(here).toBeVisible();
    await here.click();
    await odile.getByRole('link', { name: /Hand-over/ }).click();
    await expect(odile.getByText('✒ Signed and sealed')).toBeVisible();
  },
);
