import type { Leaf } from '../../core/job/leaves.ts';
import {
  COMMON_PARTS,
  commonView,
  LEAF_PARTS,
  LEAF_VIEWS,
  leafSource,
  type Around,
  type LeafView,
} from '../../core/job/views/leaves.ts';
import type { Database } from '../db/connection.ts';
import { sharedLoad } from '../db/shared-load.ts';
import { placesWithJobs } from '../desk/places.ts';
import { readJobNumber } from '../jobs/read-job.ts';
import { around } from './around.ts';

async function loadNow<L extends Leaf>(db: Database, number: number, leaf: L): Promise<LeafView<L> | null> {
  const now = new Date();
  const [g, places] = await Promise.all([
    readJobNumber(db.models, number, [...COMMON_PARTS, ...LEAF_PARTS[leaf]]),
    placesWithJobs(db),
  ]);
  if (!g) return null;
  const source = leafSource<never>(g, g.shop, now);
  const rest = { places, ...(await around(db, leaf, g, source.judged, now)) };
  const view = LEAF_VIEWS[leaf] as (s: typeof source, a: Around) => ReturnType<(typeof LEAF_VIEWS)[L]>;
  return { ...commonView(source, rest), ...view(source, rest) };
}

/**
 * A job with what one of its leaves shows. Null when there is no such job. Many screens that ask at the same moment share one
 * load.
 */
export const loadLeaf = <L extends Leaf>(
  db: Database,
  number: number,
  leaf: L,
): Promise<LeafView<L> | null> => sharedLoad(`job ${number} ${leaf}`, () => loadNow(db, number, leaf));
