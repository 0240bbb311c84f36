import { expect, type Page } from '@playwright/test';
import { A, accessible, B, BY_ITSELF, go, tablet, test } from './shop.ts';
import { inDatabase, takenIn } from './taken-in.ts';

const MINUTE = 60_000;
const events = (number: number) =>
  inDatabase(async ({ models }) => {
    const job = await models.Job.findOne({ where: { number } });
    return models.EventRow.findAll({ where: { jobId: job?.id ?? 0 }, order: [['id', 'ASC']] });
  });
const unsent = (page: Page) => page.getByRole('region', { name: 'Not sent yet' });

test(
  'ten minutes of answers without a connection come through once and in order; a conflicting one is shown',
  { tag: '@long' },
  async ({ browser }) => {
    const number = await takenIn('steel-acoustic', 'Off the net');
    const tomas = await tablet(browser, A, 'Tomas Vey', '1357');
    const ilse = await tablet(browser, B, 'Ilse Marrow', '2468');
    const begun = Date.now() - 10 * MINUTE;
    await tomas.clock.install({ time: begun });
    await go(tomas, `/job/${number}/inspection`);
    await tomas.context().setOffline(true);
    const keys = ['f', 'f', 'w', 'n', 'f', 'x', 'f', 'f', 'w', 'f'];
    for (const [i, key] of keys.entries()) {
      await tomas.keyboard.press(key);
      await expect(unsent(tomas)).toContainText(`${i + 1} not sent yet`);
      await tomas.clock.fastForward(MINUTE);
    }
    await accessible(tomas, 'unsent');
    // Meanwhile a colleague answers the first item otherwise.
    await go(ilse, `/job/${number}/inspection`);
    await ilse.keyboard.press('n');
    await expect(ilse.getByText(/1 of \d+ answered/)).toBeVisible();
    await tomas.context().setOffline(false);
    await expect(unsent(tomas)).toContainText('1 not sent yet', BY_ITSELF);
    await expect(unsent(tomas).getByRole('alert')).toContainText('Ilse Marrow changed this meanwhile');
    const answered = (await events(number)).filter((e) => e.kind === 'item answered');
    expect(answered).toHaveLength(keys.length);
    const mine = answered.slice(1);
    expect(mine.map((e) => (e.data as { after: { answer: string } }).after.answer)).toEqual([
      'fine',
      'watch',
      'work',
      'fine',
      'na',
      'fine',
      'fine',
      'watch',
      'fine',
    ]);
    const minutes = mine.map((e) => (e.at.getTime() - begun) / MINUTE);
    expect([...minutes].sort((a, b) => a - b)).toEqual(minutes);
    expect((minutes.at(-1) ?? 0) - (minutes[0] ?? 0)).toBeGreaterThan(7);
    await unsent(tomas).getByRole('button', { name: 'Say mine over it' }).click();
    await expect(unsent(tomas)).toHaveCount(0, BY_ITSELF);
    await expect(ilse.getByText(`${keys.length} of`)).toBeVisible(BY_ITSELF);
  },
);

test(
  'a step’s clock, a note and an accident without a connection: shown as unsent, right when they arrive',
  { tag: '@long' },
  async ({ browser }) => {
    const number = await takenIn('ukulele', 'Off the clock', { work: ['clean-body'] });
    const tomas = await tablet(browser, A, 'Tomas Vey', '1357');
    await tomas.clock.install({ time: Date.now() - 10 * MINUTE });
    await go(tomas, `/job/${number}/work`);
    await tomas.context().setOffline(true);
    await tomas.getByRole('button', { name: 'Start: Wipe the body down' }).click();
    await expect(tomas.getByRole('heading', { name: /running · unsent/ })).toBeVisible();
    await tomas.clock.fastForward(6 * MINUTE);
    await tomas.getByLabel(/Note, or a question/).fill('Sticky under the strings.');
    await tomas.getByRole('button', { name: 'Write it down' }).click();
    await tomas.getByRole('button', { name: 'Pause: Wipe the body down' }).click();
    await tomas.clock.fastForward(2 * MINUTE);
    await tomas.getByRole('button', { name: 'Something went wrong' }).click();
    await tomas.getByLabel(/What happened/).fill('A drop of polish on the rosette.');
    await tomas.getByLabel(/What was done about it/).fill('Wiped off at once.');
    await tomas
      .getByRole('form', { name: 'An accident' })
      .getByRole('button', { name: 'Write it down' })
      .click();
    await expect(unsent(tomas)).toContainText('4 not sent yet');
    await tomas.context().setOffline(false);
    await expect(unsent(tomas)).toHaveCount(0, BY_ITSELF);
    await expect(tomas.getByText('Wiped off at once.')).toBeVisible(BY_ITSELF);
    const done = (await events(number)).slice(-4);
    expect(done.map((e) => e.kind)).toEqual(['step start', 'remark made', 'step pause', 'accident recorded']);
    const { line, clock } = await inDatabase(async ({ models }) => {
      const job = await models.Job.findOne({ where: { number } });
      const line = await models.WorkLine.findOne({ where: { jobId: job?.id ?? 0 } });
      return { line, clock: await models.TimeEntry.findOne({ where: { lineId: line?.id ?? 0 } }) };
    });
    const worked = ((clock?.endedAt?.getTime() ?? 0) - (clock?.startedAt.getTime() ?? 0)) / MINUTE;
    expect(worked).toBeGreaterThan(5.9);
    expect(worked).toBeLessThan(8);
    expect(line?.step).toBe('paused');
  },
);
