import { seeded } from '../seeded.ts';
import {
  ALL_JOBS,
  JOB_COLUMN_IDS,
  JOB_COLUMNS,
  JOB_STATES,
  orderedBy,
  readJobQuery,
  writeJobQuery,
  type JobQuery,
  type JobSort,
  type JobState,
} from './job-query.ts';

const SORTS = JOB_COLUMN_IDS.filter((c): c is JobSort => JOB_COLUMNS[c].sorts);
const read = (text: string) => readJobQuery(Object.fromEntries(new URLSearchParams(text)));

test('whatever is written into an address is read back to the same', () => {
  const random = seeded(4);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
  for (let i = 0; i < 500; i++) {
    const query: JobQuery = {
      words: pick(['', 'buzz', 'ärger & more=1', 'two words']),
      state: pick(Object.keys(JOB_STATES) as JobState[]),
      kind: pick(['', 'ukulele', 'own-x']),
      from: pick(['', '2026-01-31']),
      to: pick(['', '2026-12-01']),
      sort: pick(SORTS),
      down: random() < 0.5,
      page: 1 + Math.floor(random() * 40),
    };
    expect(read(writeJobQuery(query))).toEqual(query);
  }
  expect(writeJobQuery(ALL_JOBS)).toBe('');
});

test('what makes no sense in an address is as if it were not there', () => {
  expect(
    readJobQuery({
      state: 'lost',
      kind: "x' OR 1",
      from: '2026-13-45',
      to: 'soon',
      sort: 'phone',
      page: '-3',
    }),
  ).toEqual(ALL_JOBS);
  expect(readJobQuery({ page: '1e9' }).page).toBe(1);
});

test('ordered by a column twice it turns round, and begins with its first page', () => {
  const once = orderedBy({ ...ALL_JOBS, page: 7 }, 'customer');
  expect(once).toMatchObject({ sort: 'customer', down: false, page: 1 });
  expect(orderedBy(once, 'customer').down).toBe(true);
});
