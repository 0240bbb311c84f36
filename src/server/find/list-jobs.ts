import { QueryTypes } from 'sequelize';
import { addDays, startOfDay, type Day } from '../../core/days/zone.ts';
import { JOBS_A_PAGE, type JobQuery, type JobSort } from '../../core/find/job-query.ts';
import { soughtIn } from '../../core/find/words.ts';
import { ENDS, type End } from '../../core/hand-over/ends.ts';
import type { Database } from '../db/connection.ts';
import { kindNames } from '../house/kinds.ts';
import { loadShop } from '../house/load-shop.ts';

/** A job as a row of the list. */
export interface ListedJob {
  readonly number: number;
  readonly instrumentId: number;
  readonly instrument: string;
  readonly kind: string;
  readonly serial: string;
  readonly customerId: number;
  readonly customer: string;
  readonly phone: string;
  readonly taken: string;
  readonly closed: string | null;
  readonly open: boolean;
  readonly state: string;
  readonly place: string;
  readonly holder: string;
  readonly complaint: string;
}

interface Row extends Omit<ListedJob, 'taken' | 'closed' | 'open' | 'state'> {
  readonly taken: Date | string;
  readonly closed: Date | string | null;
  readonly state: 'open' | 'closed';
  readonly ending: End | null;
  readonly digest: string | null;
}

const COLUMNS = `j.number, i.id AS instrumentId, TRIM(CONCAT(i.maker, ' ', i.model)) AS instrument, i.kind, i.serial, c.id AS customerId,
  c.name AS customer, c.phone, j.taken_in_at AS taken, j.closed_at AS closed, j.state, h.ending, h.digest,
  COALESCE(p.name, '') AS place, COALESCE(s.name, '') AS holder, j.complaint`;
/** What a narrowed or ordered list is joined with, by what it asks. */
const JOINS = {
  instrument: 'JOIN instruments i ON i.id = j.instrument_id',
  customer: 'JOIN customers c ON c.id = j.customer_id',
  handOver: 'LEFT JOIN hand_overs h ON h.job_id = j.id',
  place: "LEFT JOIN places p ON p.id = j.place_id AND j.state = 'open'",
  holder: 'LEFT JOIN people s ON s.id = j.holder_id',
} as const;
type Joined = keyof typeof JOINS;

const SORT_JOINS: Readonly<Partial<Record<JobSort, Joined>>> = {
  instrument: 'instrument',
  kind: 'instrument',
  serial: 'instrument',
  customer: 'customer',
  place: 'place',
  holder: 'holder',
};

const ORDER: Readonly<Record<JobSort, string>> = {
  number: 'j.number',
  instrument: "CONCAT(i.maker, ' ', i.model)",
  kind: 'i.kind',
  serial: 'i.serial',
  customer: 'c.name',
  taken: 'j.taken_in_at',
  closed: 'j.closed_at',
  place: 'p.name',
  holder: 's.name',
};

const STATE: Readonly<Record<JobQuery['state'], string | null>> = {
  all: null,
  open: "j.state = 'open'",
  signed: "j.state = 'closed' AND h.signed_at IS NOT NULL",
  ended: "j.state = 'closed' AND h.ended_at IS NOT NULL",
};

/** The jobs one word stands at, found once: its number, a serial's begin, its instrument, its customer, what was said or found. */
const wordAt = (k: number): string => `JOIN (
  SELECT id FROM jobs WHERE number = :n${k}
  UNION SELECT x.id FROM instruments y JOIN jobs x ON x.instrument_id = y.id WHERE y.serial LIKE :b${k}
  UNION SELECT id FROM jobs WHERE MATCH(complaint) AGAINST (:w${k} IN BOOLEAN MODE)
  UNION SELECT n.job_id FROM inspection_answers a JOIN inspections n ON n.id = a.inspection_id WHERE MATCH(a.note) AGAINST (:w${k} IN BOOLEAN MODE)
  UNION SELECT x.id FROM instruments y JOIN jobs x ON x.instrument_id = y.id WHERE MATCH(y.maker, y.model, y.serial) AGAINST (:w${k} IN BOOLEAN MODE)
  UNION SELECT x.id FROM customers z JOIN jobs x ON x.customer_id = z.id WHERE MATCH(z.name) AGAINST (:w${k} IN BOOLEAN MODE)) w${k} ON w${k}.id = j.id`;

/** What narrows the list, as SQL with what stands in it. */
function narrowedBy(query: JobQuery, zone: string) {
  const words = soughtIn(query.words);
  const where = [
    STATE[query.state],
    query.kind === '' ? null : 'i.kind = :kind',
    query.from === '' ? null : 'j.taken_in_at >= :from',
    query.to === '' ? null : 'j.taken_in_at < :to',
  ].filter((w) => w !== null);
  const replacements: Record<string, unknown> = {
    kind: query.kind,
    ...(query.from !== '' && { from: new Date(startOfDay(query.from as Day, zone)) }),
    ...(query.to !== '' && { to: new Date(startOfDay(addDays(query.to as Day, 1), zone)) }),
  };
  for (const [k, w] of words.entries()) {
    replacements[`w${k}`] = `+${w}*`;
    replacements[`b${k}`] = `${w}%`;
    replacements[`n${k}`] = /^\d{1,7}$/.test(w) ? Number(w) : 0;
  }
  const joins: Joined[] = [
    ...(query.kind === '' ? [] : (['instrument'] as const)),
    ...(query.state === 'signed' || query.state === 'ended' ? (['handOver'] as const) : []),
  ];
  return {
    found: words.map((_, k) => wordAt(k)).join(' '),
    joins,
    where: where.length === 0 ? '' : `WHERE ${where.join(' AND ')}`,
    replacements,
  };
}

const moment = (at: Date | string): string => new Date(at).toISOString();

function asListed(r: Row, kinds: Readonly<Record<string, string>>): ListedJob {
  const { ending, digest, state, taken, closed, ...rest } = r;
  const ended = ending === null ? 'closed' : ENDS[ending].name.toLowerCase();
  return {
    ...rest,
    kind: kinds[r.kind] ?? r.kind,
    taken: moment(taken),
    closed: closed === null ? null : moment(closed),
    open: state === 'open',
    state: state === 'open' ? 'in the house' : digest === null ? ended : 'signed',
  };
}

/**
 * Jobs by a query: one page of them, or as many as are asked for, and how many there are.
 * @param most how many at most; absent: a page
 */
export async function listJobs(
  db: Pick<Database, 'models' | 'sequelize'>,
  query: JobQuery,
  most: number | null = null,
): Promise<{ readonly rows: readonly ListedJob[]; readonly count: number }> {
  const { zone } = await loadShop(db);
  const { found, joins, where, replacements } = narrowedBy(query, zone);
  const way = query.down ? 'DESC' : 'ASC';
  const offset = most === null ? (query.page - 1) * JOBS_A_PAGE : 0;
  const sortJoin = SORT_JOINS[query.sort];
  const from = (names: readonly Joined[]): string =>
    `FROM jobs j ${found} ${[...new Set(names)].map((n) => JOINS[n]).join(' ')} ${where}`;
  // Which jobs stand on the page is asked of what the order needs alone; the rest of their rows only for those.
  const page = `SELECT j.id ${from(sortJoin ? [...joins, sortJoin] : joins)}
    ORDER BY ${ORDER[query.sort]} ${way}, j.number ${way} LIMIT :limit OFFSET :offset`;
  const [rows, counted, kinds] = await Promise.all([
    db.sequelize.query<Row>(
      `SELECT ${COLUMNS} FROM (${page}) only JOIN jobs j ON j.id = only.id ${Object.values(JOINS).join(' ')}
       ORDER BY ${ORDER[query.sort]} ${way}, j.number ${way}`,
      { type: QueryTypes.SELECT, replacements: { ...replacements, limit: most ?? JOBS_A_PAGE, offset } },
    ),
    db.sequelize.query<{ n: string }>(`SELECT COUNT(*) AS n ${from(joins)}`, {
      type: QueryTypes.SELECT,
      replacements,
    }),
    kindNames(db),
  ]);
  return { rows: rows.map((r) => asListed(r, kinds)), count: Number(counted[0]?.n ?? 0) };
}
