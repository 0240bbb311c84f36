import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let ilse: Page;
let odile: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
  odile = await tablet(browser, A, 'Odile Farrant', '480216');
});

const station = (page: Page, key: string) => page.locator(`[id="station-${key}"]`);

test('a six-string in 64ths by keyboard, in less than forty key actions more than the digits', async () => {
  const number = await takenIn('steel-acoustic', 'Sixer');
  await go(ilse, `/job/${number}/readings`);
  await station(ilse, 'relief:0:7').focus();
  let actions = 1;
  const set = ['8', '6', '5', '4', '4', '4', '4', '4', '3', '3.5', '1', '2', '1', '0', '1', '0'];
  for (const text of set) {
    actions += text.replace(/\d/g, '').length + 1;
    await ilse.keyboard.type(text);
    await ilse.keyboard.press('Enter');
  }
  expect(actions).toBeLessThan(40);
  await expect(station(ilse, 'action:6:12')).toHaveValue('6/64');
  await expect(station(ilse, 'relief:0:7')).toHaveValue('.008');
  await expect(ilse.locator('[data-sending]')).toHaveCount(0);
  await ilse.reload();
  await expect(station(ilse, 'intonation:1:12')).toHaveValue('0 c');
  await expect(station(ilse, 'saddle-standout:0:0')).toHaveValue('3.50 mm');
  await accessible(ilse, 'a round');
});

test('a bass in millimetres by touch', async () => {
  const number = await takenIn('bass', 'Low');
  await go(ilse, `/job/${number}/readings`);
  await ilse.getByRole('radio', { name: 'mm' }).tap();
  const set = ['0.32', '2.3', '1.9', '0.10', '0.10', '0.09', '0.08', '0', '1', '-1', '0'];
  const fields = ilse.locator('input[data-station]');
  await expect(fields).toHaveCount(set.length);
  const order = ['relief:0:7', 'action:4:12', 'action:1:12'].concat(
    [4, 3, 2, 1].map((n) => `nut-gap:${n}:1`),
    [4, 3, 2, 1].map((n) => `intonation:${n}:12`),
  );
  for (const [i, key] of order.entries()) {
    await station(ilse, key).tap();
    await station(ilse, key).fill(set[i] ?? '');
  }
  await ilse.getByRole('heading', { level: 1 }).tap();
  await expect(station(ilse, 'action:4:12')).toHaveValue('2.30 mm');
  await expect(station(ilse, 'nut-gap:1:1')).toHaveValue('0.08');
  await expect(ilse.locator('[data-sending]')).toHaveCount(0);
});

test('a twelve-string with its courses in thousandths, by the simulated gauge', async () => {
  const number = await takenIn('twelve-string', 'Dozen');
  await go(ilse, `/job/${number}/readings`);
  await ilse.getByRole('radio', { name: 'thou' }).click();
  await station(ilse, 'relief:0:7').focus();
  await ilse.getByRole('button', { name: 'Gauges' }).click();
  await expect(ilse.getByText('stand-ins, no device is asked')).toBeVisible();
  const truth = ilse.getByLabel('True value, mm');
  const sendIt = ilse.getByRole('button', { name: 'Send its reading' });
  const places = ['relief:0:7', 'action:12:12', 'action:1:12'].concat(
    Array.from({ length: 12 }, (_, i) => `nut-gap:${12 - i}:1`),
  );
  for (const key of places) {
    const value = key.startsWith('action:12') ? '2.0' : key.startsWith('action') ? '1.5' : '0.15';
    await truth.fill(value);
    await sendIt.click();
    await expect(station(ilse, key)).toHaveValue(/^\.\d{3}$/);
  }
  await ilse.getByLabel('Which').selectOption('hygrometer');
  await ilse.getByLabel('True temperature, °C').fill('21');
  await sendIt.click();
  await expect(ilse.getByText(/kept with the round/)).toBeVisible();
  await ilse.getByRole('button', { name: 'Gauges' }).click();
  await expect(ilse.getByRole('button', { name: /°C · \d/ })).toBeVisible();
});

test('swapped sides and a range; the other parts of the sheet; a column pasted; the table', async () => {
  const number = await takenIn('steel-acoustic', 'Parts');
  await go(ilse, `/job/${number}/readings`);
  await ilse.getByRole('radio', { name: '64ths' }).click();
  const says = ilse.locator('#sheet-says');
  await station(ilse, 'action:6:12').fill('between 4 and 5');
  await station(ilse, 'action:6:12').press('Enter');
  await expect(station(ilse, 'action:6:12')).toHaveValue('4½/64');
  await station(ilse, 'action:1:12').fill('7');
  await station(ilse, 'action:1:12').press('Enter');
  await expect(says).toContainText('Were the two sides swapped?');
  await says.getByRole('button', { name: 'It is 7, as typed' }).click();
  await ilse.getByRole('heading', { level: 1 }).click();
  await expect(station(ilse, 'action:1:12')).toHaveValue('7/64');

  await ilse.getByRole('radio', { name: 'Frets' }).click();
  const first = station(ilse, 'fret-height:3:1');
  await first.focus();
  await first.evaluate((field) => {
    const cells = new DataTransfer();
    cells.setData('text/plain', '1.02\n1.01\n1.05\n');
    field.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: cells, bubbles: true, cancelable: true }),
    );
  });
  await expect(station(ilse, 'fret-height:2:1')).toHaveValue('1.01');
  await expect(station(ilse, 'fret-height:1:1')).toHaveValue('1.05');
  await accessible(ilse, 'the fret map');

  await ilse.getByRole('radio', { name: 'Saddle' }).click();
  await station(ilse, 'contact:6:0').fill('1.5');
  await station(ilse, 'contact:6:0').press('Enter');
  await expect(station(ilse, 'contact:6:0')).toHaveValue('1.50');
  await ilse.getByRole('radio', { name: 'Table' }).click();
  await expect(station(ilse, 'contact:6:0')).toHaveValue('1.50 mm');
  await expect(ilse.getByRole('row', { name: /Fret 1 stands, treble/ })).toBeVisible();
  await accessible(ilse, 'the table');

  const csv = await ilse.request.get(`/api/job/${number}/readings.csv`);
  expect(csv.headers()['content-type']).toContain('text/csv');
  expect(await csv.text()).toMatch(/as-found,contact,6,0,1\.5,,,,1\.5,mm/);
});

test('another method is said and converted', async () => {
  const number = await takenIn('steel-acoustic', 'Ways');
  await go(ilse, `/job/${number}/readings`);
  await ilse.getByRole('button', { name: /change$/ }).click();
  await ilse.getByLabel('Action: how it is read').selectOption('at-last');
  await ilse.getByLabel('Action with').selectOption({ label: 'Steel rule, 64ths' });
  await ilse.getByRole('button', { name: 'Keep', exact: true }).click();
  const last = station(ilse, 'action:6:20');
  await last.fill('6.5');
  await last.press('Enter');
  await expect(last).toHaveValue('6½/64');
  await last.focus();
  await expect(ilse.locator('#sheet-says')).toContainText(
    'open string over the last fret, Steel rule, 64ths',
  );
  await ilse.getByRole('radio', { name: 'Table' }).click();
  await expect(ilse.getByText('converted: read over fret 20')).toBeVisible();
});

test('two visits beside each other: numbers, drawing, and over time', async () => {
  await go(odile, '/shelf?find=WH-0401');
  await odile.getByRole('link', { name: /Heron/ }).first().click();
  await odile.getByRole('link', { name: 'What moved' }).click();
  await odile.waitForURL('**/readings');
  await expect(odile.getByRole('row', { name: /Relief, 7th/ })).toBeVisible();
  await odile.getByLabel('To', { exact: true }).selectOption({ index: 1 });
  await expect(odile.getByRole('img', { name: /as left drawn through/ })).toBeVisible();
  await expect(odile.locator('.apexcharts-svg').first()).toBeVisible();
  await accessible(odile, 'what moved');
});

test('the house keeps its targets in versions, its gauges, and how it reads', async () => {
  await go(odile, '/house/targets');
  await odile.getByLabel('Relief, mm: aim').fill('0.9');
  await expect(odile.getByText('low ≤ aim ≤ high')).toBeVisible();
  await expect(odile.getByRole('button', { name: /Keep as version/ })).toBeDisabled();
  await odile.getByLabel('Relief, mm: aim').fill('0,22');
  await odile.getByLabel('What changed, in words').fill('a little more relief');
  await accessible(odile, 'targets');
  await odile.getByRole('button', { name: 'Keep as version 1' }).click();
  await expect(odile.getByText('version 1 of the shop')).toBeVisible();
  await odile.getByRole('button', { name: 'Take version 0 as a start' }).click();
  await expect(odile.getByLabel('Relief, mm: aim')).toHaveValue('0.2');
  await odile.getByRole('button', { name: 'Keep as version 2' }).click();
  await expect(odile.getByText('version 2 of the shop')).toBeVisible();

  await go(odile, '/house/gauges');
  await expect(odile.getByRole('row', { name: /Caliper, drawer 2/ })).toContainText('believed half as well');
  await odile.getByRole('button', { name: 'Check Caliper, drawer 2' }).click();
  await odile.getByLabel('The reference is').fill('5 mm');
  await odile.getByLabel('The gauge shows').fill('5.02 mm');
  await odile.getByRole('button', { name: 'Keep the check' }).click();
  await expect(odile.getByRole('row', { name: /Caliper, drawer 2/ })).toContainText('0.02 mm');
  await accessible(odile, 'gauges');

  await go(odile, '/house/readings');
  await odile.getByLabel('“just clicks”: high, mm').fill('0.08');
  await odile.getByLabel('Gauge for Saddle stands out').selectOption({ label: 'Caliper, drawer 2' });
  await odile.getByRole('button', { name: 'Keep how we read' }).click();
  await expect(odile.getByLabel('Gauge for Saddle stands out')).not.toHaveValue('');
  await accessible(odile, 'how we read');
});

test('a target says its layers, and takes a wish against what is there now', async () => {
  await go(odile, '/job/412/plan');
  await odile.getByRole('button', { name: 'Set Action 12, treble for this job' }).click();
  await odile.getByRole('radio', { name: 'the customer’s wish' }).click();
  await odile.getByLabel('Against what is there now').selectOption('little-lower');
  await odile.getByRole('button', { name: 'Keep the target' }).click();
  await expect(odile.getByText(/from the customer’s wish/)).toBeVisible();
  await odile.getByText(/Action 12, treble:/).click();
  await expect(odile.getByRole('list', { name: /Layers of Action 12, string 1/ })).toContainText('the kind');
});
