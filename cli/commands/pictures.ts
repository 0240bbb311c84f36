import { randomUUID } from 'node:crypto';
import type { Browser, Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { startBrowser } from '../base/browser.ts';
import { buildIfNeeded } from '../base/build.ts';
import { earPlan } from '../../src/core/ear/ear-plan.ts';
import { gaugeByPartials } from '../../src/core/ear/heard-set.ts';
import { playedRound, soundOf } from '../../src/core/ear/play-for-tests.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { writeWav } from '../../src/core/sound/wav.ts';
import { openHouse } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { ROOT } from '../base/paths.ts';
import { DEMO_INSTRUMENTS } from '../../src/demo/instruments.ts';
import { longLife } from '../../src/demo/long-life.ts';
import { endServer, serve } from '../base/serve.ts';

/** The bass with a socket found loose: the ninth of those told after the long lives. */
const PHONE_JOB_ID = longLife(Date.now()).length + 9;

const VIEWS: ReadonlyArray<readonly [name: string, path: string, theme?: 'dim']> = [
  // The rack shows what the plan says: it is planned first.
  ['week', '/week'],
  ['rack', '/rack'],
  ['desk', '/desk'],
  ['stores', '/stores'],
  ['care', '/stores/care?job=412'],
  ['practice', '/practice/2'],
  ['learned', '/house/learned'],
  ['life', `/shelf/${DEMO_INSTRUMENTS.findIndex((i) => i.serial === 'KL-0107') + 1}`],
  [
    'sums',
    '/sums/string-line?scale=25.5+in&points.0.fret=1&points.0.height=.024&points.1.fret=12&points.1.height=5.5&frets=12+17+20&u=64ths',
  ],
  ['arrival', '/job/412/arrival'],
  ['inspection', '/job/411/inspection'],
  ['readings', '/job/412/readings'],
  ['listen', '/job/418/readings', 'dim'],
  ['plan', '/job/412/plan'],
  ['plan-try', '/job/407/plan?part=try'],
  ['work', '/job/409/work'],
  ['hand-over', '/job/402/hand-over'],
];

/** A round by ear under way, heard from a file: a string of each pair alone. */
async function listen(page: Page): Promise<void> {
  const c = usualConstruction('twelve-string');
  const plan = earPlan(c, {
    tuning: '',
    pitch: 440,
    method: 'open',
    firstString: 'lowest',
    tune: true,
    nut: false,
    only: null,
  });
  const fretted = plan.strings.map((_, i) => ((5 * i) % 9) - 4);
  const tuned = plan.strings.map((_, i) => 0.4 - 0.2 * (i % 5));
  // Strings of the gauges they are said to be.
  const stiff = plan.strings.map((s, i) => {
    const fact = c.strings[i];
    return fact && !fact.wound ? (fact.gauge / gaugeByPartials(1, s.hz, c.scale)) ** 2 : 6e-5;
  });
  // Four strings and a little; then it is quiet, and the picture is taken.
  const played = playedRound(plan, { tuned, fretted, stiff }).slice(0, 18);
  const sound = soundOf([...played, { quiet: 300 }]);
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  const file = page.getByLabel('Or a WAV file of the same');
  await file.setInputFiles({
    name: 'twelve.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from(writeWav(sound)),
  });
  await page.getByText('String 4a D').waitFor();
}

/** The estimate as a customer reads it, by a link that is made for the picture and taken back again. */
async function phonePicture(browser: Browser, page: Page, base: string, path: string): Promise<void> {
  const give = async (name: string, input: unknown): Promise<Record<string, unknown>> => {
    const answer = await page.request.post(`${base}/api/command`, {
      headers: { origin: base },
      data: { id: randomUUID(), name, input },
    });
    return ((await answer.json()) as { value: Record<string, unknown> }).value;
  };
  const { token, linkId } = await give('work.link', { jobId: PHONE_JOB_ID, purpose: 'estimate' });
  const phone = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await phone.goto(`${base}/estimate/${String(token)}`);
  await phone.waitForSelector('h1');
  await phone.screenshot({ path });
  await phone.close();
  await give('work.withdraw-link', { linkId });
}

/** Takes one picture of each main view at 1280x800 from the demo shop: all, or those named. */
export async function run(o: Options): Promise<number> {
  const folder = join(ROOT, 'docs/screenshots');
  mkdirSync(folder, { recursive: true });
  await buildIfNeeded();
  const house = await openHouse('demo');
  const port = o.port + 1;
  const child = await serve(port, { RUBRICA_DATABASE_URL: house.runningUrl, RUBRICA_SECRET: house.secret });
  const browser = await startBrowser();
  try {
    const base = `http://127.0.0.1:${port}`;
    const tablet = async (who: RegExp, pin: string): Promise<Page> => {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`${base}/pair?code=${await makePairingCode(house.db, new Date())}`);
      await page.getByRole('button', { name: 'Pair' }).click();
      await page.getByRole('button', { name: who }).click();
      await page.getByLabel(/^PIN/).fill(pin);
      await page.getByRole('button', { name: 'Sign in' }).click();
      await page.waitForURL('**/rack');
      return page;
    };
    const page = await tablet(/Ilse Marrow/, '2468');
    for (const [name, path, theme = 'light'] of VIEWS) {
      if (o.rest.length > 0 && !o.rest.includes(name)) continue;
      await page.goto(`${base}${path}`);
      await page.waitForSelector('html[data-live]');
      await page.waitForSelector('#main h1');
      await page.evaluate((t) => (document.documentElement.dataset['theme'] = t), theme);
      if (name === 'plans') await page.waitForSelector('article');
      if (name === 'listen') await listen(page);
      if (name === 'care') await page.getByLabel('What have you in your hand?').fill('rubbing alcohol');
      if (name === 'week') await page.waitForSelector('#main [aria-label="Ilse Marrow"]');
      // What is tried, and what was heard under it, are one page.
      await page.screenshot({ path: join(folder, `${name}.png`), fullPage: name === 'plan-try' });
    }
    if (o.rest.length === 0 || o.rest.includes('estimate-phone'))
      await phonePicture(browser, page, base, join(folder, 'estimate-phone.png'));
    if (o.rest.length === 0 || o.rest.includes('bench')) {
      // Somebody who has a job in hand.
      const hands = await tablet(/Tomas Vey/, '1357');
      await hands.goto(`${base}/bench`);
      await hands.waitForSelector('html[data-live]');
      await hands.waitForSelector('#main h1');
      await hands.screenshot({ path: join(folder, 'bench.png') });
    }
  } finally {
    await browser.close();
    await endServer(child);
    await house.close();
  }
  return 0;
}
