import { loadWaits } from '../bench/load-waits.ts';
import type { Database } from '../db/connection.ts';
import { sharedLoad } from '../db/shared-load.ts';
import { loadNotices } from './notices.ts';

/** What the frame around every page shows somebody: what rings their bell, and the rests of the shop. */
export async function loadFrame(db: Database, personId: number) {
  const [notices, waits] = await Promise.all([
    loadNotices(db, personId),
    sharedLoad('waits', () => loadWaits(db)),
  ]);
  return { notices, waits };
}

export type Frame = Awaited<ReturnType<typeof loadFrame>>;
