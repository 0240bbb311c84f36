import { expect, type Page } from '@playwright/test';
import { openDatabase } from '../../src/server/db/connection.ts';
import { A, B, BY_ITSELF, DATABASE, go, tablet, test } from './shop.ts';

let ilse: Page;
let tomas: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
  tomas = await tablet(browser, B, 'Tomas Vey', '1357');
});

const JOB = '/job/411/inspection';

interface CommandSent {
  readonly name: string;
  readonly input: { readonly answer?: unknown };
}

test(
  'two people on one list see each other; a reading is taken without leaving the item',
  { tag: '@long' },
  async () => {
    await go(ilse, JOB);
    await go(tomas, JOB);
    const list = (page: Page) => page.getByRole('list', { name: 'All items' });
    await list(ilse)
      .getByRole('button', { name: /^Relief/ })
      .tap();
    const relief = ilse.getByRole('textbox', { name: 'Relief, 7th' });
    await relief.fill('.009');
    await relief.press('Enter');
    await ilse.getByRole('button', { name: /^Fine/ }).tap();
    await expect(list(tomas).getByRole('button', { name: /^Relief/ })).toContainText('fine', BY_ITSELF);
    await list(tomas)
      .getByRole('button', { name: /^Relief/ })
      .click();
    await expect(tomas.getByRole('textbox', { name: 'Relief, 7th' })).toHaveValue('.009');
    await expect(tomas.getByText('Fine: in its band.')).toBeVisible();
    await list(tomas)
      .getByRole('button', { name: /^Twist/ })
      .click();
    await tomas.keyboard.press('n');
    await expect(list(ilse).getByRole('button', { name: /^Twist/ })).toContainText('needs work', BY_ITSELF);
    // A skipped item is neither fine nor beside the point, and a slip is undone.
    await list(tomas)
      .getByRole('button', { name: /^Frets bright/ })
      .click();
    await tomas.keyboard.press('s');
    await expect(list(ilse).getByRole('button', { name: /^Frets bright/ })).toContainText(
      'skipped',
      BY_ITSELF,
    );
    await tomas.keyboard.press('u');
    await expect(list(ilse).getByRole('button', { name: /^Frets bright/ })).toContainText('open', BY_ITSELF);
    // The hand is quicker than the way to the house: what follows on an answer under way waits for it.
    const sent: unknown[] = [];
    await tomas.route('**/api/command', async (route) => {
      const { name, input } = route.request().postDataJSON() as CommandSent;
      if (name === 'inspection.answer') sent.push(input.answer);
      await new Promise((later) => setTimeout(later, 300));
      await route.continue();
    });
    await list(tomas)
      .getByRole('button', { name: /^Frets bright/ })
      .click();
    for (const key of ['f', 'ArrowUp', 'w', 'ArrowUp', 's', 'u', 'u']) await tomas.keyboard.press(key);
    await expect.poll(() => sent).toEqual(['fine', 'watch', 'skipped', 'watch', 'fine']);
    await expect(list(ilse).getByRole('button', { name: /^Frets bright/ })).toContainText('fine', BY_ITSELF);
    await expect(tomas.getByRole('heading', { name: /^Frets bright/ })).toBeVisible();
    await tomas.keyboard.press('ArrowDown');
    await tomas.keyboard.press('u');
    await expect(list(ilse).getByRole('button', { name: /^Frets bright/ })).toContainText('open', BY_ITSELF);
    await tomas.unroute('**/api/command');
    await ilse.getByRole('radio', { name: 'watch and work' }).tap();
    await expect(list(ilse).getByRole('button', { name: /^Twist/ })).toBeVisible();
    await expect(list(ilse).getByRole('button', { name: /^Relief/ })).toHaveCount(0);
    await ilse.getByRole('radio', { name: 'all', exact: true }).tap();
  },
);

test(
  'an answer whose acknowledgement is lost is given once, and the next one follows it',
  { tag: '@long' },
  async () => {
    await go(tomas, '/job/414/inspection');
    const item = await tomas.getByRole('heading', { level: 2 }).first().textContent();
    let lost = 0;
    let loads = 0;
    tomas.on('domcontentloaded', () => loads++);
    await tomas.route('**/api/command', async (route) => {
      if (lost++ > 0) return route.continue();
      await route.fetch().catch(() => undefined);
      await route.abort('internetdisconnected');
    });
    await tomas.keyboard.press('f');
    const row = tomas
      .getByRole('list', { name: 'All items' })
      .getByRole('button', { name: new RegExp(`^${item ?? ''}`) });
    await expect(row).toContainText('fine');
    // The house's own news of it may be here before the tablet gives it once more; the page stays what it was meanwhile.
    await expect.poll(() => ({ again: lost >= 2, loads })).toEqual({ again: true, loads: 0 });
    await tomas.unroute('**/api/command');
    await tomas.context().setOffline(true);
    const next = await tomas.getByRole('heading', { level: 2 }).first().textContent();
    await tomas.getByRole('textbox', { name: 'Note' }).fill('written without a connection');
    await tomas.getByRole('button', { name: /^Watch/ }).click();
    const then = tomas
      .getByRole('list', { name: 'All items' })
      .getByRole('button', { name: new RegExp(`^${next ?? ''}`) });
    await expect(then).toContainText('unsent');
    await expect(tomas.getByRole('heading', { level: 2 }).first()).not.toHaveText(next ?? '');
    await tomas.context().setOffline(false);
    await expect(then).not.toContainText('unsent');
    await expect(then).toContainText('watch');
    const db = openDatabase(DATABASE);
    const job = await db.models.Job.findOne({ where: { number: 414 } });
    const inspection = await db.models.Inspection.findOne({ where: { jobId: job?.id ?? 0 } });
    const answers = await db.models.InspectionAnswer.findAll({
      where: { inspectionId: inspection?.id ?? 0 },
      order: [['id', 'DESC']],
    });
    expect(answers.slice(0, 2).map((a) => [a.answer, a.note, a.version])).toEqual([
      ['watch', 'written without a connection', 1],
      ['fine', '', 1],
    ]);
    await db.sequelize.close();
  },
);
