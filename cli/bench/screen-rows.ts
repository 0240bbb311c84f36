import { performance } from 'node:perf_hooks';
import { SETTLE_MS } from '../../src/ui/look.ts';
import { rowOf, type Row } from './row.ts';

const SCREENS = 20;
const RUNS = 25;
const WARM = 4;

/** One open screen: hears the house and looks again, as a page does. */
class Screen {
  private waiting: (() => void) | null = null;
  private readonly stop = new AbortController();

  constructor(
    private readonly base: string,
    private readonly cookies: string,
    private readonly path: string,
  ) {}

  async open(): Promise<void> {
    const stream = await fetch(`${this.base}/api/events`, {
      headers: { cookie: this.cookies },
      signal: this.stop.signal,
    });
    const read = async () => {
      const decoder = new TextDecoder();
      for await (const piece of stream.body ?? [])
        if (decoder.decode(piece as Uint8Array).includes('data: [')) this.waiting?.();
    };
    read().catch(() => {
      // closed at the end of the row
    });
  }

  /** Settles when the next change was heard, and shown where that is asked for. */
  async next(shown: boolean): Promise<void> {
    await new Promise<void>((resolve) => (this.waiting = resolve));
    this.waiting = null;
    if (!shown) return;
    await new Promise((resolve) => setTimeout(resolve, SETTLE_MS));
    // The router fetches the page's contents, not its frame.
    const answer = await fetch(`${this.base}${this.path}`, { headers: { cookie: this.cookies, RSC: '1' } });
    await answer.text();
  }

  close(): void {
    this.stop.abort();
  }
}

/**
 * A change until each of twenty open screens, half of them at another process, has heard of it, and until each shows its
 * page anew. Judged by the 95th percentile of the last screen.
 * @param change makes one change through the house
 */
export async function screenRows(
  bases: readonly [string, string],
  cookies: string,
  bare: readonly number[],
  change: (i: number) => Promise<void>,
): Promise<Row[]> {
  const screens = Array.from(
    { length: SCREENS },
    (_, i) => new Screen(bases[i % 2 === 0 ? 0 : 1], cookies, '/bench'),
  );
  await Promise.all(screens.map((s) => s.open()));
  const measure = async (shown: boolean): Promise<number[]> => {
    const all: number[] = [];
    for (let i = 0; i < WARM + RUNS; i++) {
      const last = Promise.all(screens.map((s) => s.next(shown)));
      const began = performance.now();
      await change(i);
      await last;
      if (i >= WARM) all.push(performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    return all.sort((a, b) => a - b);
  };
  const rows = [
    rowOf('heard-by-20-screens', 500, 'one committed row', bare, await measure(false), 'p95'),
    rowOf('shown-on-20-screens', 500, 'one committed row', bare, await measure(true), 'p95'),
  ];
  for (const s of screens) s.close();
  return rows;
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
      const answer = await fetch(`${base}/api/job/${number}/paper/${kind}`, { headers: { cookie: cookies } });
      if (!answer.ok) throw new Error(`paper ${kind} answered ${answer.status}`);
      await answer.arrayBuffer();
      if (i >= WARM) all.push(performance.now() - began);
    }
    rows.push(
      rowOf(
        `paper-${kind}`,
        1000,
        'one committed row',
        bare,
        all.sort((a, b) => a - b),
        'p95',
      ),
    );
  }
  return rows;
}
