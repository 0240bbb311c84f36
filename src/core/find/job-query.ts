import { isDay } from '../days/zone.ts';

/** What a list of jobs is narrowed to, ordered by, and which page of it is shown. */
export interface JobQuery {
  readonly words: string;
  readonly state: JobState;
  /** a kind's id; empty: every kind */
  readonly kind: string;
  /** days they were taken in from and to, yyyy-mm-dd; empty: whenever */
  readonly from: string;
  readonly to: string;
  readonly sort: JobSort;
  readonly down: boolean;
  /** from 1 */
  readonly page: number;
}

export const JOB_STATES = {
  all: 'all',
  open: 'in the house',
  signed: 'signed',
  ended: 'ended without a signature',
} as const;
export type JobState = keyof typeof JOB_STATES;

/** The columns of the list, and which of them it can be ordered by. */
export const JOB_COLUMNS = {
  number: { name: 'Job', sorts: true },
  instrument: { name: 'Instrument', sorts: true },
  kind: { name: 'Kind', sorts: true },
  serial: { name: 'Serial', sorts: true },
  customer: { name: 'Customer', sorts: true },
  phone: { name: 'Telephone', sorts: false },
  taken: { name: 'Came', sorts: true },
  closed: { name: 'Closed', sorts: true },
  state: { name: 'How it stands', sorts: false },
  place: { name: 'Place', sorts: true },
  holder: { name: 'With', sorts: true },
  complaint: { name: 'In their words', sorts: false },
} as const;
export type JobColumn = keyof typeof JOB_COLUMNS;
export const JOB_COLUMN_IDS = Object.keys(JOB_COLUMNS) as JobColumn[];
export type JobSort = {
  [C in JobColumn]: (typeof JOB_COLUMNS)[C]['sorts'] extends true ? C : never;
}[JobColumn];

/** Rows of a page. */
export const JOBS_A_PAGE = 50;
/** What a file or a print holds at most. */
export const MOST_JOBS = 10_000;

export const ALL_JOBS: JobQuery = {
  words: '',
  state: 'all',
  kind: '',
  from: '',
  to: '',
  sort: 'number',
  down: true,
  page: 1,
};

const LONGEST = 120;

/** Reads a query out of an address; what makes no sense is as if it were not there. */
export function readJobQuery(params: Readonly<Record<string, string | undefined>>): JobQuery {
  const { q = '', state = '', kind = '', from = '', to = '', sort = '', page = '' } = params;
  const column = Object.hasOwn(JOB_COLUMNS, sort) && JOB_COLUMNS[sort as JobColumn].sorts;
  const n = Number(page);
  return {
    words: q.slice(0, LONGEST),
    state: Object.hasOwn(JOB_STATES, state) ? (state as JobState) : 'all',
    kind: /^[a-z0-9-]{1,40}$/.test(kind) ? kind : '',
    from: isDay(from) ? from : '',
    to: isDay(to) ? to : '',
    sort: column ? (sort as JobSort) : 'number',
    down: params['down'] === undefined ? !column : params['down'] !== 'no',
    page: Number.isInteger(n) && n > 0 && n < 100_000 ? n : 1,
  };
}

/** A query as the end of an address: what is as usual is left out. */
export function writeJobQuery(query: JobQuery): string {
  const { words, sort, down, page, ...rest } = query;
  const narrowed = Object.entries(rest).filter(([, value]) => value !== '' && value !== 'all');
  const params: readonly (readonly [string, string])[] = [
    ...(words === '' ? [] : [['q', words] as const]),
    ...narrowed,
    ...(sort === 'number' ? [] : [['sort', sort] as const]),
    ...(down === (sort === 'number') ? [] : [['down', down ? 'yes' : 'no'] as const]),
    ...(page > 1 ? [['page', String(page)] as const] : []),
  ];
  return params.map(([key, value]) => `${key}=${encodeURIComponent(value)}`).join('&');
}

/** The query ordered by a column: the other way round where it is ordered by it already. Begins with its first page. */
export const orderedBy = (query: JobQuery, sort: JobSort): JobQuery => ({
  ...query,
  sort,
  down: query.sort === sort ? !query.down : sort === 'number' || sort === 'taken' || sort === 'closed',
  page: 1,
});
