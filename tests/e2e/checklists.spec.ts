import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { SALES_FLOOR } from '../../src/core/inspection/lists/sales-floor.ts';
import { A, accessible, B, BY_ITSELF, go, tablet, test } from './shop.ts';

let ilse: Page;
let tomas: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
  tomas = await tablet(browser, B, 'Tomas Vey', '1357');
});

const FLOOR = `/house/checklists/${SALES_FLOOR.id}`;
const order = (page: Page) => page.getByRole('list', { name: 'Items in their order' });
const titles = async (page: Page): Promise<string[]> =>
  (
    await order(page)
      .getByRole('button', { name: /^Move / })
      .all()
  ).length === 0
    ? []
    : order(page)
        .getByRole('button', { name: /^Move / })
        .evaluateAll((all) => all.map((b) => (b.getAttribute('aria-label') ?? '').replace(/^Move /, '')));

test(
  'a list is changed, put in another order by finger and by keyboard, kept, and says what changed',
  { tag: '@long' },
  async () => {
    await go(ilse, FLOOR);
    const [first = '', second = '', third = ''] = await titles(ilse);
    // by a finger's or mouse's pull at the handle
    const from = await order(ilse)
      .getByRole('button', { name: `Move ${first}`, exact: true })
      .boundingBox();
    const to = await order(ilse)
      .getByRole('button', { name: `Move ${second}`, exact: true })
      .boundingBox();
    if (!from || !to) throw new Error('nothing to pull at');
    await ilse.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await ilse.mouse.down();
    await ilse.mouse.move(to.x + to.width / 2, to.y + to.height / 2 + 6, { steps: 8 });
    await ilse.mouse.up();
    await expect.poll(async () => (await titles(ilse)).slice(0, 2)).toEqual([second, first]);
    // by keyboard alone: take it up, move it, put it down
    await order(ilse)
      .getByRole('button', { name: `Move ${third}`, exact: true })
      .focus();
    await ilse.keyboard.press('Space');
    await expect(ilse.getByText(`${third} is over place 3 of`)).toBeAttached();
    await ilse.keyboard.press('ArrowUp');
    await expect(ilse.getByText(`${third} is over place 2 of`)).toBeAttached();
    await ilse.keyboard.press('Space');
    await expect.poll(async () => (await titles(ilse)).slice(0, 3)).toEqual([second, third, first]);
    // by its buttons
    await order(ilse)
      .getByRole('button', { name: `${first} ·` })
      .tap();
    await ilse.getByRole('button', { name: `${first} up` }).tap();
    await expect.poll(async () => (await titles(ilse)).slice(0, 3)).toEqual([second, first, third]);

    await ilse.getByRole('button', { name: 'Add an item after this one' }).tap();
    await expect(ilse.getByText(/Not yet said: an item without words/)).toBeVisible();
    await expect(ilse.getByRole('button', { name: /^Keep as version/ })).toBeDisabled();
    await ilse.getByLabel('What it asks').fill('Hang tag and price');
    await ilse.getByLabel('How to look').fill('Both there, both right.');
    await ilse.getByRole('button', { name: 'A condition' }).tap();
    const condition = ilse.getByRole('group', { name: /^Condition/ });
    await condition.getByRole('button', { name: /^When/ }).tap();
    await ilse.getByRole('option', { name: 'the kind' }).tap();
    await condition.getByRole('checkbox', { name: 'bass' }).check();
    await expect(ilse.getByText('Asked when: kind is not steel-string acoustic or bass')).toBeVisible();
    await accessible(ilse, 'editing a checklist');
    // a reload in the middle loses nothing
    await ilse.reload();
    await expect(
      ilse.getByRole('heading', { name: `2 changes since version ${SALES_FLOOR.version}` }),
    ).toBeVisible();
    await ilse.getByRole('button', { name: `Keep as version ${SALES_FLOOR.version + 1}` }).tap();
    await ilse.waitForURL('**/house/checklists?list=*');
    await expect(
      ilse.getByRole('link', { name: `New stock for the floor, version ${SALES_FLOOR.version + 1}` }),
    ).toBeVisible();
    await go(ilse, `${FLOOR}/versions`);
    const newest = ilse.getByRole('region', { name: new RegExp(`^Version ${SALES_FLOOR.version + 1}`) });
    await expect(newest.getByRole('region', { name: 'Added' })).toContainText('Hang tag and price');
    await expect(newest.getByRole('region', { name: 'Moved' }).getByRole('listitem')).toHaveCount(1);
    await accessible(ilse, 'versions of a checklist');
  },
);

test(
  'lists go out as a file and come in again; a damaged file changes nothing',
  { tag: '@long' },
  async () => {
    await go(ilse, '/house/checklists');
    const [download] = await Promise.all([
      ilse.waitForEvent('download'),
      ilse.getByRole('link', { name: 'All as a file' }).click(),
    ]);
    const text = await readFile(await download.path(), 'utf8');
    const file = ilse.getByLabel('A JSON file of checklists');
    const choose = (content: string) =>
      file.setInputFiles({ name: 'lists.json', mimeType: 'application/json', buffer: Buffer.from(content) });
    await choose(text.slice(0, -200));
    await expect(
      ilse.getByRole('alert').filter({ hasText: 'This is no JSON file. Nothing was changed.' }),
    ).toBeVisible();
    await choose(text);
    await expect(ilse.getByRole('article', { name: 'Bench arrival' })).toContainText(
      'The shop has this list just so.',
    );
    const lists = JSON.parse(text) as { id: string; items: { text: string }[] }[];
    const floor = lists.find((l) => l.id === 'sales-floor');
    if (floor?.items[0]) floor.items[0].text = 'Carton whole and dry';
    await choose(JSON.stringify([floor]));
    const article = ilse.getByRole('article', { name: 'New stock for the floor' });
    await article.getByText('What would change').click();
    await expect(article).toContainText('Carton whole and dry');
    await article.getByRole('button', { name: /^Keep as version/ }).tap();
    await expect(article).toHaveCount(0);
    await ilse.getByRole('link', { name: /^New stock for the floor/ }).tap();
    await expect(ilse.getByRole('row', { name: /Carton whole and dry/ })).toBeVisible();
    await accessible(ilse, 'checklists');
  },
);

test(
  'new stock is inspected by its own list; who is at which item is seen by the other',
  { tag: '@long' },
  async () => {
    await go(tomas, '/job/415/inspection');
    await tomas.getByRole('radio', { name: 'New stock for the floor' }).click();
    const list = (page: Page) => page.getByRole('list', { name: 'All items' });
    await expect(list(tomas).getByRole('button', { name: /^Protective film stays on/ })).toBeVisible();
    await go(ilse, '/job/415/inspection');
    await list(ilse)
      .getByRole('button', { name: /^Relief/ })
      .tap();
    await expect(tomas.getByText('Ilse Marrow is here: Inspection')).toBeVisible(BY_ITSELF);
    await expect(list(tomas).getByRole('button', { name: /^Relief/ })).toContainText('is here', BY_ITSELF);
    await accessible(tomas, 'an inspection two people look at');
  },
);

test('a technician looks at a list but does not keep it', { tag: '@long' }, async () => {
  await go(tomas, FLOOR);
  await expect(tomas.getByText('A lead or the owner keeps lists; look around freely.')).toBeVisible();
  await expect(tomas.getByRole('button', { name: /^Keep as version/ })).toBeDisabled();
});
