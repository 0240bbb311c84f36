import { expect, type Page } from '@playwright/test';
import { A, accessible, go, live, tablet, test } from './shop.ts';

let page: Page;

test.beforeAll(async ({ browser }) => {
  page = await tablet(browser, A, 'Ilse Marrow', '2468', true);
});

const answer = (p: Page) => p.getByRole('status', { name: 'The answer' });

/** Finds a sum by what one wants and types through its fields; nothing but the keyboard. */
async function solve(wish: string, texts: readonly string[]): Promise<void> {
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.keyboard.type(wish);
  await page.keyboard.press('Enter');
  await expect(page.locator('input[data-sum-field]').first()).toBeFocused();
  for (const text of texts) {
    if (text !== '') await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
}

test('three sums by keyboard alone, in mixed units', { tag: '@long' }, async () => {
  await go(page, '/sums');
  await accessible(page, 'sums');
  await solve('lower the action', ['25.5"', '0', '12', '6/64', '5/64', '2 mm', '.070 in']);
  await expect(answer(page)).toContainText('take 2/64 (0.794 mm) off; first cut .025 (0.635 mm)');
  await expect(answer(page)).toContainText('Treble: take .017 (0.444 mm) off');
  await accessible(page, 'saddle sum');
  await solve('nut too high', ['648', '3', '8 thou', '0.1 mm']);
  await expect(answer(page)).toContainText(/0\.159 mm\) deeper/);
  await solve('fretted note is sharp', ['648', '2', '12', '4 sharp']);
  await expect(answer(page)).toContainText(/moves .*1\.52 mm\) back/);
  await expect(page).toHaveURL(/\/sums\/intonation-saddle\?/);
});

test('one by touch', async () => {
  await go(page, '/sums');
  await page.getByRole('link', { name: 'Where the nut’s slots stand' }).tap();
  await page.getByRole('radio', { name: 'centres' }).tap();
  await page.getByLabel(/^Gauges/).tap();
  await page.getByLabel(/^Gauges/).fill('1mm 1mm 1mm');
  await expect(answer(page)).toContainText('.020 (0.500 mm), 18.00 mm, 35.50 mm');
  await expect(page.getByRole('img', { name: 'Nut slots, true size' })).toBeVisible();
  await accessible(page, 'nut layout');
});

test('wrong input is said at its field, the rest stays', async () => {
  await go(page, '/sums/fret-position');
  const scale = page.getByLabel(/^Scale/);
  await scale.fill('about right');
  await expect(page.locator('[id="sum-scale-says"]')).toContainText('“about right” is not a length');
  await expect(scale).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByLabel(/^Fret/)).toHaveValue('12');
  await scale.fill('25.5 in');
  await expect(page.locator('[id="sum-scale-says"]')).toContainText('= 647.70 mm');
  await expect(answer(page)).toContainText('323.85 mm');
  await page.getByLabel(/^Fret/).fill('99');
  await expect(page.locator('[id="sum-fret-says"]')).toContainText('at most 36');
});

test('the unit changes, what was typed keeps its meaning', async () => {
  await go(
    page,
    '/sums/saddle-height?scale=648&fret=12&bass.now=6&bass.target=5&treble.now=5&treble.target=4&u=64ths',
  );
  await expect(answer(page)).toContainText('take 2/64 (0.794 mm) off');
  await page.getByRole('radio', { name: 'mm', exact: true }).click();
  await expect(page.locator('[id="sum-bass.now"]')).toHaveValue('6/64');
  await expect(answer(page)).toContainText('take 0.794 mm off');
});

test('a link followed right after typing is followed, also where the way is long; going back has what was typed', async () => {
  await go(page, '/sums/relief-convert');
  await page.route('**/rack**', async (route) => {
    await new Promise((r) => setTimeout(r, 1500));
    await route.continue();
  });
  await page.locator('[id="sum-value"]').fill('.013 in');
  await page.getByRole('link', { name: 'Rack', exact: true }).click();
  await page.waitForURL('**/rack');
  await page.unroute('**/rack**');
  await page.goBack();
  await expect(page).toHaveURL(/relief-convert\?.*value=\.013\+in/);
  await expect(page.locator('[id="sum-value"]')).toHaveValue('.013 in');
});

test(
  'a shared address opens the same sum, and going back does too',
  { tag: '@long' },
  async ({ browser }) => {
    await go(page, '/sums/relief-convert');
    await page.locator('[id="sum-value"]').fill('.012 in');
    await expect(page).toHaveURL(/value=\.012\+in/);
    const said = await answer(page).innerText();
    const other = await tablet(browser, A, 'Tomas Vey', '1357');
    await go(other, page.url().replace(A, ''));
    await expect(other.locator('[id="sum-value"]')).toHaveValue('.012 in');
    expect(await answer(other).innerText()).toBe(said);
    await other.getByRole('link', { name: 'Break angle behind the saddle' }).click();
    await expect(answer(other)).toContainText('14.0°');
    await other.goBack();
    await expect(other.locator('[id="sum-value"]')).toHaveValue('.012 in');
    await other.context().close();
  },
);

test('lines are added and taken out, a usual set fills them', { tag: '@long' }, async () => {
  await go(page, '/sums/string-tension');
  await page.getByRole('button', { name: /Fill in a usual set/ }).click();
  await page.getByRole('option', { name: 'acoustic, light', exact: true }).click();
  await expect(page.getByLabel('Strings 6: Frequency · note or Hz')).toHaveValue('E4');
  await expect(answer(page)).toContainText('more than before: more relief');
  const standard = await answer(page).innerText();
  await page.getByLabel('Notes are tuned to A4 at, Hz').fill('415');
  await expect(answer(page)).not.toHaveText(standard);
  await expect(page).toHaveURL(/a4=415/);
  await page.getByRole('button', { name: 'Take line 6 of strings out' }).click();
  await expect(page.getByLabel('Strings 6: Frequency · note or Hz')).toHaveCount(0);
  await page.getByRole('button', { name: 'Add a line' }).click();
  await expect(page.getByLabel(/^Strings 6: Gauge/)).toBeFocused();
  await page.getByRole('button', { name: /Strings 6: Kind/ }).click();
  await page.getByRole('option', { name: 'wound' }).click();
  await accessible(page, 'string tension');
  await go(page, '/sums/predicted-intonation');
  await page.getByRole('button', { name: 'Use B3' }).click();
  await expect(page.locator('[id="sum-string.frequency"]')).toHaveValue('B3');
});

test('every sum opens with its example, its answer and its limits', { tag: '@long' }, async () => {
  await go(page, '/sums');
  const names = await page.getByRole('navigation', { name: 'All sums' }).getByRole('link').allInnerTexts();
  expect(names).toHaveLength(27);
  for (const name of names) {
    await page.getByRole('link', { name, exact: true }).click();
    await expect(page.getByRole('heading', { level: 2, name, exact: true })).toBeVisible();
    await expect(answer(page)).not.toBeEmpty();
    await expect(page.getByText('Limits.', { exact: true })).toBeVisible();
  }
});

/** Lengths in mm of all level strokes in an uncompressed PDF. */
function levelStrokes(pdf: string): number[] {
  const scale = Number(/([\d.]+) 0 0 \1 0 0 cm/.exec(pdf)?.[1]);
  const strokes = [...pdf.matchAll(/([\d.-]+) ([\d.-]+) m\n([\d.-]+) ([\d.-]+) l\nS/g)];
  return strokes
    .map((s) => s.slice(1).map(Number) as [number, number, number, number])
    .filter(([, y1, , y2]) => y1 === y2)
    .map(([x1, , x2]) => (Math.abs(x2 - x1) * scale * 25.4) / 72);
}

test('the nut’s template prints to PDF, its line 50 mm long', async () => {
  await go(page, '/sums/nut-layout');
  const link = page.getByRole('link', { name: 'True size (PDF)' });
  const answered = await page.request.get((await link.getAttribute('href')) ?? '');
  expect(answered.headers()['content-type']).toBe('application/pdf');
  const pdf = (await answered.body()).toString('latin1');
  expect(levelStrokes(pdf).filter((mm) => Math.abs(mm - 50) < 0.01)).toHaveLength(1);
  // The nut itself is drawn as wide as it is.
  expect(levelStrokes(pdf).filter((mm) => Math.abs(mm - 36) < 0.01)).toHaveLength(2);
  expect(pdf).toMatch(/MediaBox \[0 0 595\.2\d* 841\.8\d*\]/);
  const svg = await page.request.get(
    '/api/sums/saddle-top/template?radius=400&spacing=54&strings=6&bass=11&treble=10',
  );
  expect(await svg.text()).toMatch(/^<svg xmlns="[^"]+" width="[\d.]+mm"/);
  const wrong = await page.request.get('/api/sums/saddle-top/template?radius=400');
  expect([wrong.status(), await wrong.text()]).toEqual([400, expect.stringContaining('Nothing is written')]);
  expect((await page.request.get('/api/sums/length/template')).status()).toBe(404);
});

test('the sums answer programs, and describe themselves', async () => {
  const post = (id: string, data: unknown) => page.request.post(`/api/sums/${id}`, { data });
  const done = await post('break-angle', { rise: 3, run: 12 });
  expect(await done.json()).toEqual({ degrees: expect.closeTo(14.0362, 3) as unknown });
  const wrong = await post('break-angle', { rise: 3 });
  expect([wrong.status(), await wrong.json()]).toEqual([
    400,
    { code: 'invalid', field: 'run', message: 'run is missing.' },
  ]);
  expect((await post('waist', {})).status()).toBe(404);
  const broken = await page.request.post('/api/sums/length', {
    data: '{',
    headers: { 'Content-Type': 'application/json' },
  });
  expect(broken.status()).toBe(400);
  const api = (await (await page.request.get('/api/openapi.json')).json()) as {
    openapi: string;
    paths: object;
  };
  expect(api.openapi).toBe('3.1.0');
  expect(Object.keys(api.paths)).toHaveLength(27);
});

test('a sum prints without the places and the list', async () => {
  await go(page, '/sums/saddle-height');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'All sums' })).toBeHidden();
  await expect(answer(page)).toBeVisible();
  await page.emulateMedia({ media: null });
  await live(page);
});

test('a drawing is turned round for a left-handed instrument, on the screen, in its address and on paper', async () => {
  await go(page, '/sums/nut-layout');
  const words = page.locator('svg.true-size text');
  await expect(words.filter({ hasText: 'bass side left' }).first()).toBeVisible();
  await page.getByLabel('Drawn for a left-handed instrument').check();
  await expect(words.filter({ hasText: 'bass side right' }).first()).toBeVisible();
  await expect(page).toHaveURL(/hand=left/);
  const svg = await page.getByRole('link', { name: 'True size (SVG)' }).getAttribute('href');
  const paper = await (await page.request.get(svg ?? '')).text();
  expect(paper).toContain('bass side right');
  expect(paper).not.toContain('bass side left');
  await page.getByLabel('Drawn for a left-handed instrument').uncheck();
});

test('a drawing printed from a sum keeps its millimetres and its black, also from the evening’s screen', async () => {
  await go(page, '/sums/nut-layout');
  await page.evaluate(() => (document.documentElement.dataset['theme'] = 'dim'));
  const drawing = page.locator('svg.true-size');
  await expect(drawing).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  const printed = await drawing.evaluate((svg: SVGSVGElement) => ({
    perMm: svg.getBoundingClientRect().width / svg.viewBox.baseVal.width,
    colour: getComputedStyle(svg).color,
    paper: getComputedStyle(document.documentElement).backgroundColor,
  }));
  expect(printed.perMm).toBeCloseTo(96 / 25.4, 3);
  expect([printed.colour, printed.paper]).toEqual(['rgb(0, 0, 0)', 'rgb(255, 255, 255)']);
  await page.emulateMedia({ media: null });
  await page.evaluate(() => (document.documentElement.dataset['theme'] = 'light'));
});
