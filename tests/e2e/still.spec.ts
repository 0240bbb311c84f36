import { expect, type Page } from '@playwright/test';
import { A, B, BY_ITSELF, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

/** Counts how often a page fetches its own contents anew. */
function looksOf(page: Page): { readonly count: () => number } {
  let count = 0;
  page.on('request', (r) => {
    const part = /^\/api\/(job\/|rack)/.test(new URL(r.url()).pathname);
    if (part || r.headers()['rsc'] !== undefined) count++;
  });
  return { count: () => count };
}

test(
  'a screen of one job stays still while another is read, shows what is its own, and still hears its bell',
  { tag: '@long' },
  async ({ browser }) => {
    const [shown, other] = [await takenIn('bass', 'Still'), await takenIn('ukulele', 'Moving')];
    const ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
    const rack = await tablet(browser, A, 'Nadia Brook', '8642');
    const tomas = await tablet(browser, B, 'Tomas Vey', '1357');
    await go(ilse, `/job/${shown}/readings`);
    await go(rack, '/rack');
    await go(tomas, `/job/${other}/readings`);
    const [own, all] = [looksOf(ilse), looksOf(rack)];

    const field = tomas.locator('[id="station-action:4:12"]');
    await field.fill('2.1 mm');
    await field.press('Enter');
    await expect(tomas.locator('[data-sending]')).toHaveCount(0);
    await expect.poll(all.count, BY_ITSELF).toBeGreaterThan(0);
    expect(own.count()).toBe(0);

    await go(tomas, `/job/${shown}/readings`);
    const mine = tomas.locator('[id="station-relief:0:7"]');
    await mine.fill('.009');
    await mine.press('Enter');
    await expect(ilse.locator('[id="station-relief:0:7"]')).toHaveValue('.009', BY_ITSELF);
    expect(own.count()).toBeGreaterThan(0);

    await go(tomas, `/job/${other}/work`);
    await tomas.getByLabel(/^Note, or a question/).fill('@Ilse it waits for you');
    await tomas.getByRole('button', { name: 'Write it down' }).click();
    await expect(ilse.getByRole('button', { name: /Bell: \d+ new/ })).toBeVisible(BY_ITSELF);
  },
);
