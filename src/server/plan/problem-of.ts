import { problemFrom, type NotYet } from '../../core/plan/solve/problem-from.ts';
import type { Problem } from '../../core/plan/solve/problem.ts';
import type { ReadJob } from '../jobs/read-job.ts';
import { judge } from '../../core/job/judge.ts';

/** The problem a job's plans are found from, or why it cannot be set yet. */
export const problemOf = (g: ReadJob): Problem | NotYet =>
  problemFrom(judge(g).planInput, {
    touch: g.job.touch,
    worth: g.instrument.worthMinor,
    catalogue: g.catalogue,
    currency: g.shop.info.currency,
  });
