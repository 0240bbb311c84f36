import { expect } from '@playwright/test';
import { A, go, tablet, test } from './shop.ts';

/** Every kind of page there is; of the leaves, jobs whose orders, plans and papers have most on them. */
const PAGES = [
  ...['/rack', '/desk', '/desk/take-in', '/desk/afterwards', '/bench', '/week'],
  ...['/shelf', '/shelf/jobs', '/shelf/double', '/shelf/exchange', '/shelf/3'],
  ...['/stores', '/stores/short', '/stores/count', '/stores/orders', '/stores/figures', '/stores/care'],
  ...['/sums/saddle-height', '/sums/nut-layout', '/practice'],
  ...['people', 'gauges', 'operations', 'targets', 'planning', 'keeping', 'hours', 'messages'].map(
    (p) => `/house/${p}`,
  ),
  ...['checklists', 'readings', 'week', 'air', 'learned'].map((p) => `/house/${p}`),
  ...['arrival', 'inspection', 'readings', 'plan', 'work', 'hand-over', 'history'].map(
    (l) => `/job/404/${l}`,
  ),
  ...['/job/402/hand-over', '/job/405/work', '/job/407/work', '/job/412/plan'],
];

test('where a screen is 320 wide nothing but a table or a drawing goes sideways, and each by itself', async ({
  browser,
}) => {
  const odile = await tablet(browser, A, 'Odile Farrant', '480216', true);
  await odile.setViewportSize({ width: 320, height: 640 });
  const wider: string[] = [];
  for (const path of PAGES) {
    await go(odile, path);
    const by = await odile.evaluate(() => {
      const { scrollWidth, clientWidth } = document.documentElement;
      return scrollWidth - clientWidth;
    });
    if (by > 0) wider.push(`${path} by ${by}`);
  }
  expect(wider).toEqual([]);
  await odile.context().close();
});
