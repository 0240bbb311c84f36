import { problemFrom, type NotYet } from '../../core/plan/solve/problem-from.ts';
import type { Problem } from '../../core/plan/solve/problem.ts';
import { shopOf } from '../house/load-shop.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import { judge } from '../../core/job/judge.ts';

/** The problem a job's plans are found from, or why it cannot be set yet. */
export const problemOf = (g: GatheredJob): Problem | NotYet =>
  problemFrom(judge(g).planInput, {
    touch: g.job.touch,
    worth: g.instrument.worthMinor,
    catalogue: g.catalogue,
    currency: shopOf(g.settings).currency,
  });
