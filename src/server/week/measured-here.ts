import { QueryTypes } from 'sequelize';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { measuredMinutes, type Measured } from '../../core/schedule/steps-of-job.ts';
import type { PastJob } from '../../core/schedule/such-jobs.ts';
import { NOTHING_TO_PAY } from '../../core/work/free-line.ts';
import type { Database } from '../db/connection.ts';
import { grouped } from './grouped.ts';

const MINUTE = 60_000;

const TIMES_SQL = `SELECT l.operation, SUM(TIMESTAMPDIFF(SECOND, e.started_at, e.ended_at)) / 60 AS minutes
  FROM time_entries e JOIN work_lines l ON l.id = e.line_id
  WHERE l.step = 'finished' AND e.ended_at IS NOT NULL AND e.started_at > ? GROUP BY l.id ORDER BY l.id DESC LIMIT 4000`;

/** What each operation took on what went home: the last 1,500 of them, so that a long life of a shop costs no more. */
const PAST_SQL = `SELECT j.id AS jobId, i.kind, l.operation, SUM(TIMESTAMPDIFF(SECOND, e.started_at, e.ended_at)) / 60 AS minutes
  FROM (SELECT id, instrument_id FROM jobs WHERE state = 'closed' AND closed_at > ? ORDER BY closed_at DESC LIMIT 1500) j
  JOIN instruments i ON i.id = j.instrument_id JOIN work_lines l ON l.job_id = j.id AND l.step = 'finished'
  JOIN time_entries e ON e.line_id = l.id AND e.ended_at IS NOT NULL
  GROUP BY j.id, i.kind, l.operation`;

/**
 * How long customers took to answer what was planned: from its first line to their first word, by job. What cost nothing was asked
 * of nobody; what was answered before it stood there was chosen otherwise.
 */
const ANSWERS_SQL = `SELECT l.job_id AS jobId, GROUP_CONCAT(l.operation) AS operations,
  TIMESTAMPDIFF(SECOND, MIN(l.offered_at), MIN(l.approved_at)) / 60 AS minutes
  FROM work_lines l
  WHERE l.found IS NULL AND l.approved_at > ? AND l.approved_how NOT IN ('', '${NOTHING_TO_PAY}')
  GROUP BY l.job_id HAVING minutes >= 0 ORDER BY l.job_id DESC LIMIT 2000`;

const MEASURED_MS = 15 * MINUTE;
const YEAR_MS = 365 * 24 * 60 * MINUTE;

/** What a shop’s own record says of how long things take. */
export interface MeasuredHere {
  readonly measured: Measured;
  readonly past: readonly PastJob[];
  /** how their customers answered what was planned: by which operations, after how many minutes */
  readonly answered: readonly { readonly operations: readonly string[]; readonly minutes: number }[];
}
const known = new WeakMap<Database['models'], MeasuredHere & { readonly at: number }>();

interface PastRow {
  readonly jobId: number;
  readonly kind: string;
  readonly operation: OperationId;
  readonly minutes: string;
}

/** The newest first. */
const pastJobs = (rows: readonly PastRow[]): PastJob[] =>
  [...grouped(rows.toSorted((a, b) => b.jobId - a.jobId)).values()].map((own) => ({
    kind: own[0]?.kind ?? '',
    minutes: new Map(own.map((r) => [r.operation, Number(r.minutes)])),
  }));

/** What steps, whole jobs and their customers’ answers took here within two years; asked anew every quarter of an hour. */
export async function measuredHere({ models, sequelize }: Database, now: number): Promise<MeasuredHere> {
  const found = known.get(models);
  if (found && now - found.at < MEASURED_MS) return found;
  const since = [new Date(now - 2 * YEAR_MS)];
  const rows = await sequelize.query<{ operation: string; minutes: string }>(TIMES_SQL, {
    type: QueryTypes.SELECT,
    replacements: since,
  });
  const past = await sequelize.query<PastRow>(PAST_SQL, { type: QueryTypes.SELECT, replacements: since });
  const asked = await sequelize.query<{ operations: string; minutes: string }>(ANSWERS_SQL, {
    type: QueryTypes.SELECT,
    replacements: since,
  });
  const own: MeasuredHere = {
    answered: asked.map((r) => ({ operations: r.operations.split(','), minutes: Number(r.minutes) })),
    measured: measuredMinutes(rows.map((r) => ({ operation: r.operation, minutes: Number(r.minutes) }))),
    past: pastJobs(past),
  };
  known.set(models, { at: now, ...own });
  return own;
}
