import type { Database } from '../../src/server/db/connection.ts';
import { readJobQuery } from '../../src/core/find/job-query.ts';
import { findAnything } from '../../src/server/find/find-anything.ts';
import { listJobs } from '../../src/server/find/list-jobs.ts';
import { actorFor } from '../../src/server/people/who.ts';
import { loadLife } from '../../src/server/shelf/load-life.ts';
import { ask } from './ask.ts';
import { giveBare, statementsOf } from './bare-statements.ts';
import type { MeasuredHouse } from './house-rows.ts';
import { median, rowOf, type Row } from './row.ts';
import { times } from './times.ts';

/** What is typed: a number, a serial's begin, a maker, a customer with a model, a word of a complaint, a name wrong by a letter. */
const TYPED = [
  ['number', '412'],
  ['serial', 'KL-01'],
  ['maker', 'orlan'],
  ['telephone', '55 12 34'],
  ['together', 'saskia lantern'],
  ['word', 'rattles'],
  ['wrong-letter', 'kestrew'],
] as const;

/** The instrument that has been here for years. */
async function oldest({ models }: Database): Promise<number> {
  const found = await models.Instrument.findOne({ where: { serial: 'KL-0107' }, rejectOnEmpty: true });
  return found.id;
}

/** How a list of all jobs is looked at. */
const LISTED = [
  ['first-page', {}],
  ['words', { q: 'rattles' }],
  ['by-maker', { sort: '-instrument' }],
  ['open', { state: 'open' }],
] as const;

/** One page of every job, each beside its bare statements. */
async function listRows(db: Database, jobs: number): Promise<Row[]> {
  const rows: Row[] = [];
  for (const [name, params] of LISTED) {
    const query = readJobQuery(params);
    const given = await statementsOf(db, () => listJobs(db, query));
    rows.push(
      rowOf(
        `every-job-${name}.${jobs}-jobs`,
        median(2, 120),
        `its ${given.length} statements`,
        await times(giveBare(db, given)),
        await times(() => listJobs(db, query)),
      ),
    );
  }
  return rows;
}

/** What one search from anywhere and an instrument's page take in a house of so many jobs, each beside its bare statements. */
export async function shelfRows({ db, base, cookies }: MeasuredHouse, jobs: number): Promise<Row[]> {
  const page = (path: string) => async () => {
    const answer = await ask(base + path, { headers: { cookie: cookies } });
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
    await answer.text();
  };
  const empty = page('/api/health/live');
  const who = () => actorFor(db, 'no such session', 'no such device', new Date());
  const rows: Row[] = [];
  for (const [name, text] of TYPED) {
    // The words of the book are read once a minute: what is measured is a search after that.
    await findAnything(db, text);
    const given = await statementsOf(db, async () => {
      await who();
      await findAnything(db, text);
    });
    rows.push(
      rowOf(
        `find-${name}.${jobs}-jobs`,
        median(2, 50),
        `its ${given.length} statements and an empty answer`,
        await times(async () => {
          await giveBare(db, given)();
          await empty();
        }),
        await times(page(`/api/find/anything?q=${encodeURIComponent(text)}`)),
      ),
    );
  }
  const id = await oldest(db);
  const given = await statementsOf(db, async () => {
    await who();
    await loadLife(db, id, new Date());
  });
  rows.push(
    rowOf(
      `instrument-page.${jobs}-jobs`,
      median(2, 60),
      `its ${given.length} statements`,
      await times(giveBare(db, given)),
      await times(() => loadLife(db, id, new Date())),
    ),
  );
  rows.push(...(await listRows(db, jobs)));
  return rows;
}
