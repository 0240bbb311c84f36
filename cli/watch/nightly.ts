import { isDue } from '../../src/core/keep/upkeep-state.ts';
import { addDays, clockOn, dayIn } from '../../src/core/days/zone.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { loadShop } from '../../src/server/house/load-shop.ts';
import { loadCopyHabits } from '../../src/server/upkeep/copy-habits.ts';
import { enterLog, lastLogRow } from '../../src/server/ledger/ledger.ts';
import { lastRuns, noteRun } from '../../src/server/upkeep/runs.ts';
import { copiesFolder, makeCopy, type CopiedHouse } from '../base/copies.ts';
import { anchorTroubles, keepAnchor } from '../base/ledger-anchor.ts';
import { say } from '../base/say.ts';

const FIRST_MS = 30_000;
const EVERY_MS = 5 * 60_000;

/** The last time the night's hour struck, ms: today's, or yesterday's while today's is still to come. */
export function struckLast(at: string, zone: string, now: number): number {
  const today = dayIn(now, zone);
  const [hour = 0, minute = 0] = at.split(':').map(Number);
  const on = (day: string): number => clockOn(day, hour * 60 + minute, zone);
  return on(today) <= now ? on(today) : on(addDays(today, -1));
}

async function due(house: CopiedHouse, kind: 'copy' | 'seals', struck: number, now: number) {
  const { last, good } = await lastRuns(house.db, kind);
  // What failed for seals is no fault of the check: it is done, and says what it found.
  const done = kind === 'seals' ? last : good;
  return isDue(done?.beganAt.getTime() ?? null, struck, last?.endedAt.getTime() ?? null, now);
}

async function checkSeals({ db }: CopiedHouse): Promise<void> {
  const beganAt = new Date();
  const { whole, broken, ledger: within } = await verifySeals(db);
  const ledger = [...within, ...(await anchorTroubles(db))];
  const all = [...broken.map((b) => `job ${b.job}: ${b.changed.join(', ')}`), ...ledger];
  const words = all.join('; ');
  await noteRun(db, {
    kind: 'seals',
    beganAt,
    good: all.length === 0,
    words: all.length === 0 ? `${whole} whole` : words,
  });
  if (all.length > 0) say(`the record is not as it was signed or written: ${words}`);
}

/** What is done each night, where it is due now: a copy of the record, and a look at every seal. */
export async function nightWork(house: CopiedHouse, now: number): Promise<void> {
  const [{ copies }, { zone }] = await Promise.all([loadCopyHabits(house.db), loadShop(house.db)]);
  const struck = struckLast(copies.at, zone, now);
  if (await due(house, 'copy', struck, now)) await makeCopy(house, copiesFolder());
  if (await due(house, 'seals', struck, now)) await checkSeals(house);
}

/** Looks now and then whether the night's work is due, as long as the house is open; answers what ends that. */
export function startNights(house: CopiedHouse): () => Promise<void> {
  let working: Promise<void> = Promise.resolve();
  /** the last row of the log some minutes ago: everything up to it is committed by now */
  let row: number | null = null;
  const work = async (): Promise<void> => {
    if (row !== null) await enterLog(house.db, row, new Date());
    row = await lastLogRow(house.db);
    if ((await anchorTroubles(house.db)).length === 0) await keepAnchor(house.db);
    await nightWork(house, Date.now());
  };
  let timer: NodeJS.Timeout;
  let stopped = false;
  const next = (ms: number): void => {
    timer = setTimeout(() => {
      working = work()
        .catch((e: unknown) =>
          say(`the night's work was not done: ${e instanceof Error ? e.message : String(e)}`),
        )
        .finally(() => {
          if (!stopped) next(EVERY_MS);
        });
    }, ms);
  };
  next(FIRST_MS);
  return async () => {
    stopped = true;
    clearTimeout(timer);
    await working;
  };
}
