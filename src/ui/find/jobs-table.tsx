'use client';

import { columnVisibilityFeature, createColumnHelper, tableFeatures, useTable } from '@tanstack/react-table';
import { useState } from 'react';
import {
  JOB_COLUMNS,
  JOB_COLUMN_IDS,
  orderedBy,
  writeJobQuery,
  type JobColumn,
  type JobQuery,
  type JobSort,
} from '../../core/find/job-query.ts';
import type { ListedJob } from '../../server/find/list-jobs.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

const features = tableFeatures({ columnVisibilityFeature });
const helper = createColumnHelper<typeof features, ListedJob>();

/** What stands in a column of a job. */
function Cell({ job, column }: { readonly job: ListedJob; readonly column: JobColumn }) {
  switch (column) {
    case 'number':
      return (
        <Link
          className="inline-flex min-h-11 items-center underline"
          href={`/job/${job.number}/${job.open ? 'arrival' : 'hand-over'}`}
        >
          {job.number}
        </Link>
      );
    case 'instrument':
      return (
        <Link className="inline-flex min-h-11 items-center underline" href={`/shelf/${job.instrumentId}`}>
          {job.instrument || 'no name'}
        </Link>
      );
    case 'customer':
      return (
        <Link
          className="inline-flex min-h-11 items-center text-ink underline"
          href={`/shelf/customer/${job.customerId}`}
        >
          {job.customer}
        </Link>
      );
    case 'taken':
      return <span className="whitespace-nowrap">{sayDate(dayOf(job.taken))}</span>;
    case 'closed':
      return (
        <span className="whitespace-nowrap">{job.closed === null ? '' : sayDate(dayOf(job.closed))}</span>
      );
    case 'complaint':
      return <span className="line-clamp-2 max-w-96 text-ink">{job.complaint}</span>;
    default:
      return job[column];
  }
}

const columns = helper.columns(
  JOB_COLUMN_IDS.map((id) =>
    helper.accessor((job) => job[id] ?? '', {
      id,
      header: JOB_COLUMNS[id].name,
      cell: ({ row }) => <Cell job={row.original} column={id} />,
    }),
  ),
);

/** The head of a column: orders the list by it, and turns it round. */
function Head({ id, query }: { readonly id: JobColumn; readonly query: JobQuery }) {
  const { name, sorts } = JOB_COLUMNS[id];
  const here = query.sort === id;
  if (!sorts) return name;
  return (
    <Link
      href={`/shelf/jobs?${writeJobQuery(orderedBy(query, id as JobSort))}`}
      className="inline-flex min-h-11 items-center gap-1 underline"
    >
      {name}
      {here && <span aria-hidden>{query.down ? '↓' : '↑'}</span>}
    </Link>
  );
}

const ariaSort = (id: JobColumn, query: JobQuery) =>
  query.sort !== id ? undefined : query.down ? ('descending' as const) : ('ascending' as const);

/** The list of jobs: columns that can be left out, ordered by their heads. */
export function JobsTable({
  rows,
  query,
  hidden,
}: {
  readonly rows: readonly ListedJob[];
  readonly query: JobQuery;
  readonly hidden: readonly JobColumn[];
}) {
  const data = rows as ListedJob[];
  const columnVisibility = Object.fromEntries(hidden.map((c) => [c, false]));
  const [held] = useState(() => ({ features, columns }));
  const table = useTable({ ...held, data, state: { columnVisibility } });
  return (
    <div className="overflow-x-auto" role="region" aria-label="Jobs" tabIndex={0}>
      <table className="w-full text-left text-sm">
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="border-b-2 border-plain">
              {group.headers
                .filter((h) => h.column.getIsVisible())
                .map((h) => (
                  <th
                    key={h.id}
                    scope="col"
                    aria-sort={ariaSort(h.column.id as JobColumn, query)}
                    className="pr-4 font-serif whitespace-nowrap"
                  >
                    <Head id={h.column.id as JobColumn} query={query} />
                  </th>
                ))}
            </tr>
          ))}
        </thead>
        <tbody>
          {table.getRowModel().rows.map((row) => (
            <tr key={row.id} className="border-b border-line hover:bg-shade">
              {row.getVisibleCells().map((cell) => (
                <td key={cell.id} className="max-w-72 pr-4 align-middle wrap-anywhere">
                  <table.FlexRender cell={cell} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
