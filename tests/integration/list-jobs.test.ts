import { randomUUID } from 'node:crypto';
import {
  ALL_JOBS,
  JOB_COLUMN_IDS,
  JOB_COLUMNS,
  JOBS_A_PAGE,
  type JobQuery,
  type JobSort,
} from '../../src/core/find/job-query.ts';
import { jobsCsv } from '../../src/server/find/jobs-csv.ts';
import { listJobs } from '../../src/server/find/list-jobs.ts';
import { loadViews } from '../../src/server/find/views.ts';
import { intake, staffedHouse, value } from './house.ts';

const KINDS = ['bass', 'ukulele', 'steel-acoustic'] as const;
const NAMES = ['Petra Aldous', 'Henrik Tärn', 'Saskia Dunmore', 'Leif Arbury'];
const SAID = ['The open string rattles.', 'Feels stiff.', 'Crackles at the socket.'];
const DAY = 86_400_000;
const COUNT = 57;

interface Plain {
  readonly number: number;
  readonly kind: string;
  readonly customer: string;
  readonly complaint: string;
  readonly closed: boolean;
  readonly taken: number;
}

let house: Awaited<ReturnType<typeof staffedHouse>>;
const all: Plain[] = [];
beforeAll(async () => {
  house = await staffedHouse('list_jobs');
  for (let i = 0; i < COUNT; i++) {
    const kind = KINDS[i % 3] ?? 'bass';
    const usual = intake(kind, { cameWith: [] });
    const [name, complaint] = [NAMES[i % 4] ?? '', SAID[(i * 7) % 3] ?? ''];
    const { number, jobId } = value(
      await house.give(house.desk, 'desk.take-in', {
        ...usual,
        customer: { name, phone: '', email: '' },
        instrument: { ...usual.instrument, model: `Model ${i % 5}`, serial: `S-${i}` },
        complaint,
      }),
    );
    const taken = Date.UTC(2026, 0, 1, 12) + i * DAY;
    const closed = i % 2 === 0;
    await house.db.models.Job.update(
      { takenInAt: new Date(taken), ...(closed && { state: 'closed', closedAt: new Date(taken + DAY) }) },
      { where: { id: jobId } },
    );
    all.push({ number, kind, customer: name, complaint, closed, taken });
  }
});
afterAll(() => house.db.sequelize.close());

const list = (more: Partial<JobQuery>, most: number | null = 1000) =>
  listJobs(house.db, { ...ALL_JOBS, ...more }, most);
const numbers = async (more: Partial<JobQuery>): Promise<number[]> =>
  (await list(more)).rows.map((r) => r.number).sort((a, b) => a - b);
const expected = (keep: (p: Plain) => boolean): number[] =>
  all
    .filter(keep)
    .map((p) => p.number)
    .sort((a, b) => a - b);

test('narrowed by state, kind, days and words together it holds just those jobs', async () => {
  expect(await numbers({})).toEqual(expected(() => true));
  expect(await numbers({ state: 'open' })).toEqual(expected((p) => !p.closed));
  expect(await numbers({ kind: 'bass' })).toEqual(expected((p) => p.kind === 'bass'));
  const from = Date.UTC(2026, 0, 10);
  const to = Date.UTC(2026, 0, 20);
  expect(await numbers({ from: '2026-01-10', to: '2026-01-19' })).toEqual(
    expected((p) => p.taken >= from && p.taken < to),
  );
  expect(await numbers({ words: 'rattles petra' })).toEqual(
    expected((p) => p.customer === 'Petra Aldous' && p.complaint.includes('rattles')),
  );
  expect(await numbers({ words: 'tarn', state: 'open', kind: 'ukulele' })).toEqual(
    expected((p) => p.customer === 'Henrik Tärn' && !p.closed && p.kind === 'ukulele'),
  );
  expect((await list({ words: 'nobody' })).count).toBe(0);
});

test('every column that orders does, both ways, and pages hold each job once', async () => {
  for (const sort of JOB_COLUMN_IDS.filter((c): c is JobSort => JOB_COLUMNS[c].sorts)) {
    const up = (await list({ sort, down: false })).rows.map((r) => r.number);
    const down = (await list({ sort, down: true })).rows.map((r) => r.number);
    expect([...up].reverse()).toEqual(down);
  }
  const pages = [await list({ page: 1 }, null), await list({ page: 2 }, null), await list({ page: 3 }, null)];
  expect(pages.map((p) => p.rows.length)).toEqual([JOBS_A_PAGE, COUNT - JOBS_A_PAGE, 0]);
  expect(new Set(pages.flatMap((p) => p.rows.map((r) => r.number))).size).toBe(COUNT);
  expect(pages[0]?.count).toBe(COUNT);
});

test('a file holds all that are narrowed to, with the columns that are shown, and no formula', async () => {
  const file = await jobsCsv(house.db, { ...ALL_JOBS, kind: 'bass' }, ['phone', 'complaint']);
  const [head, ...rows] = file.trim().split('\r\n');
  expect(head).toBe('Job,Instrument,Kind,Serial,Customer,Came,Closed,How it stands,Place,With');
  expect(rows).toHaveLength(expected((p) => p.kind === 'bass').length);
});

test('views are one’s own: kept, replaced by their name, dropped, and seen by nobody else', async () => {
  const { give, owner, desk, db } = house;
  const keep = (query: string) =>
    give(owner, 'shelf.keep-view', { name: 'Basses', query, hidden: ['phone'] }, randomUUID());
  await keep('kind=bass&nonsense=1&page=3');
  expect(await loadViews(db, owner.personId)).toMatchObject([
    { name: 'Basses', query: 'kind=bass', hidden: ['phone'] },
  ]);
  await keep('kind=bass&state=open');
  const [view] = await loadViews(db, owner.personId);
  expect(view?.query).toBe('state=open&kind=bass');
  expect(await loadViews(db, desk.personId)).toEqual([]);
  const viewId = view?.id ?? 0;
  expect(await give(desk, 'shelf.drop-view', { viewId }, randomUUID())).toMatchObject({
    error: { code: 'not-found' },
  });
  value(await give(owner, 'shelf.drop-view', { viewId }, randomUUID()));
  expect(await loadViews(db, owner.personId)).toEqual([]);
});
