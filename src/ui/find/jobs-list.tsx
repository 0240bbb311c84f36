'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { useRouter } from 'next/navigation';
import { Suspense, useEffect, useState } from 'react';
import {
  ALL_JOBS,
  JOB_COLUMNS,
  JOB_COLUMN_IDS,
  JOBS_A_PAGE,
  writeJobQuery,
  type JobColumn,
  type JobQuery,
} from '../../core/find/job-query.ts';
import type { ListedJob } from '../../server/find/list-jobs.ts';
import type { LoadedView } from '../../server/find/views.ts';
import { readDraft, saveDraft } from '../data/draft.ts';
import Link from '../kit/link.tsx';
import { PrintButton } from '../kit/print-button.tsx';
import { TextField } from '../kit/text-field.tsx';
import { JobsTable } from './jobs-table.tsx';
import { SavedViews } from './saved-views.tsx';

const JobChoices = lazyPart(() => import('./job-choices.tsx').then((m) => m.JobChoices));

const HIDDEN = 'jobs:hidden';
/** What is left out until somebody says otherwise. */
const USUALLY: readonly JobColumn[] = ['phone', 'serial', 'holder'];

/** The columns left out, remembered on this tablet. */
function useHidden() {
  const [hidden, setHidden] = useState<readonly JobColumn[]>(USUALLY);
  useEffect(() => setHidden(readDraft<readonly JobColumn[]>(HIDDEN) ?? USUALLY), []);
  const keep = (next: readonly JobColumn[]) => {
    saveDraft(HIDDEN, next);
    setHidden(next);
  };
  return [hidden, keep] as const;
}

/** What the list is narrowed to. */
function Narrow({
  query,
  kinds,
  onAsk,
}: {
  readonly query: JobQuery;
  readonly kinds: readonly { readonly id: string; readonly name: string }[];
  readonly onAsk: (query: JobQuery) => void;
}) {
  const [words, setWords] = useState(query.words);
  useEffect(() => setWords(query.words), [query.words]);
  const ask = (more: Partial<JobQuery>) => onAsk({ ...query, words, ...more, page: 1 });
  return (
    <form
      role="search"
      className="no-print flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        ask({});
      }}
    >
      <TextField label="Words, number, serial" className="w-52" value={words} onChange={setWords} />
      <Suspense fallback={<div className="w-[28.75rem]" />}>
        <JobChoices query={query} kinds={kinds} onAsk={ask} />
      </Suspense>
      <TextField
        label="Came from"
        type="date"
        className="w-40"
        value={query.from}
        onChange={(from) => ask({ from })}
      />
      <TextField
        label="Came to"
        type="date"
        className="w-40"
        value={query.to}
        onChange={(to) => ask({ to })}
      />
      <button type="submit" className="button">
        Find them
      </button>
      <Link href="/shelf/jobs" className="button">
        All jobs
      </Link>
    </form>
  );
}

function Columns({
  hidden,
  onHide,
}: {
  readonly hidden: readonly JobColumn[];
  readonly onHide: (hidden: readonly JobColumn[]) => void;
}) {
  return (
    <details className="no-print">
      <summary className="min-h-11 cursor-pointer py-2">Columns</summary>
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="sr-only">Columns that are shown</legend>
        {JOB_COLUMN_IDS.filter((c) => c !== 'number').map((c) => (
          <label key={c} className="flex min-h-11 cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              checked={!hidden.includes(c)}
              onChange={(e) => onHide(e.target.checked ? hidden.filter((h) => h !== c) : [...hidden, c])}
            />
            {JOB_COLUMNS[c].name}
          </label>
        ))}
      </fieldset>
    </details>
  );
}

/** From page to page, and how many there are in all. */
function Pages({ query, count }: { readonly query: JobQuery; readonly count: number }) {
  const last = Math.max(1, Math.ceil(count / JOBS_A_PAGE));
  const to = (page: number, name: string) => (
    <Link href={`/shelf/jobs?${writeJobQuery({ ...query, page })}`} className="button">
      {name}
    </Link>
  );
  return (
    <nav aria-label="Pages" className="no-print flex items-center gap-3">
      {query.page > 1 && to(query.page - 1, 'Before')}
      <span>
        Page {query.page} of {last}, {count === 1 ? 'one job' : `${count} jobs`}
      </span>
      {query.page < last && to(query.page + 1, 'Next')}
    </nav>
  );
}

/** Every job the shop has known: narrowed, ordered, page by page; kept as views, taken out, printed. */
export function JobsList({
  rows,
  count,
  query,
  kinds,
  views,
  mayTake,
}: {
  readonly rows: readonly ListedJob[];
  readonly count: number;
  readonly query: JobQuery;
  readonly kinds: readonly { readonly id: string; readonly name: string }[];
  readonly views: readonly LoadedView[];
  readonly mayTake: boolean;
}) {
  const router = useRouter();
  const [hidden, hide] = useHidden();
  const go = (next: JobQuery) => router.push(`/shelf/jobs?${writeJobQuery(next)}`);
  const file = [writeJobQuery({ ...query, page: 1 }), hidden.length > 0 ? `hidden=${hidden.join()}` : '']
    .filter((p) => p !== '')
    .join('&');
  return (
    <div className="space-y-3 px-5 py-3">
      <Narrow query={query} kinds={kinds} onAsk={go} />
      <div className="flex flex-wrap items-start gap-x-6">
        <Columns hidden={hidden} onHide={hide} />
        <SavedViews
          views={views}
          query={writeJobQuery({ ...query, page: 1 })}
          hidden={hidden}
          onOpen={(view) => {
            hide(view.hidden as JobColumn[]);
            router.push(`/shelf/jobs?${view.query}`);
          }}
        />
        <div className="no-print ml-auto flex gap-2">
          {mayTake && (
            <a href={`/api/find/jobs?${file}`} download className="button">
              As CSV
            </a>
          )}
          <PrintButton low={false} />
        </div>
      </div>
      {rows.length === 0 ? (
        <p className="text-lg">
          {writeJobQuery(query) === writeJobQuery(ALL_JOBS)
            ? 'No job was taken in yet.'
            : 'No job is like that. Leave a word or a day out.'}
        </p>
      ) : (
        <JobsTable rows={rows} query={query} hidden={hidden} />
      )}
      <Pages query={query} count={count} />
    </div>
  );
}
