import type { Database } from '../../src/server/db/connection.ts';
import { findAnything } from '../../src/server/find/find-anything.ts';
import { actorFor } from '../../src/server/people/who.ts';
import { loadLife } from '../../src/server/shelf/load-life.ts';
import { giveBare, statementsOf } from './bare-statements.ts';
import type { MeasuredHouse } from './house-rows.ts';
import { median, rowOf, type Row } from './row.ts';
import { times } from './times.ts';

/** What is typed: a number, a serial's begin, a maker, a customer with a model, a word of a complaint, a name wrong by a letter. */
const TYPED = [
  ['number', '412'],
  ['serial', 'KL-01'],
  ['maker', 'orlan'],
  ['together', 'saskia lantern'],
  ['word', 'rattles'],
  ['wrong-letter', 'kestrew'],
] as const;

/** The instrument that has been here for years. */
async function oldest({ models }: Database): Promise<number> {
  const found = await models.Instrument.findOne({ where: { serial: 'KL-0107' }, rejectOnEmpty: true });
  return found.id;
}

/** What one search from anywhere and an instrument's page take in a house of so many jobs, each beside its bare statements. */
export async function shelfRows({ db, base, cookies }: MeasuredHouse, jobs: number): Promise<Row[]> {
  const page = (path: string) => async () => {
    const answer = await fetch(base + path, { headers: { cookie: cookies } });
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
    await answer.text();
  };
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
        `its ${given.length} statements`,
        await times(giveBare(db, given)),
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
  return rows;
}
