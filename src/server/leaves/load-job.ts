import {
  commonView,
  LEAF_VIEWS,
  leafSource,
  type Around,
  type JobView,
} from '../../core/job/views/leaves.ts';
import type { Database } from '../db/connection.ts';
import { placesWithJobs } from '../desk/places.ts';
import { readJobNumber } from '../jobs/read-job.ts';
import { around, EVERY_PART } from './around.ts';

export type { JobView };

/** Everything that is shown of a job, for papers and links. Null when there is no such job. */
export async function loadJob(db: Database, number: number, now: Date = new Date()): Promise<JobView | null> {
  const [g, places] = await Promise.all([readJobNumber(db.models, number, EVERY_PART), placesWithJobs(db)]);
  if (!g) return null;
  const source = leafSource<'visits' | 'receipt' | 'tries' | 'results' | 'offers' | 'invoices'>(
    g,
    g.shop,
    now,
  );
  const rest: Around = { places, ...(await around(db, 'whole', g, source.judged, now)) };
  return {
    ...commonView(source, rest),
    ...LEAF_VIEWS.arrival(source, rest),
    ...LEAF_VIEWS.plan(source),
    ...LEAF_VIEWS.work(source),
    ...LEAF_VIEWS['hand-over'](source, rest),
  };
}
