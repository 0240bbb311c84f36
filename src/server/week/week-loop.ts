import { database } from '../db/connection.ts';
import { loopOf } from '../keep/loop.ts';
import { lastLogRow } from '../ledger/ledger.ts';
import { loadWeek } from './load-week.ts';

const EVERY_MS = 20_000;
/** Time alone moves a plan: what was not begun moves on. */
const AT_LEAST_MS = 10 * 60_000;

let seen = -1;
let at = 0;

async function lookAgain(): Promise<void> {
  const db = database();
  const last = await lastLogRow(db);
  if (last === seen && Date.now() - at < AT_LEAST_MS) return;
  await loadWeek(db);
  seen = last;
  at = Date.now();
}

/** Keeps the plan of the week up to date by itself, so that dates on the rack are those of now. */
export const startWeek = loopOf({
  first: 5_000,
  every: EVERY_MS,
  afterFault: 60_000,
  fault: 'the week is not planned: the house could not be asked',
  once: lookAgain,
});
