import type { Page } from '@playwright/test';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { startBrowser } from '../base/browser.ts';
import { median, rowOf, type Row } from './row.ts';

const KEYS = 60;
const WARM = 10;
const ROUNDS = 52;
const WEEK_MS = 7 * 86_400_000;
const sorted = (all: number[]): number[] => all.slice(WARM).sort((a, b) => a - b);

/** A six-string with 24 frets on a job, and a year of weekly rounds of it; answers the job's number and instrument. */
async function aYear(db: Database): Promise<{ readonly number: number; readonly instrument: number }> {
  const { models } = db;
  const job = await models.Job.findOne({ where: { number: 412 } });
  const person = await models.Person.findOne();
  if (!job || !person) throw new Error('the demo shop is not loaded');
  const construction = { ...usualConstruction('steel-acoustic'), frets: 24 };
  await models.Instrument.update({ construction }, { where: { id: job.instrumentId } });
  const begun = Date.now() - ROUNDS * WEEK_MS;
  for (let i = 0; i < ROUNDS; i++) {
    const { id: _id, ...like } = job.get({ plain: true });
    const past = await models.Job.create({
      ...like,
      number: 100 + i,
      state: 'closed',
      closedAt: new Date(begun + i * WEEK_MS),
      takenInAt: new Date(begun + i * WEEK_MS),
    });
    const round = await models.Round.create({
      jobId: past.id,
      kind: 'as-left',
      strings: 'at-pitch',
      position: 'playing',
      tuning: 'E A D G B E',
      humidity: String(40 + 10 * Math.sin(i / 8)),
      startedAt: new Date(begun + i * WEEK_MS),
    });
    const reading = (
      quantity: 'relief' | 'action' | 'intonation',
      stringNo: number,
      fret: number,
      value: number,
    ) => ({
      roundId: round.id,
      quantity,
      stringNo,
      fret,
      value: value.toFixed(9),
      typed: value.toFixed(3),
      unit: 'mm',
      method: '',
      gauge: '',
      strings: 'at-pitch' as const,
      position: 'playing' as const,
      notRepresentative: null,
      takenBy: person.id,
      takenAt: new Date(begun + i * WEEK_MS),
      version: 1,
    });
    await models.ReadingRow.bulkCreate([
      reading('relief', 0, 7, 0.2 + 0.05 * Math.sin(i / 8)),
      ...[1, 2, 3, 4, 5, 6].map((n) => reading('action', n, 12, 1.6 + 0.1 * n + 0.05 * Math.sin(i / 8))),
      ...[1, 2, 3, 4, 5, 6].map((n) => reading('intonation', n, 12, (i % 5) - 2)),
    ]);
  }
  return { number: 412, instrument: job.instrumentId };
}

/** Types into a field in the page and waits until the page is laid out anew; times in ms. */
const typeInto = (page: Page, selector: string, times: number): Promise<number[]> =>
  page.evaluate(
    async ([at, n]) => {
      const field = document.querySelector<HTMLInputElement>(at);
      if (!field) throw new Error(`no field ${at}`);
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
      const all: number[] = [];
      for (let i = 0; i < n; i++) {
        const began = performance.now();
        set?.call(field, `${2 + (i % 9) / 10}`);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        await Promise.resolve();
        document.body.getBoundingClientRect();
        all.push(performance.now() - began);
        await new Promise((next) => setTimeout(next, 20));
      }
      return all;
    },
    [selector, times] as const,
  );

/** Presses an arrow on a handle of the neck and waits until all that follows is laid out; times in ms. */
const pressOn = (page: Page, label: string, times: number): Promise<number[]> =>
  page.evaluate(
    async ([name, n]) => {
      const handle = document.querySelector(`[role="slider"][aria-label="${name}"]`);
      if (!handle) throw new Error(`no handle ${name}`);
      const all: number[] = [];
      for (let i = 0; i < n; i++) {
        const began = performance.now();
        const key = i % 20 < 10 ? 'ArrowDown' : 'ArrowUp';
        handle.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
        await Promise.resolve();
        document.body.getBoundingClientRect();
        all.push(performance.now() - began);
        await new Promise((next) => setTimeout(next, 20));
      }
      return all;
    },
    [label, times] as const,
  );

/** Draws the year's charts anew and waits until the last of their lines stands; times in ms. */
async function drawYear(page: Page, base: string, instrument: number): Promise<number[]> {
  const all: number[] = [];
  for (let i = 0; i < WARM + 12; i++) {
    await page.goto(`${base}/shelf/${instrument}/readings`);
    await page.waitForFunction(() => performance.getEntriesByName('readings drawn').length > 0);
    all.push(
      await page.evaluate(() => performance.getEntriesByName('readings drawn')[0]?.duration ?? Number.NaN),
    );
  }
  return all;
}

/** What the neck sheet and the charts cost in a browser, on a demo house that is served at `base`. */
export async function sheetRows(db: Database, base: string, cookies: string): Promise<Row[]> {
  const { number, instrument } = await aYear(db);
  const browser = await startBrowser();
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies(
      cookies.split('; ').map((c) => {
        const [name = '', value = ''] = c.split('=');
        return { name, value, url: base };
      }),
    );
    const page = await context.newPage();
    await page.goto(`${base}/job/${number}/readings`);
    await page.waitForSelector('html[data-live]', { state: 'attached' });
    await page.locator('[id="station-action:6:12"]').focus();
    const redrawn = await typeInto(page, '[id="station-action:6:12"]', WARM + KEYS);
    await page.evaluate(() => document.body.insertAdjacentHTML('beforeend', '<input id="bare">'));
    const bare = await typeInto(page, '#bare', WARM + KEYS);
    await page.goto(`${base}/job/${number}/plan`);
    await page.waitForSelector('html[data-live]', { state: 'attached' });
    await page.getByRole('radio', { name: 'Try it' }).click();
    await page.getByRole('slider', { name: 'Saddle, bass' }).focus();
    const tried = await pressOn(page, 'Saddle, bass', WARM + KEYS);
    const year = await drawYear(page, base, instrument);
    return [
      rowOf(
        'key-to-sheet.6-strings-24-frets',
        median(18, 16),
        'the same key in a bare field',
        sorted(bare),
        sorted(redrawn),
      ),
      rowOf(
        'what-if-redrawn.6-strings-24-frets',
        median(18, 16),
        'a key in a bare field',
        sorted(bare),
        sorted(tried),
      ),
      rowOf(
        'a-year-of-readings-drawn',
        median(110, 100),
        'a key in a bare field',
        sorted(bare),
        sorted(year),
      ),
    ];
  } finally {
    await browser.close();
  }
}
