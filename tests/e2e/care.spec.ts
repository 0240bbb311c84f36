import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let ilse: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
});

test(
  'may I use it on this? at the step that cleans, at the item that asks, and of any surface',
  { tag: '@long' },
  async () => {
    const number = await takenIn('nylon', 'To be cleaned', {
      work: ['board-clean', 'clean-body'],
      construction: { finish: 'shellac', fingerboard: 'raw' },
    });
    await go(ilse, `/job/${number}/work`);
    const steps = ilse.getByRole('region', { name: 'Steps' });
    // By a key: what comes beside the steps may still move them.
    await steps.getByText('What may touch it').first().press('Enter');
    const board = steps.getByRole('region', { name: 'Fingerboard: Feed it' });
    await expect(board).toContainText('board oil (a mineral oil)');
    await expect(board).toContainText('Try it first beyond the last fret.');
    await accessible(ilse, 'what may touch it, at a step');
    await steps.getByRole('link', { name: 'May I use … on this?' }).first().click();
    await ilse.waitForURL(/\/stores\/care\?job=/);
    await ilse.getByLabel('What have you in your hand?').fill('rubbing alcohol');
    await expect(ilse.getByText('◆ Shellac, alcohol: no, never.')).toBeVisible();
    await expect(ilse.getByText('It is what shellac is dissolved in.').first()).toBeVisible();
    await ilse.getByRole('button', { name: /^On what/ }).press(' ');
    await ilse.getByRole('option', { name: 'Fingerboard, bare wood' }).click();
    await ilse.getByLabel('What have you in your hand?').fill('lemon oil');
    await expect(
      ilse.getByText('Fingerboard, bare wood, board oil (a mineral oil): yes, it is usual.'),
    ).toBeVisible();
    await ilse.getByLabel('What have you in your hand?').fill('moon dust');
    await expect(ilse.getByText('Nobody here knows what that is.')).toBeVisible();
    await ilse.getByRole('button', { name: /^Worked on, or with/ }).click();
    await ilse.getByRole('option', { name: 'bone, antler, shell' }).click();
    await expect(ilse.getByRole('region', { name: 'What to beware of' })).toContainText(
      'respirator and extraction',
    );
    await accessible(ilse, 'care');
    await go(ilse, `/job/${number}/inspection`);
    await ilse
      .getByRole('list', { name: 'All items' })
      .getByRole('button', { name: /^Fingerboard/ })
      .first()
      .click();
    await ilse.getByRole('region', { name: 'Item' }).getByText('What may touch it').click();
    await expect(ilse.getByRole('region', { name: 'Fingerboard: Clean it' })).toBeVisible();
  },
);

test(
  'the shop says it otherwise, with why, as a version; how much cleaning the price has in it',
  { tag: '@long' },
  async () => {
    await go(ilse, '/house/care');
    await ilse.getByRole('button', { name: /^On what/ }).click();
    await ilse.getByRole('option', { name: 'Polyester or polyurethane' }).click();
    await ilse.getByRole('button', { name: /^May naphtha touch it/ }).click();
    await ilse.getByRole('option', { name: 'no, never', exact: true }).click();
    await ilse.getByRole('button', { name: /^Keep as version/ }).click();
    await expect(ilse.getByText('Say why: whoever reads it holds the cloth.')).toBeVisible();
    await ilse.getByLabel('Why, for naphtha').fill('Not in this house.');
    await ilse.getByRole('radio', { name: /^Cleaning body, board and frets/ }).check();
    await accessible(ilse, 'care, as the shop says it');
    await ilse.getByRole('button', { name: /^Keep as version/ }).click();
    await expect(ilse.getByRole('button', { name: 'Take version 1 as a start' })).toBeVisible();
    await go(ilse, '/stores/care');
    await ilse.getByRole('button', { name: /^On what/ }).click();
    await ilse.getByRole('option', { name: 'Polyester or polyurethane' }).click();
    await ilse.getByLabel('What have you in your hand?').fill('lighter fluid');
    await expect(ilse.getByText('Not in this house.').first()).toBeVisible();
    // As it was: other tests of the shop read what ships.
    await go(ilse, '/house/care');
    await ilse.getByRole('radio', { name: /^Wiping it down/ }).check();
    await ilse.getByRole('button', { name: /^Keep as version/ }).click();
    await expect(ilse.getByRole('button', { name: 'Take version 2 as a start' })).toBeVisible();
  },
);
