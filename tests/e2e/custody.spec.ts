import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';

let desk: Page;

test.beforeAll(async ({ browser }) => {
  desk = await tablet(browser, A, 'Per Lindqvar', '9753', true);
});

test('the receipt is seen, initialled with a finger, and printed', { tag: '@long' }, async () => {
  await go(desk, '/job/413/arrival');
  const panel = desk.getByRole('region', { name: 'Receipt' });
  await expect(panel).toContainText('Not initialled yet.');
  await panel.getByRole('button', { name: 'The customer initials' }).tap();
  await expect(panel.getByRole('button', { name: 'Seen and left' })).toBeDisabled();
  const pad = await panel.getByRole('img').boundingBox();
  if (!pad) throw new Error('nowhere to initial');
  await desk.mouse.move(pad.x + 20, pad.y + 20);
  await desk.mouse.down();
  await desk.mouse.move(pad.x + 90, pad.y + 60, { steps: 6 });
  await desk.mouse.up();
  await accessible(desk, 'initialling');
  await panel.getByRole('button', { name: 'Seen and left' }).tap();
  await expect(panel).toContainText(/Seen by .+/);
  await desk.goto('/job/413/receipt');
  const sheet = desk.getByRole('article', { name: 'Receipt of job 413' });
  await expect(sheet).toContainText('Marl Pebble tenor');
  await expect(sheet.getByRole('img', { name: 'Signature' })).toBeVisible();
  await accessible(desk, 'receipt');
  const pdf = await desk.pdf({ format: 'A4' });
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
});

test('a thing is given back or its absence explained, by keyboard alone', { tag: '@long' }, async () => {
  await go(desk, '/job/404/hand-over');
  const why = desk.getByRole('textbox', { name: /is not given back/ }).first();
  await why.focus();
  await desk.keyboard.type('the customer has it');
  const kept = desk.waitForResponse((r) => r.url().endsWith('/api/command') && r.ok());
  await desk.keyboard.press('Tab');
  await kept;
  await go(desk, '/job/404/hand-over');
  await expect(desk.getByRole('textbox', { name: /is not given back/ }).first()).toHaveValue(
    'the customer has it',
  );
});
