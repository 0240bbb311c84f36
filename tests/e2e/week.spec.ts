/** The week as its people use it: a step put and taken back, two at the same bar, somebody ill, a rush job, a promise at the counter. */
import { expect, type Page } from '@playwright/test';
import { A, accessible, B, BY_ITSELF, go, live, tablet, test } from './shop.ts';
import { inDatabase, takenIn } from './taken-in.ts';
import { fromToday, openStep } from './week-steps.ts';

let ilse: Page;
let odile: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
  odile = await tablet(browser, B, 'Odile Farrant', '480216');
});

/** The next day on which everybody of the demo shop works: a Tuesday, at least three days away. */
function tuesday(): string {
  const at = new Date(Date.now() + 3 * 86_400_000);
  while (at.getUTCDay() !== 2) at.setUTCDate(at.getUTCDate() + 1);
  return at.toISOString().slice(0, 10);
}

const panel = (page: Page, number: number) => page.getByRole('region', { name: new RegExp(`^${number} `) });

test('a step is put to somebody on a day, a colleague sees it, it is undone; by keys a quarter of an hour', async () => {
  const number = await takenIn('steel-acoustic', 'Wants its day', { work: ['rod'] });
  await openStep(ilse, number, /truss rod/);
  const own = panel(ilse, number);
  await own.getByRole('button', { name: /^Who/ }).click();
  await ilse.getByRole('option', { name: 'Tomas Vey' }).click();
  await own.getByLabel('Day').fill(tuesday());
  await own.getByLabel('From').fill('14:00');
  await own.getByRole('button', { name: 'Put it there' }).click();
  await expect(own).toContainText('Tomas Vey, Tue', BY_ITSELF);
  await expect(own).toContainText('14:00');
  await expect(ilse.getByRole('status').filter({ hasText: 'put there' })).toBeVisible();
  await openStep(odile, number, /truss rod/);
  await expect(panel(odile, number)).toContainText('Tomas Vey, Tue', BY_ITSELF);
  const bar = odile.getByRole('button', { name: new RegExp(`^${number} Adjust.*put there`) });
  await fromToday(odile, bar);
  await bar.focus();
  await odile.keyboard.press('ArrowRight');
  await expect(odile.getByRole('button', { name: /^\d+ Adjust.* 14:15 to .*put there/ })).toBeVisible(
    BY_ITSELF,
  );
  await odile.getByRole('button', { name: 'Undo' }).click();
  await expect(odile.getByRole('button', { name: /^\d+ Adjust.* 14:00 to .*put there/ })).toBeVisible(
    BY_ITSELF,
  );
  await expect(own).toContainText('14:00', BY_ITSELF);
  await own.getByRole('button', { name: 'Give it back to the planner' }).click();
  await expect(own.getByRole('button', { name: 'Give it back to the planner' })).toHaveCount(0, BY_ITSELF);
});

test(
  'a step lasts longer: by its field, by keys, by its end drawn with the mouse; each undone',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Takes its time', { work: ['rod'] });
    await openStep(ilse, number, /truss rod/);
    const own = panel(ilse, number);
    await own.getByLabel('Day').fill(tuesday());
    await own.getByLabel('From').fill('10:00');
    await own.getByLabel('Minutes in all').fill('2');
    await own.getByRole('button', { name: 'Put it there' }).click();
    await expect(own.getByText('5 to 4800 whole minutes')).toBeVisible();
    await own.getByLabel('Minutes in all').fill('60');
    await own.getByRole('button', { name: 'Put it there' }).click();
    await expect(own).toContainText('60 min', BY_ITSELF);
    await expect(own).toContainText('So long by the word of who put it.');
    const bar = ilse.getByRole('button', { name: new RegExp(`^${number} Adjust.* 10:00 to .*put there`) });
    await fromToday(ilse, bar);
    await bar.focus();
    await ilse.keyboard.press('Shift+ArrowRight');
    await expect(own).toContainText('75 min', BY_ITSELF);
    const end = bar.locator('.cursor-ew-resize');
    await end.scrollIntoViewIfNeeded();
    const box = await end.boundingBox();
    if (!box) throw new Error('the end of the bar is not drawn');
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await ilse.mouse.move(x, y);
    await ilse.mouse.down();
    // An hour of a day that is shown alone is some 330 pixels.
    await ilse.mouse.move(x + 40, y, { steps: 4 });
    await ilse.mouse.move(x + 165, y, { steps: 4 });
    await ilse.mouse.up();
    await expect(own).toContainText(/(90|105|120) min/, BY_ITSELF);
    await ilse.getByRole('button', { name: 'Undo' }).click();
    await expect(own).toContainText('75 min', BY_ITSELF);
    await own.getByRole('button', { name: 'Give it back to the planner' }).click();
    await expect(own.getByRole('button', { name: 'Give it back to the planner' })).toHaveCount(0, BY_ITSELF);
    await expect(own.getByText('So long by the word')).toHaveCount(0);
  },
);

test(
  'in the row of the clamps it is the same step: chosen there, drawn there, moved there by keys',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Under clamps', { work: ['crack-glue'] });
    await openStep(ilse, number, /Glue/);
    const own = panel(ilse, number);
    await own.getByLabel('Day').fill(tuesday());
    await own.getByLabel('From').fill('10:00');
    await own.getByRole('button', { name: 'Put it there' }).click();
    await expect(own).toContainText('10:00', BY_ITSELF);
    const clamped = ilse.getByRole('button', { name: new RegExp(`: ${number} .* 10:00 to `) });
    await fromToday(ilse, clamped);
    await own.getByRole('button', { name: 'Close' }).click();
    await clamped.click({ position: { x: 8, y: 8 } });
    await expect(own).toContainText('10:00');
    // Its rest goes on beyond the day: it is held where it begins.
    await clamped.hover({ position: { x: 10, y: 8 } });
    const box = await clamped.boundingBox();
    if (!box) throw new Error('the place is not drawn');
    const [x, y] = [box.x + 10, box.y + 8];
    await ilse.mouse.down();
    await ilse.mouse.move(x + 40, y, { steps: 4 });
    await ilse.mouse.move(x + 165, y, { steps: 4 });
    await ilse.mouse.up();
    const moved = ilse.getByRole('button', { name: new RegExp(`: ${number} .* 10:(25|30|35) to `) });
    await expect(moved).toBeVisible(BY_ITSELF);
    await moved.focus();
    await ilse.keyboard.press('ArrowLeft');
    await expect(
      ilse.getByRole('button', { name: new RegExp(`: ${number} .* 10:(10|15|20) to `) }),
    ).toBeVisible(BY_ITSELF);
    await accessible(ilse, 'week by its places');
    await own.getByRole('button', { name: 'Give it back to the planner' }).click();
    await expect(own.getByRole('button', { name: 'Give it back to the planner' })).toHaveCount(0, BY_ITSELF);
  },
);

test(
  'somebody stays longer on a day: tried, taken, shown in House and taken back',
  { tag: '@long' },
  async () => {
    const day = tuesday();
    await go(ilse, '/week');
    await ilse.getByRole('button', { name: 'What if …' }).click();
    const tried = ilse.getByRole('region', { name: 'What if' });
    await tried.getByRole('button', { name: /^What if/ }).click();
    await ilse.getByRole('option', { name: 'Somebody stays longer' }).click();
    await tried.getByRole('button', { name: /^Who/ }).click();
    await ilse.getByRole('option', { name: 'Tomas Vey' }).click();
    await tried.getByLabel('Day').fill(day);
    await tried.getByLabel('To').fill('17:00');
    await tried.getByRole('button', { name: 'Try it' }).click();
    await expect(tried.getByRole('status')).toContainText('The end comes before the beginning', BY_ITSELF);
    await tried.getByLabel('To').fill('20:30');
    await tried.getByRole('button', { name: 'Try it' }).click();
    await expect(tried.getByRole('status')).toContainText(/step moves|steps move|No step moves/, BY_ITSELF);
    await tried.getByRole('button', { name: 'So it is: plan by it' }).click();
    await expect(tried).toHaveCount(0, BY_ITSELF);
    await go(odile, '/house/week');
    const longer = odile.getByRole('region', { name: /stays longer/ });
    const row = longer.getByRole('listitem').filter({ hasText: '18:00 to 20:30' });
    await expect(row).toContainText('Tomas Vey');
    await longer.getByLabel('Day').fill('2020-01-01');
    await longer.getByRole('button', { name: 'Works then' }).click();
    await expect(longer.getByText('That day is over')).toBeVisible(BY_ITSELF);
    await row.getByRole('button', { name: /Take back/ }).click();
    await expect(row).toHaveCount(0, BY_ITSELF);
  },
);

test(
  'two leads move the same step: the second is told and nothing of the first is lost',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Two leads', { work: ['rod'] });
    await openStep(ilse, number, /truss rod/);
    await openStep(odile, number, /truss rod/);
    await panel(ilse, number).getByLabel('Day').fill(tuesday());
    await panel(ilse, number).getByLabel('From').fill('10:00');
    await panel(ilse, number).getByRole('button', { name: 'Put it there' }).click();
    await expect(
      panel(ilse, number).getByRole('button', { name: 'Give it back to the planner' }),
    ).toBeVisible(BY_ITSELF);
    const step = await inDatabase((db) => db.models.StepPut.findOne({ order: [['putAt', 'DESC']] }));
    // What Odile's screen would send that has not heard of it yet.
    const second = await odile.request.post(`${B}/api/command`, {
      headers: { origin: B },
      data: {
        id: crypto.randomUUID(),
        name: 'week.put',
        input: { jobId: step?.jobId, step: step?.step, worker: null, at: null, minutes: null, version: 0 },
      },
    });
    expect(second.status()).toBe(409);
    expect(await second.text()).toContain('changed this meanwhile');
    await odile.reload();
    await live(odile);
    await openStep(odile, number, /truss rod/);
    await expect(panel(odile, number)).toContainText('10:00');
  },
);

test(
  'somebody is ill on a day: tried beside the plan, dropped, then taken; the list says it; taken back in House',
  { tag: '@long' },
  async () => {
    const day = tuesday();
    await go(ilse, '/week');
    await ilse.getByRole('button', { name: 'What if …' }).click();
    const tried = ilse.getByRole('region', { name: 'What if' });
    await tried.getByRole('button', { name: /^Who/ }).click();
    await ilse.getByRole('option', { name: 'Nadia Brook' }).click();
    await tried.getByLabel('From').fill(day);
    await tried.getByLabel('To').fill(day);
    await tried.getByRole('button', { name: 'Try it' }).click();
    await expect(tried.getByRole('status')).toContainText(/step moves|steps move|No step moves/, BY_ITSELF);
    await tried.getByRole('button', { name: 'So it is: plan by it' }).click();
    await expect(tried).toHaveCount(0, BY_ITSELF);
    await go(odile, '/house/week');
    const row = odile.getByRole('listitem').filter({ hasText: 'Nadia Brook' });
    await expect(row).toBeVisible();
    await accessible(odile, 'House, the week');
    await row.getByRole('button', { name: 'Take back' }).click();
    await expect(row).toHaveCount(0, BY_ITSELF);
  },
);

test(
  'a rush job is tried and says whom it makes later; a better plan says how far from the best it may be',
  { tag: '@long' },
  async () => {
    await go(ilse, '/week');
    await ilse.getByRole('button', { name: 'What if …' }).click();
    const tried = ilse.getByRole('region', { name: 'What if' });
    await tried.getByRole('button', { name: /^What if/ }).click();
    await ilse.getByRole('option', { name: 'A rush job comes in' }).click();
    await tried.getByLabel('Minutes of work').fill('5');
    await tried.getByLabel('Wanted by').fill(tuesday());
    await tried.getByRole('button', { name: 'Try it' }).click();
    await expect(tried).toContainText('From 15 minutes', BY_ITSELF);
    await tried.getByLabel('Minutes of work').fill('240');
    await tried.getByRole('button', { name: 'Try it' }).click();
    await expect(tried.getByRole('row', { name: /a rush job/ })).toBeVisible(BY_ITSELF);
    await tried.getByRole('button', { name: /^What if/ }).click();
    await ilse.getByRole('option', { name: 'Is there a better plan?' }).click();
    await tried.getByRole('button', { name: 'Look for' }).click();
    await ilse.getByRole('option', { name: 'A minute' }).click();
    await tried.getByRole('button', { name: 'Try it' }).click();
    await expect(tried).toContainText(/\d plans so far/, BY_ITSELF);
    await tried.getByRole('button', { name: 'Enough: what was found' }).click();
    await expect(tried.getByRole('status')).toContainText('from the best plan there can be', BY_ITSELF);
    await accessible(ilse, 'Week, what if');
    await tried.getByRole('button', { name: 'Drop it' }).click();
  },
);

test('a promise in danger is told with its reason, and what would save it', async () => {
  const number = await takenIn('steel-acoustic', 'For tomorrow', {
    work: ['strings-off', 'neck-clamp', 'restring'],
  });
  await inDatabase(async (db) => {
    const day = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10);
    await db.models.Job.update(
      { neededBy: day, hardDate: true, hardReason: 'concert' },
      { where: { number } },
    );
  });
  await go(ilse, '/week');
  const danger = ilse
    .getByRole('region', { name: 'Promises in danger' })
    .getByRole('listitem')
    .filter({ hasText: `◆ ${number} ` });
  await expect(danger).toContainText('rest after “Clamp the neck');
  await danger.getByRole('button', { name: 'What would save it?' }).click();
  await expect(danger).toContainText(/becomes|Talk to the customer/, { timeout: 20_000 });
  await accessible(ilse, 'Week');
  // The rack says the same.
  await go(odile, '/rack');
  await expect(odile.getByRole('link', { name: new RegExp(`^${number}`) })).toContainText('in 100');
});

test('at the counter: three days with their chance, one is taken, and the promise is kept with it', async () => {
  await go(odile, '/desk/take-in');
  await odile.getByRole('button', { name: 'When can it be promised?' }).click();
  const days = odile.getByRole('group', { name: 'When it can be promised' });
  await expect(days.getByRole('button', { name: /95 in 100/ })).toBeVisible({ timeout: 15_000 });
  await days.getByRole('button').first().click();
  await expect(odile.getByLabel('Needed by')).toHaveValue(/^\d{4}-\d\d-\d\d$/);
  await expect(days).toContainText('Counted with: inspect, read and plan, a setup, bench check');
  // What they say changes it: glue sets overnight.
  await odile.getByLabel(/own words/).fill('The bridge is lifting.');
  await expect(days).toContainText('Something else stands here');
  await days.getByRole('button', { name: 'Ask again' }).click();
  await expect(days).toContainText('reglue the bridge (“bridge is lifting”)', { timeout: 15_000 });
  await expect(days).toContainText('a day of rest');
  // A day they name is told with its chance, before anybody has promised it.
  await odile.getByLabel('Needed by').fill(new Date(Date.now() + 86_400_000).toISOString().slice(0, 10));
  await days.getByRole('button', { name: 'Ask again' }).click();
  await expect(days).toContainText(/◆ By .*under 1 in 100|◆ By .* in 100\. Say so now/, { timeout: 15_000 });
  await odile.evaluate(() => localStorage.clear());
});

test(
  'on a phone it is a list, and a technician’s bench begins with their day',
  { tag: '@long' },
  async ({ browser }) => {
    const nadia = await tablet(browser, A, 'Nadia Brook', '8642', true);
    await nadia.setViewportSize({ width: 390, height: 844 });
    await go(nadia, '/week');
    await expect(
      nadia
        .getByRole('region')
        .filter({ has: nadia.getByRole('heading', { name: 'Nadia Brook' }) })
        .first(),
    ).toBeVisible();
    await accessible(nadia, 'Week on a phone');
    await go(nadia, '/bench');
    await expect(nadia.getByRole('heading', { name: 'My day' })).toBeVisible();
    await accessible(nadia, 'Bench with the day');
  },
);
