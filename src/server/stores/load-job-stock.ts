import { operation } from '../../core/catalogue/operations.ts';
import { formatMoney } from '../../core/money/currency.ts';
import { fitting, sayNeed } from '../../core/stock/fits.ts';
import { usedOf } from '../../core/stock/ledger.ts';
import { needsOf, stringNeed } from '../../core/stock/needs.ts';
import type { Database } from '../db/connection.ts';
import { readJobNumber } from '../jobs/read-job.ts';
import { loadStores } from './load-stores.ts';
import { awaitedParts } from './read-orders.ts';

/** So many things that would do are shown for a need. */
const MOST_SHOWN = 4;

/** The shelves, and what of them belongs to a job. */
async function readShelves(db: Database, jobId: number, now: Date) {
  const { models } = db;
  const [items, awaited, asides, moves] = await Promise.all([
    loadStores(db),
    awaitedParts(models, now),
    models.StockAside.findAll({ where: { jobId } }),
    models.StockMoveRow.findAll({ where: { jobId, kind: ['used', 'returned'] }, order: [['id', 'ASC']] }),
  ]);
  return { items, awaited, asides, moves };
}

/**
 * What the agreed lines of a job take from the shelves: for each what fits, how many of it are free, how many wait for this job, what it
 * waits for, and what was used already, less what was put back; null when there is no such job.
 */
export async function loadJobStock(db: Database, number: number, now: Date) {
  const g = await readJobNumber(db.models, number);
  if (!g) return null;
  const { items, awaited, asides, moves } = await readShelves(db, g.job.id, now);
  const { construction } = g.instrument;
  const read = g.standard.filter((r) => r.notRepresentative === null);
  const here = items.filter((i) => !i.retired);
  const own = new Map(asides.map((a) => [a.itemId, Number(a.quantity)]));
  const wants = new Map(
    awaited
      .filter(({ want }) => want.jobId === g.job.id)
      .map(({ want, arrival }) => [want.itemId, { quantity: Number(want.quantity), ...arrival }]),
  );
  const optionsFor = (need: Parameters<typeof sayNeed>[0]) => ({
    words: sayNeed(need),
    options: fitting(need, here)
      .slice(0, MOST_SHOWN)
      .map(({ item, fit }) => ({
        itemId: item.id,
        sort: item.sort,
        name: item.name,
        place: item.place,
        free: item.free,
        /** what the customer pays for one, before tax where prices are; null where nobody said */
        price: item.price === null ? null : formatMoney(item.price, g.shop.info.currency),
        aside: own.get(item.id) ?? 0,
        /** what the job waits for of it, and when it will likely be here; null where it waits for none */
        wanted: wants.get(item.id) ?? null,
        how: fit.how,
        why: fit.why,
      })),
  });
  return {
    jobId: g.job.id,
    open: g.job.state === 'open',
    lines: g.lines
      .filter((l) => l.approval === 'yes')
      .map((l) => ({
        lineId: l.id,
        title: l.title,
        finished: l.step === 'finished',
        finishedAt: l.finishedAt?.toISOString() ?? null,
        /** whether somebody wrote down what it took */
        took: moves.some((m) => m.lineId === l.id && m.kind === 'used'),
        needs: needsOf(l.record ?? operation(l.operation, g.catalogue), construction, read).map(optionsFor),
      }))
      .filter((l) => l.needs.length > 0),
    /** each string of the instrument by its number, the highest first: for one that broke */
    singles: construction.strings
      .map((_, i) => ({ number: i + 1, need: stringNeed(construction, i + 1) }))
      .flatMap(({ number: n, need }) => (need ? [{ number: n, ...optionsFor(need) }] : [])),
    used: [...usedOf(moves.map((m) => ({ item: m.itemId, kind: m.kind, quantity: Number(m.quantity) })))].map(
      ([itemId, quantity]) => {
        const item = items.find((i) => i.id === itemId);
        return { itemId, quantity, item: item?.name ?? '', sort: item?.sort ?? ('own' as const) };
      },
    ),
  };
}

export type LoadedJobStock = NonNullable<Awaited<ReturnType<typeof loadJobStock>>>;
