import { expect, type Page, type Route } from '@playwright/test';
import { openDatabase } from '../../src/server/db/connection.ts';
import {
  A,
  accessible,
  B,
  BY_ITSELF,
  DATABASE,
  freshContext,
  go,
  live,
  pairedTablet,
  signIn,
  tablet,
  test,
} from './shop.ts';

let ilse: Page;
let tomas: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
  tomas = await tablet(browser, B, 'Tomas Vey', '1357');
});

const station = (page: Page, key: string) => page.locator(`[data-station="${key}"]`);

test('two techs at the same reading see both values', async () => {
  await go(ilse, '/job/414/readings');
  await go(tomas, '/job/414/readings');
  const [mine, theirs] = [station(ilse, 'action:6:12'), station(tomas, 'action:6:12')];
  await theirs.fill('3.9 mm');
  await mine.fill('3.7 mm');
  // Who was first is the house's to say: theirs is sent once it has said so.
  const kept = ilse.waitForResponse((r) => r.url().endsWith('/api/command') && r.ok());
  await mine.press('Enter');
  await kept;
  await theirs.press('Enter');
  const says = tomas.locator('#sheet-says');
  await expect(says).toContainText('Ilse Marrow wrote 3.7 mm, you wrote 3.9 mm');
  await accessible(tomas, 'conflict');
  await says.getByRole('button', { name: 'Save 3.9 mm' }).click();
  await expect(mine).toHaveValue('9.8/64', BY_ITSELF);
});

test('a lost connection keeps what is typed and sends it when it returns', async () => {
  await go(tomas, '/job/414/readings');
  await tomas.context().setOffline(true);
  const gap = station(tomas, 'nut-gap:6:1');
  await gap.fill('.007');
  await gap.press('Enter');
  await expect(gap).toHaveValue('.007');
  await expect(tomas.locator('#main span[title="unsent, kept here"]')).toBeAttached();
  await tomas.context().setOffline(false);
  await expect(tomas.locator('#main span[title="unsent, kept here"]')).toHaveCount(0);
  await expect(gap).toHaveValue('.007');
  await go(ilse, '/job/414/readings');
  await expect(station(ilse, 'nut-gap:6:1')).toHaveValue('.007');
});

/** Lets commands reach the house and keeps its answers back, as a connection lost at the worst moment does. */
async function answersLost(
  page: Page,
): Promise<{ readonly arrived: () => number; readonly end: () => Promise<void> }> {
  let arrived = 0;
  await page.route('**/api/command', async (route) => {
    await route.fetch();
    arrived++;
  });
  return { arrived: () => arrived, end: () => page.unroute('**/api/command') };
}

test('a look under way when the connection goes does not take the page away', { tag: '@long' }, async () => {
  await go(ilse, '/job/408/readings');
  await go(tomas, '/job/408/readings');
  await ilse.evaluate(() => Object.assign(window, { samePage: true }));
  const [relief, typing] = [station(ilse, 'relief:0:7'), station(ilse, 'action:6:12')];
  const before = await relief.inputValue();
  let asked = 0;
  const cut = async (route: Route) => {
    const isView = route.request().method() === 'GET';
    if (isView) asked++;
    await (isView ? route.abort('internetdisconnected') : route.continue());
  };
  await ilse.route('**/api/job/408/readings', cut);
  await typing.fill('5.2');
  await station(tomas, 'relief:0:7').fill('.0171');
  await station(tomas, 'relief:0:7').press('Enter');
  await expect.poll(() => asked, BY_ITSELF).toBeGreaterThanOrEqual(2);
  await expect(typing).toHaveValue('5.2');
  await ilse.unroute('**/api/job/408/readings', cut);
  await expect(relief).not.toHaveValue(before, BY_ITSELF);
  expect(await ilse.evaluate(() => 'samePage' in window)).toBe(true);
  await expect(typing).toHaveValue('5.2');
});

test('a fault of one leaf stays inside it: the head, the other leaves and the places go on', async () => {
  await go(ilse, '/job/408/readings');
  await go(tomas, '/job/408/readings');
  // What the house says is damaged on its way: the leaf cannot be drawn from it.
  const damage = async (route: Route) => {
    const answer = await route.fetch();
    const job = (await answer.json()) as { readings: object };
    await route.fulfill({ response: answer, json: { ...job, readings: { ...job.readings, rounds: null } } });
  };
  await ilse.route('**/api/job/408/readings', damage);
  await station(tomas, 'relief:0:7').fill('.021');
  await station(tomas, 'relief:0:7').press('Enter');
  await expect(ilse.getByRole('heading', { name: 'Readings cannot be shown' })).toBeVisible(BY_ITSELF);
  await expect(ilse.getByRole('navigation', { name: 'Leaves of the job' })).toBeVisible();
  await expect(ilse.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await ilse.unroute('**/api/job/408/readings', damage);
  const again = ilse.waitForResponse('**/api/job/408/readings');
  await station(tomas, 'relief:0:7').fill('.022');
  await station(tomas, 'relief:0:7').press('Enter');
  await again;
  // The answer is there before the leaf has it: who taps too early sees the fault once more, and taps again.
  const reopen = ilse.getByRole('button', { name: 'Open it again' });
  await expect(async () => {
    if (await reopen.isVisible()) await reopen.click();
    await expect(station(ilse, 'relief:0:7')).toHaveValue('.022', { timeout: 3_000 });
  }).toPass(BY_ITSELF);
});

test('a reload between the save and its answer meets no conflict with itself', { tag: '@long' }, async () => {
  await go(ilse, '/job/414/readings');
  const relief = station(ilse, 'relief:0:7');
  const conflicts = ilse.locator('#main span[title="changed by a colleague"]');
  let lost = await answersLost(ilse);
  await relief.fill('.011');
  await relief.press('Enter');
  await expect.poll(lost.arrived).toBe(1);
  await lost.end();
  await ilse.reload();
  await live(ilse);
  await expect(relief).toHaveValue('.011');
  await expect(ilse.locator('[data-sending]')).toHaveCount(0);
  await expect(relief).toHaveValue('.011');
  await expect(conflicts).toHaveCount(0);
  // The same, with more typed before the answer came.
  lost = await answersLost(ilse);
  await relief.fill('.012');
  await relief.press('Enter');
  await expect.poll(lost.arrived).toBe(1);
  await relief.fill('.013');
  await lost.end();
  await ilse.reload();
  await live(ilse);
  await expect(relief).toHaveValue('.013');
  await relief.press('Enter');
  await go(tomas, '/job/414/readings');
  await expect(station(tomas, 'relief:0:7')).toHaveValue('.013');
  await expect(conflicts).toHaveCount(0);
  // And with two texts sent over the same reading before any answer came.
  await expect(ilse.locator('[data-sending]')).toHaveCount(0);
  lost = await answersLost(ilse);
  await relief.fill('.014');
  await relief.press('Enter');
  await expect.poll(lost.arrived).toBe(1);
  await relief.fill('.015');
  await relief.press('Enter');
  await expect.poll(lost.arrived).toBe(2);
  await relief.fill('.016');
  await lost.end();
  await ilse.reload();
  await live(ilse);
  await expect(relief).toHaveValue('.016');
  await relief.press('Enter');
  await expect(station(tomas, 'relief:0:7')).toHaveValue('.016', BY_ITSELF);
  await expect(conflicts).toHaveCount(0);
});

test(
  'the first of two texts is acknowledged, the second never arrives: what is typed since stands over the first',
  { tag: '@long' },
  async () => {
    await go(ilse, '/job/414/readings');
    await go(tomas, '/job/414/readings');
    const relief = station(ilse, 'relief:0:7');
    let asked = 0;
    let letGo = () => {};
    const typedOn = new Promise<void>((go) => (letGo = go));
    let answered = () => {};
    const first = new Promise<void>((go) => (answered = go));
    const tried = new Set<string>();
    await ilse.route('**/api/command', async (route) => {
      asked++;
      tried.add((route.request().postDataJSON() as { input: { typed: string } }).input.typed);
      if (asked > 1) {
        await first;
        return route.abort('internetdisconnected');
      }
      const response = await route.fetch();
      await typedOn;
      await route.fulfill({ response });
      setTimeout(answered, 300);
    });
    await relief.fill('.017');
    await relief.press('Enter');
    await expect.poll(() => asked).toBe(1);
    await expect(station(tomas, 'relief:0:7')).toHaveValue('.017', BY_ITSELF);
    await relief.fill('.018');
    await relief.press('Enter');
    await expect.poll(() => asked).toBe(2);
    await relief.fill('.019');
    letGo();
    // It is kept as unsent, and tries by itself.
    await expect.poll(() => [...tried]).toEqual(['.017', '.018', '.019']);
    await expect(relief).toHaveValue('.019');
    await ilse.unroute('**/api/command');
    await expect(station(tomas, 'relief:0:7')).toHaveValue('.019', BY_ITSELF);
    await expect(ilse.locator('#main span[title="changed by a colleague"]')).toHaveCount(0);
  },
);

test('a wrong PIN many times locks the name on that tablet', { tag: '@long' }, async ({ browser }) => {
  const { page, context } = await pairedTablet(browser, A, 'Counter');
  await accessible(page, 'sign-in');
  for (let i = 0; i < 5; i++) {
    await signIn(page, 'Nadia Brook', '0000');
    await expect(page.getByText('◆')).toBeVisible();
    await expect(page.getByLabel(/^PIN/)).toHaveValue('');
  }
  await expect(page.getByText(/Locked for 1 minute/)).toBeVisible();
  await signIn(page, 'Nadia Brook', '8642');
  await expect(page.getByText(/Locked for 1 minute/)).toBeVisible();
  await expect(page).toHaveURL(/sign-in/);
  await context.close();
});

test('a link to a job without a session shows nothing of it', async ({ browser }) => {
  const context = await freshContext(browser, { baseURL: A });
  const page = await context.newPage();
  await page.goto('/job/412/readings');
  await expect(page).toHaveURL(/\/pair/);
  expect(await page.content()).not.toContain('Petra');
  for (const path of ['/api/job/402/sheet', '/api/events', '/api/find?q=petra']) {
    const answer = await page.request.get(path);
    expect(answer.status(), path).toBe(401);
    expect(await answer.text()).not.toContain('Petra');
  }
  const command = await page.request.post('/api/command', {
    data: { id: crypto.randomUUID(), name: 'rack.move', input: {} },
    headers: { origin: A },
  });
  expect(command.status()).toBe(401);
  await accessible(page, 'pair');
  await context.close();
});

test('a change from elsewhere is refused, and the headers are strict', async () => {
  const body = { data: { id: crypto.randomUUID(), name: 'rack.move', input: {} } };
  expect(
    (
      await ilse.request.post('/api/command', { ...body, headers: { origin: 'http://elsewhere.example' } })
    ).status(),
  ).toBe(403);
  expect((await ilse.request.post('/api/command', body)).status()).toBe(403);
  const page = await ilse.request.get('/rack');
  const policy = page.headers()['content-security-policy'] ?? '';
  expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic'/);
  expect(policy).not.toContain("'unsafe-eval'");
  expect(page.headers()['x-content-type-options']).toBe('nosniff');
  const again = (await ilse.request.get('/rack')).headers()['content-security-policy'];
  expect(again).not.toBe(policy);
  // Data of a page looked at again, answers and files run nothing and are kept nowhere.
  const data = await ilse.request.get('/rack', { headers: { rsc: '1' } });
  expect(data.headers()['content-type']).toContain('text/x-component');
  const file = await ilse.request.get('/api/job/412/paper/bench');
  expect(file.headers()['content-security-policy']).toContain("script-src 'none'");
  for (const answer of [page, data, file]) {
    expect(answer.headers()['x-content-type-options']).toBe('nosniff');
    expect(answer.headers()['x-frame-options']).toBe('DENY');
    expect(answer.headers()['referrer-policy']).toBe('no-referrer');
    expect(answer.headers()['cache-control']).toContain('no-store');
  }
});

test('no permission, not found and the closed job are designed states', async ({ browser }) => {
  await ilse.goto('/job/99999/plan');
  await expect(ilse.getByRole('heading', { name: 'Nothing hangs here' })).toBeVisible();
  await ilse.goto('/no-permission');
  await accessible(ilse, 'no permission');
  const desk = await tablet(browser, A, 'Per Lindqvar', '9753');
  await go(desk, '/job/412/readings');
  await expect(station(desk, 'relief:0:7')).toHaveAttribute('readonly', '');
  await desk.context().close();
});

test('the record that was signed shows a change made behind its back', async () => {
  const db = openDatabase(DATABASE);
  await go(ilse, '/job/401/hand-over');
  await expect(ilse.getByText('Signed and sealed')).toBeVisible();
  await db.sequelize.query(
    "UPDATE jobs SET complaint = CONCAT(complaint, ' Nothing hurt.') WHERE number = 401",
  );
  await go(ilse, '/job/401/hand-over');
  await expect(ilse.getByText('Changed since it was signed')).toBeVisible();
  await expect(ilse.getByText('Differs from what was signed: complaint.')).toBeVisible();
  await db.sequelize.close();
});

test('the desk’s form says what is missing at each field and keeps the rest', async () => {
  await go(ilse, '/desk/take-in');
  await ilse.getByLabel('Model').fill('Heron');
  await ilse.getByRole('button', { name: 'Take it in' }).click();
  await expect(ilse.getByText('Its kind decides', { exact: false })).toBeVisible();
  await ilse.getByRole('button', { name: /^Kind/ }).click();
  await ilse.getByRole('option', { name: 'Steel-string acoustic' }).click();
  await expect(ilse.getByText('Its kind decides', { exact: false })).toHaveCount(0);
  await ilse.getByLabel('Scale').fill('25.5');
  await ilse.getByLabel(/Gauges/).fill('.053 .042');
  await ilse.getByLabel(/^Tuning/).fill('D A D G H E');
  await ilse.getByLabel('A hard date').check();
  await ilse.getByRole('button', { name: 'Take it in' }).click();
  for (const said of [
    'Who brings it?',
    '25.5 mm is no scale length',
    '6 gauges are needed',
    '“H” is not a note',
    'A hard date needs a date',
    'How are its strings?',
    'What brings it here',
  ]) {
    await expect(ilse.getByText(said, { exact: false }).first()).toBeVisible();
  }
  await expect(ilse.getByLabel('Model')).toHaveValue('Heron');
  await accessible(ilse, 'desk with troubles');
  await ilse.evaluate(() => localStorage.clear());
});

test('a customer found at the desk is still found after a reload', async () => {
  await go(ilse, '/desk/take-in');
  await ilse.getByLabel('Name, telephone or serial number').fill('petra');
  await ilse.getByRole('option', { name: /Petra Aldous/ }).click();
  const phone = ilse.getByLabel('Telephone', { exact: true });
  await expect(phone).toHaveAttribute('readonly', '');
  const said = await phone.inputValue();
  await ilse.reload();
  await live(ilse);
  await expect(ilse.getByText('Known to the shop')).toBeVisible();
  await expect(phone).toHaveAttribute('readonly', '');
  await expect(phone).toHaveValue(said);
  await ilse.getByRole('button', { name: /An instrument we know/ }).click();
  await expect(ilse.getByRole('option', { name: /here as 412/ })).toBeVisible();
  await ilse.keyboard.press('Escape');
  await ilse.evaluate(() => localStorage.clear());
});

test('the dim theme and the phone hold', async ({ browser }) => {
  await go(ilse, '/job/412/readings');
  await ilse.getByRole('button', { name: /switch person, theme/ }).click();
  await ilse.getByRole('button', { name: 'Dim workshop theme' }).click();
  await expect(ilse.locator('html')).toHaveAttribute('data-theme', 'dim');
  await ilse.reload();
  await live(ilse);
  await expect(ilse.locator('html')).toHaveAttribute('data-theme', 'dim');
  for (const path of ['/rack', '/bench', '/house', '/job/412/plan', '/job/412/readings', '/job/409/work']) {
    await go(ilse, path);
    await accessible(ilse, `dim ${path}`);
  }
  const phone = await tablet(browser, A, 'Tomas Vey', '1357', true);
  await phone.setViewportSize({ width: 390, height: 844 });
  await go(phone, '/rack');
  await accessible(phone, 'phone rack');
  const wide = await phone.evaluate(
    () => document.documentElement.scrollWidth > document.documentElement.clientWidth,
  );
  expect(wide).toBe(false);
  await phone.context().close();
});
