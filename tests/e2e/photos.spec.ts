import { expect, type Page } from '@playwright/test';
import { withPlaceOnEarth, SCRIPTED_SVG } from '../integration/hostile-files.ts';
import { A, accessible, B, BY_ITSELF, go, tablet, test } from './shop.ts';

let desk: Page;
let bench: Page;

test.beforeAll(async ({ browser }) => {
  desk = await tablet(browser, A, 'Per Lindqvar', '9753', true);
  bench = await tablet(browser, B, 'Tomas Vey', '1357');
});

const marking = (page: Page) => page.getByRole('dialog', { name: 'Damage already there' });

test(
  'damage is marked with a finger, named, photographed, seen by a colleague and on the receipt',
  { tag: '@long' },
  async () => {
    await go(bench, '/job/411/arrival');
    await go(desk, '/job/411/arrival');
    await desk.getByRole('button', { name: 'Mark damage: front' }).tap();
    const dialog = marking(desk);
    const drawing = dialog.getByRole('application');
    const box = await drawing.boundingBox();
    if (!box) throw new Error('nothing to mark on');
    await desk.touchscreen.tap(box.x + box.width / 2 + 40, box.y + box.height * 0.8);
    await dialog.getByRole('textbox', { name: 'What mark 1 shows' }).fill('ding at the lower bout');
    await dialog.getByRole('textbox', { name: 'What mark 1 shows' }).press('Enter');
    await dialog.getByRole('textbox', { name: 'What mark 1 shows' }).blur();
    await expect(dialog.getByText(/changed this meanwhile/)).toHaveCount(0);
    await accessible(desk, 'marking damage');
    await dialog
      .getByRole('group', { name: 'Add photos: mark 1' })
      .getByLabel('Photos')
      .setInputFiles({ name: 'IMG_1.jpg', mimeType: 'image/jpeg', buffer: await withPlaceOnEarth() });
    const photo = dialog.getByRole('img', { name: 'Photo 1 of mark 1, by Per Lindqvar' });
    await expect(photo).toBeVisible({ timeout: 180_000 });
    const whole = await desk.request.get(((await photo.getAttribute('src')) ?? '').split('?')[0] ?? '');
    expect(whole.headers()['content-type']).toBe('image/jpeg');
    const bytes = await whole.body();
    expect([bytes.includes('MADE-UP-CAMERA'), bytes.includes('Exif')]).toEqual([false, false]);
    await expect(bench.getByRole('listitem').filter({ hasText: 'ding at the lower bout' })).toBeVisible(
      BY_ITSELF,
    );
    await dialog.getByRole('button', { name: 'Done' }).tap();
    await desk.goto('/job/411/receipt');
    const sheet = desk.getByRole('article', { name: 'Receipt of job 411' });
    await expect(sheet).toContainText('Front: ding at the lower bout');
    await expect(sheet.getByRole('img', { name: /^Front: 1 ding/ })).toBeVisible();
  },
);

test('damage is marked by keyboard alone', { tag: '@long' }, async () => {
  await go(bench, '/job/406/arrival');
  await bench.getByRole('button', { name: 'Mark damage: headstock' }).focus();
  await bench.keyboard.press('Enter');
  const dialog = marking(bench);
  await dialog.getByRole('application').focus();
  for (const key of ['ArrowUp', 'ArrowUp', 'Shift+ArrowLeft', 'Enter']) await bench.keyboard.press(key);
  await expect(dialog.getByRole('textbox', { name: 'What mark 1 shows' })).toBeFocused();
  await bench.keyboard.type('tip chipped');
  await bench.keyboard.press('Enter');
  await bench.keyboard.press('Escape');
  await expect(bench.getByRole('listitem').filter({ hasText: 'Headstock: tip chipped' })).toBeVisible();
});

test('a hostile file is refused in words, beside the others that are taken', { tag: '@long' }, async () => {
  await go(bench, '/job/406/arrival');
  const add = bench.getByRole('group', { name: 'Add photos: the instrument' });
  await add.getByLabel('Photos').setInputFiles([
    { name: 'logo.jpg', mimeType: 'image/jpeg', buffer: SCRIPTED_SVG },
    { name: 'IMG_2.jpg', mimeType: 'image/jpeg', buffer: await withPlaceOnEarth() },
  ]);
  const refused = bench.getByRole('alert').filter({ hasText: 'logo.jpg' });
  await expect(refused).toContainText('This is no photo that can be kept: JPEG, PNG and WebP can.');
  await expect(bench.getByRole('img', { name: 'Photo 1 of the instrument, by Tomas Vey' })).toBeVisible({
    timeout: 180_000,
  });
  await accessible(bench, 'a refused photo');
  await bench.getByRole('button', { name: 'Understood: logo.jpg' }).click();
  await expect(refused).toHaveCount(0);
});

test(
  'photos go on after a lost connection and a reload, once each, while one goes on typing',
  { tag: '@long' },
  async () => {
    await go(bench, '/job/411/inspection');
    const item = (await bench.getByRole('heading', { level: 2 }).first().textContent()) ?? '';
    const context = bench.context();
    let pieces = 0;
    await context.route('**/api/uploads/**', async (route) => {
      if (route.request().method() === 'PATCH' && ++pieces === 2) {
        await context.setOffline(true);
        await route.abort('internetdisconnected');
      } else await route.continue();
    });
    const photos = await withPlaceOnEarth();
    await bench
      .getByRole('group', { name: `Add photos: ${item}` })
      .getByLabel('Photos')
      .setInputFiles([1, 2].map((n) => ({ name: `part${n}.jpg`, mimeType: 'image/jpeg', buffer: photos })));
    await bench.getByRole('textbox', { name: 'Note' }).fill('typed while they went up');
    await expect.poll(() => pieces).toBeGreaterThanOrEqual(2);
    await expect(bench.getByText('2 photos on the way')).toBeVisible();
    await context.setOffline(false);
    await bench.reload();
    await expect(bench.getByRole('img', { name: `Photo 2 of ${item}, by Tomas Vey` })).toBeVisible({
      timeout: 180_000,
    });
    await expect(bench.getByText('on the way')).toHaveCount(0);
    await expect(bench.getByRole('img', { name: /^Photo \d of/ })).toHaveCount(2);
    await expect(bench.getByRole('textbox', { name: 'Note' })).toHaveValue('typed while they went up');
    await context.unroute('**/api/uploads/**');
  },
);

test(
  'a part taken off goes into a numbered bag and is asked for at hand-over',
  { tag: '@long' },
  async () => {
    await go(bench, '/job/408/work');
    const bags = bench.getByRole('region', { name: 'Parts in bags' });
    await bags.getByLabel('Taken off, into bag 1').fill('old saddle');
    await bags.getByRole('button', { name: 'Bag it' }).click();
    await expect(bags).toContainText('1 old saddle');
    await expect(bags.getByLabel('Taken off, into bag 2')).toHaveValue('');
    await go(bench, '/job/408/hand-over');
    await expect(bench.getByRole('checkbox', { name: 'bag 1 old saddle' })).not.toBeChecked();
  },
);
