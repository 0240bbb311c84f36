import { performance } from 'node:perf_hooks';
import { concerns, type Change } from '../../src/contracts/concerns.ts';
import { SETTLE_MS } from '../../src/ui/data/refresh.ts';
import { ask, contents } from './ask.ts';
import { p95, rowOf, type Row } from './row.ts';

const SCREENS = 20;
/** A page that lies open, and the one job it shows. */
interface Page {
  readonly path: string;
  readonly shown: number | null;
}

const RACK: Page = { path: '/rack', shown: null };
const DESK: Page = { path: '/desk', shown: null };
const leaf = (shown: number, name: string): Page => ({ path: `/job/${shown}/${name}`, shown });
/** What lies open in a shop: benches and leaves of several jobs, the rack, the desk, two at the job that is changed. */
const SHOP: readonly Page[] = [
  { path: '/bench', shown: 405 },
  RACK,
  leaf(412, 'readings'),
  leaf(405, 'work'),
  DESK,
];
/** All show what is changed. */
const ALL_SHOW: readonly Page[] = [RACK, leaf(412, 'readings'), DESK, leaf(412, 'inspection'), RACK];
const RUNS = 25;
const WARM = 4;

/**
 * Where a page that lies open looks again. A leaf loads its part of the job, the rack its tags; for other pages the house says once at
 * which address it gives their contents.
 */
async function addressOf(base: string, cookies: string, page: Page): Promise<string> {
  const { path } = page;
  if (page === RACK || path.startsWith('/job/')) return `${base}/api${path}`;
  const asked = await ask(base + path, { headers: { cookie: cookies, rsc: '1' }, redirect: 'manual' });
  return new URL(asked.headers.get('location') ?? path, base).href;
}

/** Fetches everything that lies open in a shop once, one after the other. */
export async function everythingOpen(base: string, cookies: string): Promise<() => Promise<void>> {
  const addresses = await Promise.all([...SHOP, ...ALL_SHOW].map((page) => addressOf(base, cookies, page)));
  return async () => {
    for (const address of new Set(addresses)) await contents(address, cookies);
  };
}

/** One open screen: hears the house and looks again, as a page does. */
class Screen {
  private waiting: ((heard: readonly Change[]) => void) | null = null;
  private contents = '';
  private readonly stop = new AbortController();

  private readonly base: string;
  private readonly cookies: string;
  private readonly page: Page;

  constructor(base: string, cookies: string, page: Page) {
    this.base = base;
    this.cookies = cookies;
    this.page = page;
  }

  async open(): Promise<void> {
    this.contents = await addressOf(this.base, this.cookies, this.page);
    const stream = await ask(`${this.base}/api/events`, {
      headers: { cookie: this.cookies },
      signal: this.stop.signal,
    });
    const read = async () => {
      const decoder = new TextDecoder();
      for await (const piece of stream.body ?? []) {
        const [, heard] = /^data: (\[.*\])$/m.exec(decoder.decode(piece as Uint8Array)) ?? [];
        if (heard !== undefined) this.waiting?.(JSON.parse(heard) as Change[]);
      }
    };
    read().catch(() => {
      // closed at the end of the row
    });
  }

  /** Settles when the next change was heard, and shown where that is asked for. */
  async next(shown: boolean): Promise<void> {
    const heard = await new Promise<readonly Change[]>((resolve) => (this.waiting = resolve));
    this.waiting = null;
    if (!shown || !heard.some((change) => concerns(change, this.page.shown))) return;
    await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
    await contents(this.contents, this.cookies);
  }

  close(): void {
    this.stop.abort();
  }
}

/**
 * A reading of job 412 until each of twenty open screens, half of them at another process, has heard of it, and until each
 * that shows the job shows it anew: as screens lie open in a shop, and where all of them show it. Judged by the 95th
 * percentile of the last screen.
 * @param change takes the reading through the house
 */
export async function screenRows(
  bases: readonly [string, string],
  cookies: string,
  change: (i: number) => Promise<void>,
): Promise<Row[]> {
  const measure = async (pages: readonly Page[], shown: boolean, count = SCREENS): Promise<number[]> => {
    const screens = Array.from(
      { length: count },
      (_, i) => new Screen(bases[i % 2 === 0 ? 0 : 1], cookies, pages[(i >> 1) % pages.length] ?? RACK),
    );
    await Promise.all(screens.map((s) => s.open()));
    const all: number[] = [];
    for (let i = 0; i < WARM + RUNS; i++) {
      const last = Promise.all(screens.map((s) => s.next(shown)));
      const began = performance.now();
      await change(i);
      await last;
      if (i >= WARM) all.push(performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    for (const s of screens) s.close();
    return all.sort((a, b) => a - b);
  };
  const alone = await measure([leaf(412, 'readings')], true, 1);
  const row = async (id: string, pages: readonly Page[], shown: boolean): Promise<Row> =>
    rowOf(id, p95(3, 150), 'one screen that shows it', alone, await measure(pages, shown));
  return [
    await row('heard-by-20-screens', SHOP, false),
    await row('shown-on-20-screens', SHOP, true),
    await row('shown-on-20-screens.all-show-it', ALL_SHOW, true),
  ];
}

/** The customer's sheet and the bench sheet as PDF, through the house. */
export async function paperRows(base: string, cookies: string, bare: readonly number[]): Promise<Row[]> {
  const rows: Row[] = [];
  for (const [kind, number] of [
    ['sheet', 402],
    ['bench', 412],
  ] as const) {
    const all: number[] = [];
    for (let i = 0; i < WARM + RUNS; i++) {
      const began = performance.now();
      const answer = await ask(`${base}/api/job/${number}/paper/${kind}`, { headers: { cookie: cookies } });
      if (!answer.ok) throw new Error(`paper ${kind} answered ${answer.status}`);
      await answer.arrayBuffer();
      if (i >= WARM) all.push(performance.now() - began);
    }
    rows.push(
      rowOf(
        `paper-${kind}`,
        p95(1000, 300),
        'one committed row',
        bare,
        all.sort((a, b) => a - b),
      ),
    );
  }
  return rows;
}
