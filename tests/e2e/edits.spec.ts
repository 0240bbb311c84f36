/** What is typed stands through a colleague's change: nothing is overwritten unseen, nothing typed is lost. */
import { expect, type Page, type Request } from '@playwright/test';
import { A, B, BY_ITSELF, go, live, load, tablet, test } from './shop.ts';
import { asOdile, takenIn } from './taken-in.ts';

let ilse: Page;
let odile: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
  odile = await tablet(browser, B, 'Odile Farrant', '480216');
});

const hangs = (page: Page) => page.getByRole('form', { name: 'Where it hangs' });

test('a note typed while a colleague writes another: both are shown, and one is chosen', async () => {
  const number = await takenIn('nylon', 'Two hands');
  await go(ilse, `/job/${number}/arrival`);
  await go(odile, `/job/${number}/arrival`);
  await hangs(ilse).getByLabel('Note').fill('wants new pegs');
  await hangs(odile).getByLabel('Note').fill('ring first');
  await hangs(odile).getByRole('button', { name: 'Hang it there' }).click();
  const both = hangs(ilse).getByRole('alert');
  await expect(both).toContainText('theirs ring first', BY_ITSELF);
  await expect(both).toContainText('yours wants new pegs');
  await expect(hangs(ilse).getByLabel('Note')).toHaveValue('wants new pegs');
  await expect(hangs(ilse).getByRole('button', { name: 'Hang it there' })).toBeDisabled();
  // Undecided it waits: one can go on to another leaf, and it stands there when one comes back.
  await go(ilse, `/job/${number}/readings`);
  await go(ilse, `/job/${number}/arrival`);
  await expect(both).toContainText('yours wants new pegs');
  await both.getByRole('button', { name: 'Mine over theirs' }).click();
  await hangs(ilse).getByRole('button', { name: 'Hang it there' }).click();
  await expect(hangs(odile).getByLabel('Note')).toHaveValue('wants new pegs', BY_ITSELF);
});

test(
  'what a colleague changes elsewhere is taken over, and what is typed survives a reload',
  { tag: '@long' },
  async () => {
    const number = await takenIn('nylon', 'One field each');
    await go(ilse, `/job/${number}/arrival`);
    await go(odile, `/job/${number}/arrival`);
    await hangs(ilse).getByLabel('Note').fill('second shelf');
    await hangs(odile)
      .getByRole('button', { name: /^Who has it/ })
      .click();
    await odile.getByRole('option', { name: 'Nadia Brook' }).click();
    await hangs(odile).getByRole('button', { name: 'Hang it there' }).click();
    await expect(hangs(ilse).getByRole('button', { name: /^Who has it/ })).toContainText(
      'Nadia Brook',
      BY_ITSELF,
    );
    await ilse.reload();
    await live(ilse);
    await expect(hangs(ilse).getByLabel('Note')).toHaveValue('second shelf');
    await hangs(ilse).getByRole('button', { name: 'Hang it there' }).click();
    await expect(hangs(odile).getByLabel('Note')).toHaveValue('second shelf', BY_ITSELF);
    await expect(hangs(odile).getByRole('button', { name: /^Who has it/ })).toContainText('Nadia Brook');
  },
);

test('House keeps what is typed when a colleague saves', { tag: '@long' }, async () => {
  await go(ilse, '/house/hand-over');
  await go(odile, '/house/hand-over');
  const days = (page: Page) => page.getByLabel('Days a customer’s link opens');
  await days(ilse).fill('33');
  await odile.getByLabel('Weeks until the next check (2 to 4)').fill('4');
  await odile.getByRole('button', { name: 'Keep the rules' }).click();
  await expect(ilse.getByLabel('Weeks until the next check (2 to 4)')).toHaveValue('4', BY_ITSELF);
  await expect(days(ilse)).toHaveValue('33');
  await ilse.getByRole('button', { name: 'Keep the rules' }).click();
  await expect(days(odile)).toHaveValue('33', BY_ITSELF);
  await expect(odile.getByLabel('Weeks until the next check (2 to 4)')).toHaveValue('4');
});

test(
  'the same reading once more is sent, an emptied one is taken back after one question, by a key',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Again');
    await go(ilse, `/job/${number}/readings`);
    const relief = ilse.locator('[id="station-relief:0:7"]');
    const sent: string[] = [];
    await ilse.route('**/api/command', async (route) => {
      sent.push((route.request().postDataJSON() as { name: string }).name);
      await route.continue();
    });
    await relief.fill('8 thou');
    await relief.press('Enter');
    await expect.poll(() => sent).toEqual(['readings.save']);
    await expect(relief).not.toHaveAttribute('data-sending');
    await relief.focus();
    await ilse.keyboard.insertText('8 thou');
    await relief.press('Enter');
    await expect.poll(() => sent).toEqual(['readings.save', 'readings.save']);
    await expect(relief).not.toHaveAttribute('data-sending');
    // Only passing by sends nothing.
    await relief.focus();
    await relief.press('Enter');
    await relief.fill('');
    await relief.press('Enter');
    await expect(ilse.locator('#sheet-says')).toContainText('Take 8 thou back?');
    await relief.press('y');
    await expect.poll(() => sent.at(-1)).toBe('readings.take-back');
    await expect(relief).toHaveValue('');
    await ilse.unroute('**/api/command');
    await ilse.reload();
    await live(ilse);
    await expect(relief).toHaveValue('');
    await go(ilse, `/job/${number}/history`);
    await expect(ilse.getByText(/took a reading back/).first()).toBeVisible();
  },
);

test(
  'a place where another hangs is said, and both hang there when that is meant',
  { tag: '@long' },
  async () => {
    const [first, second] = [
      await takenIn('ukulele', 'First there'),
      await takenIn('ukulele', 'Second there'),
    ];
    const hang = async (number: number) => {
      await go(ilse, `/job/${number}/arrival`);
      await hangs(ilse)
        .getByRole('button', { name: /^Place/ })
        .click();
      await ilse.getByRole('option', { name: /^B4/ }).click();
      await hangs(ilse).getByRole('button', { name: 'Hang it there' }).click();
    };
    await hang(first);
    await expect(hangs(ilse).getByRole('button', { name: 'Hang it there' })).toBeDisabled();
    await hang(second);
    await expect(hangs(ilse).getByText(`${first} hangs at B4 already.`)).toBeVisible();
    await hangs(ilse).getByRole('button', { name: 'Both hang there' }).click();
    await expect(hangs(ilse).getByText(`${first} hangs at B4 already.`)).toHaveCount(0);
  },
);

/** Long enough for a screen that listens to hear of a change before its next page is there. */
const HEARD_MS = 1_000;

test(
  'what a colleague reads while a page is on its way stands on it when it is shown',
  { tag: '@long' },
  async () => {
    const number = await takenIn('nylon', 'On its way');
    const path = `/job/${number}/readings`;
    const jobId = await asOdile(
      async (_, db) => (await db.models.Job.findOne({ where: { number } }))?.id ?? 0,
    );
    const read = (string: number, typed: string) =>
      asOdile((give) =>
        give('readings.save', {
          jobId,
          round: 'as-found',
          quantity: 'action',
          string,
          fret: 12,
          typed,
          unit: 'mm',
          version: 0,
        }),
      );
    /** The house has made the page; somebody else goes on before it is there. */
    const meanwhile = async (work: () => Promise<unknown>) => {
      let held = false;
      await ilse.route(
        (url) => url.pathname === path,
        async (route) => {
          if (held) return route.continue();
          held = true;
          const made = await route.fetch();
          await work();
          await ilse.waitForTimeout(HEARD_MS);
          return route.fulfill({ response: made });
        },
      );
    };
    await go(ilse, '/job/408/arrival');
    for (const string of [6, 1]) {
      await meanwhile(() => read(string, '3'));
      // Once by going there from another job, once by loading it.
      if (string === 6) await go(ilse, path);
      else await load(ilse, path);
      await expect(ilse.locator(`[id="station-action:${string}:12"]`)).not.toHaveValue('', BY_ITSELF);
      await ilse.unrouteAll({ behavior: 'wait' });
    }
  },
);

test('a page that is loaded is not asked for a second time', async () => {
  const asked: string[] = [];
  const hear = (request: Request) => {
    if (request.headers()['rsc'] || /\/api\/(job|frame|rack)\b/.test(request.url()))
      asked.push(request.url());
  };
  for (const path of ['/job/408/readings', '/house/places']) {
    ilse.on('request', hear);
    await load(ilse, path);
    await ilse.waitForTimeout(HEARD_MS);
    ilse.off('request', hear);
  }
  // What stands beside a leaf and loads itself is asked for once.
  expect(
    asked.filter((url, i) => /\/house\/|\/readings|\/api\/frame/.test(url) || asked.indexOf(url) !== i),
  ).toEqual([]);
});
