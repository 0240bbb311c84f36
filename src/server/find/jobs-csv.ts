import {
  JOB_COLUMNS,
  JOB_COLUMN_IDS,
  MOST_JOBS,
  type JobColumn,
  type JobQuery,
} from '../../core/find/job-query.ts';
import { csv } from '../../contracts/formats/customers.ts';
import type { Database } from '../db/connection.ts';
import { listJobs, type ListedJob } from './list-jobs.ts';

const cell = (j: ListedJob, column: JobColumn): string => {
  const value = j[column];
  if (value === null) return '';
  return column === 'taken' || column === 'closed' ? String(value).slice(0, 10) : String(value);
};

/** The jobs of a query as CSV (RFC 4180), with the columns that are shown. */
export async function jobsCsv(db: Database, query: JobQuery, hidden: readonly string[]): Promise<string> {
  const { rows } = await listJobs(db, query, MOST_JOBS);
  const columns = JOB_COLUMN_IDS.filter((c) => !hidden.includes(c));
  return csv(
    columns.map((c) => JOB_COLUMNS[c].name),
    rows.map((j) => columns.map((c) => cell(j, c))),
  );
}
