import { QueryTypes } from 'sequelize';
import { digitsOf, FORGIVEN, meant, SHORTEST, soughtIn, wordsOf } from '../../core/find/words.ts';
import type { Database } from '../db/connection.ts';
import { knownWords } from './known-words.ts';

/** Something the shop knows, as it is found. */
export interface Found {
  readonly kind: 'job' | 'instrument' | 'customer';
  /** the job's number, else the id */
  readonly ref: number;
  readonly title: string;
  readonly says: string;
  /** a job in the house; an instrument that is here as that job */
  readonly open: number | null;
}

/** What was found, and how words were read that stand nowhere as they were typed. */
export interface FoundAll {
  readonly rows: readonly Found[];
  readonly read: readonly { readonly typed: string; readonly as: string }[];
}

const MOST = 12;
const OF_EACH = 8;
/** Of a word that may be several others, so many are sought. */
const MOST_MEANT = 3;

interface Row {
  ref: number;
  a: string;
  b: string;
  c: string;
  open: number | null;
}

const INSTRUMENT = "CONCAT_WS(' ', NULLIF(i.maker, ''), NULLIF(i.model, ''))";
const OPEN_JOB = "(SELECT MAX(o.number) FROM jobs o WHERE o.instrument_id = i.id AND o.state = 'open')";
const JOB_COLUMNS = `j.number AS ref, ${INSTRUMENT} AS a, c.name AS b, LEFT(j.complaint, 120) AS c,
  IF(j.state = 'open', j.number, NULL) AS open
  FROM jobs j JOIN instruments i ON i.id = j.instrument_id JOIN customers c ON c.id = j.customer_id`;
const INSTRUMENT_COLUMNS = `i.id AS ref, ${INSTRUMENT} AS a, i.serial AS b, c.name AS c, ${OPEN_JOB} AS open
  FROM instruments i JOIN customers c ON c.id = i.customer_id`;
const CUSTOMER_COLUMNS = "c.id AS ref, c.name AS a, c.phone AS b, '' AS c, NULL AS open FROM customers c";
const STANDS = 'merged_into IS NULL';

const asJob = (r: Row): Found => ({
  kind: 'job',
  ref: r.ref,
  title: `${r.ref}, ${r.a || 'no name'}`,
  says: [r.b, r.c].filter(Boolean).join(': '),
  open: r.open,
});
const asInstrument = (r: Row): Found => ({
  kind: 'instrument',
  ref: r.ref,
  title: r.a || 'no name',
  says: [r.b, r.c].filter(Boolean).join(', '),
  open: r.open,
});
const asCustomer = (r: Row): Found => ({ kind: 'customer', ref: r.ref, title: r.a, says: r.b, open: null });

type Sought = readonly (readonly string[])[];

/** What the index asks for each word: one of what it may mean, as the begin of a word. */
const against = (words: Sought, must: boolean): string =>
  words.map((ways) => `${must ? '+' : ''}(${ways.map((w) => `${w}*`).join(' ')})`).join(' ');

/** Asks, and gives the rows as what they are. */
async function asked(
  db: Database,
  sql: string,
  replacements: Readonly<Record<string, unknown>>,
  as: (r: Row) => Found,
): Promise<Found[]> {
  const rows = await db.sequelize.query<Row>(sql, {
    type: QueryTypes.SELECT,
    replacements: { ...replacements },
  });
  return rows.map((r) => as({ ...r, ref: Number(r.ref), open: r.open === null ? null : Number(r.open) }));
}

/**
 * Customers by a piece of their telephone number, also with the nought that stands for the country's code: by its begin or its end
 * at once, by what stands within where these are not enough.
 */
async function byTelephone(db: Database, digits: string): Promise<readonly Found[]> {
  const piece = digits.replace(/^0+(?=\d{3})/, '');
  // Which customers is asked of an index that holds all this needs; the rest of their rows only for those.
  const where = (column: string, like: string): Promise<Found[]> =>
    asked(
      db,
      `SELECT ${CUSTOMER_COLUMNS}
       JOIN (SELECT id FROM customers WHERE ${column} LIKE :like AND ${STANDS} LIMIT ${OF_EACH}) only ON only.id = c.id`,
      { like },
      asCustomer,
    );
  const ends = await Promise.all([
    where('phone_digits', `${piece}%`),
    where('phone_turned', `${[...piece].reverse().join('')}%`),
  ]);
  const found = ends.flat();
  return found.length >= OF_EACH ? found : [...found, ...(await where('phone_digits', `_%${piece}_%`))];
}

/** By a job's number, a serial's begin, a telephone number, a place: what is no word of a text. */
async function byMarks(db: Database, text: string): Promise<readonly Found[]> {
  const number = /^\d{1,7}$/.test(text) ? Number(text) : null;
  const digits = digitsOf(text);
  const begin = `${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const lists = await Promise.all([
    number === null ? [] : asked(db, `SELECT ${JOB_COLUMNS} WHERE j.number = :number`, { number }, asJob),
    text.length < SHORTEST
      ? []
      : asked(
          db,
          `SELECT ${INSTRUMENT_COLUMNS} WHERE i.serial LIKE :begin AND i.${STANDS} ORDER BY i.id DESC LIMIT ${OF_EACH}`,
          { begin },
          asInstrument,
        ),
    digits === null ? [] : byTelephone(db, digits),
    asked(
      db,
      `SELECT ${JOB_COLUMNS} JOIN places p ON p.id = j.place_id
       WHERE j.state = 'open' AND p.name LIKE :begin ORDER BY p.sort, j.number LIMIT ${OF_EACH}`,
      { begin },
      asJob,
    ),
  ]);
  return lists.flat();
}

/** By words: customers, instruments, both together, and what was said and found. */
async function byWords(db: Database, words: Sought): Promise<readonly Found[]> {
  if (words.length === 0) return [];
  const [all, any] = [against(words, true), against(words, false)];
  const match = (columns: string, how = ':all'): string =>
    `MATCH(${columns}) AGAINST (${how} IN BOOLEAN MODE)`;
  const names = 'i.maker, i.model, i.serial';
  const both =
    words.length < 2
      ? []
      : asked(
          db,
          `SELECT ${INSTRUMENT_COLUMNS} WHERE ${match('c.name', ':any')} AND ${match(names, ':any')} AND i.${STANDS} LIMIT 200`,
          { any },
          asInstrument,
        );
  const [customers, instruments, together, said, found] = await Promise.all([
    asked(
      db,
      `SELECT ${CUSTOMER_COLUMNS} WHERE ${match('c.name')} AND c.${STANDS} AND c.erased_at IS NULL LIMIT ${OF_EACH}`,
      { all },
      asCustomer,
    ),
    asked(
      db,
      `SELECT ${INSTRUMENT_COLUMNS} WHERE ${match(names)} AND i.${STANDS} LIMIT ${OF_EACH}`,
      { all },
      asInstrument,
    ),
    both,
    asked(db, `SELECT ${JOB_COLUMNS} WHERE ${match('j.complaint')} LIMIT ${OF_EACH}`, { all }, asJob),
    asked(
      db,
      `SELECT ${JOB_COLUMNS} JOIN inspections n ON n.job_id = j.id JOIN inspection_answers a ON a.inspection_id = n.id
       WHERE ${match('a.note')} LIMIT ${OF_EACH}`,
      { all },
      asJob,
    ),
  ]);
  const whole = (f: Found): boolean => {
    const has = wordsOf(`${f.title} ${f.says}`);
    return words.every((ways) => ways.some((w) => has.some((h) => h.startsWith(w))));
  };
  return [...customers, ...instruments, ...together.filter(whole), ...said, ...found];
}

/** The same thing found twice stands once, where it came first. */
const once = (rows: readonly Found[]): readonly Found[] =>
  rows.filter((r, i) => rows.findIndex((x) => x.kind === r.kind && x.ref === r.ref) === i).slice(0, MOST);

/**
 * Finds anything the shop knows by a piece of text: a job's number, also closed, a serial, maker, model, customer, telephone, place,
 * words of what was said or found. Where words stand nowhere as they are typed, those are sought that differ by a letter.
 */
export async function findAnything(db: Database, typed: string): Promise<FoundAll> {
  const text = typed.trim().slice(0, 120);
  const words = soughtIn(text);
  if (text === '') return { rows: [], read: [] };
  const exact = once(
    (
      await Promise.all([
        byMarks(db, text),
        byWords(
          db,
          words.map((w) => [w]),
        ),
      ])
    ).flat(),
  );
  if (exact.length > 0 || !words.some((w) => w.length >= FORGIVEN)) return { rows: exact, read: [] };
  const known = await knownWords(db);
  const read: { typed: string; as: string }[] = [];
  const sought = words.map((w): readonly string[] => {
    if (known.has(w)) return [w];
    const ways = meant(w, known).slice(0, MOST_MEANT);
    for (const as of ways) read.push({ typed: w, as });
    return ways.length > 0 ? ways : [w];
  });
  if (read.length === 0) return { rows: [], read: [] };
  const rows = once(await byWords(db, sought));
  return { rows, read: rows.length > 0 ? read : [] };
}
