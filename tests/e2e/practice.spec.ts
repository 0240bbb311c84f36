import { expect, type Page } from '@playwright/test';
import { A, accessible, B, go, tablet, test } from './shop.ts';

let tomas: Page;
let ilse: Page;
test.beforeAll(async ({ browser }) => {
  tomas = await tablet(browser, A, 'Tomas Vey', '1357');
  ilse = await tablet(browser, B, 'Ilse Marrow', '2468', true);
});

const done = (page: Page) => page.getByRole('list', { name: 'Done so far' });

async function bring(page: Page, code: string): Promise<void> {
  await go(page, '/practice');
  await page.getByLabel('Or a colleague’s code').fill(code);
  await page.getByRole('button', { name: 'Bring it to my bench' }).click();
  await page.waitForURL(/\/practice\/\d+$/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Practice: ');
}

const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();

async function work(page: Page, name: string, fields: Readonly<Record<string, string>> = {}): Promise<void> {
  await tab(page, 'Work');
  await page.getByRole('list', { name: 'Work' }).getByRole('button', { name, exact: true }).click();
  for (const [label, text] of Object.entries(fields)) await page.getByLabel(label).fill(text);
  const before = await done(page).getByRole('listitem').count();
  await page.getByRole('button', { name: `Do it: ${name}` }).click();
  await expect(done(page).getByRole('listitem')).toHaveCount(before + 1);
}

const TURN = 'Eighths of a turn, tighter +, looser −';
const reading = (page: Page, name: string) => page.getByRole('button', { name: `${name}: read it` });

async function readAt(page: Page, name: string): Promise<void> {
  await tab(page, 'Read');
  const before = await done(page).getByRole('listitem').count();
  await reading(page, name).click();
  await expect(done(page).getByRole('listitem')).toHaveCount(before + 1);
}

test(
  'one solved well: tuned, read, turned in steps, nothing cut, the back-bow named',
  { tag: '@long' },
  async () => {
    await bring(tomas, 'steel-acoustic.1.7');
    await expect(tomas.getByText('“It buzzes low down since I had it tightened.”')).toBeVisible();
    await accessible(tomas, 'a practice bench');
    await tab(tomas, 'Ask');
    await tomas.getByRole('button', { name: 'Has anybody worked on it?' }).click();
    await expect(tomas.getByRole('tabpanel')).toContainText('“A friend turned the rod, quite a bit.”');
    await accessible(tomas, 'asking its owner');
    await tab(tomas, 'Read');
    // Away from pitch a reading says so, and is struck.
    await reading(tomas, 'Relief, 7th').click();
    await expect(done(tomas)).toContainText('not at pitch');
    await expect(tomas.getByText('◆ read away from pitch')).toBeVisible();
    await work(tomas, 'Tune, stretch, tune again');
    await readAt(tomas, 'Relief, 7th');
    await expect(tomas.getByRole('tabpanel')).toContainText('low');
    await tab(tomas, 'Look');
    await tomas.getByRole('button', { name: 'Every string at every fret: look' }).click();
    await expect(tomas.getByRole('tabpanel')).toContainText('Not clear: 6 E at 1');
    await accessible(tomas, 'looking');
    await tab(tomas, 'Listen');
    const grid = tomas.getByRole('grid', { name: 'Pluck' });
    // By the keyboard alone: about the neck with arrows, plucked with Enter.
    await grid.getByRole('button', { name: 'String 6 E open' }).focus();
    await tomas.keyboard.press('ArrowRight');
    await tomas.keyboard.press('ArrowRight');
    await tomas.keyboard.press('Enter');
    await expect(grid.getByRole('button', { name: 'String 6 E at 2: buzzes' })).toBeFocused();
    await accessible(tomas, 'listening');
    // A quarter turn at most at a time, read again each time; the last one is half as large.
    for (const eighths of ['−2', '−2', '−2', '−1']) {
      await work(tomas, 'Adjust the truss rod', { [TURN]: eighths });
      await work(tomas, 'Tune, stretch, tune again');
      await readAt(tomas, 'Relief, 7th');
    }
    await expect(tomas.getByRole('tabpanel').getByText('in its band').first()).toBeVisible();
    await accessible(tomas, 'readings of a practice instrument');
    await tab(tomas, 'Hand back');
    await tomas.getByRole('checkbox', { name: 'A back-bow' }).check();
    await expect(tomas.getByText('You say: a back-bow.')).toBeVisible();
    await accessible(tomas, 'handing back');
    await tomas.getByRole('button', { name: 'Hand it back and open it' }).click();
    await expect(tomas.getByRole('heading', { name: '100 of 100' })).toBeVisible();
    await expect(tomas.getByText('Loosening is the first answer')).toBeVisible();
    await expect(tomas.getByText('It showed here:')).toBeVisible();
    await expect(tomas.getByText('should be .008').first()).toBeVisible();
    await accessible(tomas, 'opened');
    // A reload shows the same: it is kept.
    await go(tomas, new URL(tomas.url()).pathname);
    await expect(tomas.getByRole('heading', { name: '100 of 100' })).toBeVisible();
    await expect(tomas.getByRole('tab')).toHaveCount(0);
  },
);

test(
  'one solved badly, by touch: cut blind, named wrong; what was there is explained',
  { tag: '@long' },
  async () => {
    await go(ilse, '/practice');
    await ilse.getByLabel('Or a colleague’s code').fill('lute.9');
    await ilse.getByRole('button', { name: 'Bring it to my bench' }).tap();
    await expect(ilse.getByText('◆ There is no instrument of that code.').first()).toBeVisible();
    await ilse.getByLabel('Or a colleague’s code').fill('steel-acoustic.1.7');
    await ilse.getByRole('button', { name: 'Bring it to my bench' }).tap();
    await ilse.waitForURL(/\/practice\/\d+$/);
    await ilse.getByRole('tab', { name: 'Work' }).tap();
    const list = ilse.getByRole('list', { name: 'Work' });
    await list.getByRole('button', { name: 'Level and dress the frets' }).tap();
    await expect(ilse.getByText('respirator and extraction').first()).toBeVisible();
    await ilse.getByRole('button', { name: 'Do it: Level and dress the frets' }).tap();
    await expect(done(ilse).getByRole('listitem')).toHaveCount(1);
    await list.getByRole('button', { name: 'Raise the saddle' }).tap();
    await ilse.getByRole('button', { name: 'Do it: Raise the saddle' }).tap();
    await expect(ilse.getByText('◆ How much?').first()).toBeVisible();
    await ilse.getByLabel('At the bass').fill('1.2');
    await ilse.getByLabel('At the treble').fill('3/64');
    await ilse.getByRole('button', { name: 'Do it: Raise the saddle' }).tap();
    await expect(ilse.getByText('That is .001, less than a hand can take').first()).toBeVisible();
    await ilse.getByLabel('At the bass').fill('1.2 mm');
    await accessible(ilse, 'work at a practice instrument');
    await ilse.getByRole('button', { name: 'Do it: Raise the saddle' }).tap();
    await expect(done(ilse)).toContainText('bass +.047, treble +.047');
    await ilse.getByRole('tab', { name: 'Hand back' }).tap();
    await ilse.getByText('The saddle too low').tap();
    await ilse.getByRole('button', { name: 'Hand it back and open it' }).tap();
    const score = ilse.getByRole('heading', { name: /^\d+ of 100$/ });
    await expect(score).toBeVisible();
    expect(Number((await score.textContent())?.split(' ')[0])).toBeLessThan(30);
    await expect(ilse.getByText('◆ not named')).toBeVisible();
    await expect(ilse.getByText('◆ Named, and not there: the saddle too low.')).toBeVisible();
    await expect(ilse.getByText('you did not look there').first()).toBeVisible();
    await accessible(ilse, 'opened after a bad day');
  },
);

test(
  'a lead sets one for a colleague, who finds it and puts it away; each sees only their own',
  { tag: '@long' },
  async () => {
    await go(ilse, '/practice');
    await accessible(ilse, 'practice');
    await ilse.getByRole('button', { name: /^Something is wrong with/ }).press(' ');
    await ilse.getByRole('option', { name: 'Nut', exact: true }).click();
    await ilse.getByRole('button', { name: /^For/ }).press(' ');
    await ilse.getByRole('option', { name: 'Tomas Vey' }).click();
    await ilse.getByRole('button', { name: 'Set it for them' }).click();
    await expect(ilse.getByText('It stands on Tomas Vey’s practice bench.')).toBeVisible();
    await expect(ilse.getByRole('region', { name: 'Set by me' })).toContainText('not begun');
    await go(tomas, '/practice');
    await expect(tomas.getByRole('button', { name: /^For/ })).toHaveCount(0);
    await expect(tomas.getByRole('region', { name: 'How I do' })).toContainText('The neck');
    const mine = tomas.getByRole('region', { name: 'On my practice bench' }).getByRole('listitem');
    const before = await mine.count();
    const set = mine.filter({ hasText: '.nut' });
    await expect(set).toContainText('set by Ilse Marrow');
    await set.getByRole('button', { name: /^Put away/ }).click();
    await expect(mine).toHaveCount(before - 1);
    const others = ilse.getByRole('region', { name: 'Handed back' }).getByRole('link').first();
    const path = (await others.getAttribute('href')) ?? '';
    await tomas.goto(path);
    await expect(tomas.getByText('Nothing hangs here')).toBeVisible();
    await expect(tomas.getByText(/of 100/)).toHaveCount(0);
  },
);
