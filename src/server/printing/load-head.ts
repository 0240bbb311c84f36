import type { Database } from '../db/connection.ts';
import { loadLogo } from '../photos/logo.ts';
import { loadOpening } from '../house/opening.ts';
import type { PaperHead } from './letterhead.ts';

/** What stands at the head of the shop's papers now. */
export async function loadHead(db: Pick<Database, 'models'>): Promise<PaperHead> {
  const [{ opening }, logo] = await Promise.all([loadOpening(db), loadLogo(db)]);
  return { opening, logo: logo?.bytes ?? null };
}
