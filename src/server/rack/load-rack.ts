import { dayIn } from '../../core/days/zone.ts';
import { loadShop } from '../house/load-shop.ts';
import type { JobFacts } from '../../core/job/leaves.ts';
import type { Wait } from '../../core/job/waiting.ts';
import { kindNames } from '../house/kinds.ts';
import type { Database } from '../db/connection.ts';
import { give } from '../db/give.ts';
import { sharedLoad } from '../db/shared-load.ts';
import { countDue } from '../jobs/job-facts.ts';
import { houseLog } from '../keep/log.ts';

/** One tag on the rack. */
export interface RackTag {
  readonly jobId: number;
  readonly number: number;
  readonly version: number;
  readonly kind: string;
  readonly kindName: string;
  readonly maker: string;
  readonly model: string;
  readonly customer: string;
  readonly neededBy: string | null;
  readonly hardDate: boolean;
  readonly waitingFor: Wait;
  readonly waitingNote: string;
  readonly waitingUntil: string | null;
  readonly place: string | null;
  readonly placeId: number | null;
  readonly holder: string | null;
  readonly holderId: number | null;
  readonly facts: JobFacts;
  /** when the plan has it ready (ISO), and the chance to be in time; null where it has not looked yet, or nothing is to do */
  readonly readyAt: string | null;
  readonly chance: number | null;
}

type Row = Omit<RackTag, 'facts' | 'hardDate' | 'waitingUntil' | 'kindName' | 'readyAt' | 'chance'> & {
  readyAt: Date | null;
  chance: string | null;
  facts: JobFacts | string;
  hardDate: number;
  waitingUntil: Date | null;
  /** whether its counts wait to be counted */
  due: number;
};

/** From the open jobs outward, which are few: from a customer's side all they ever brought would be gone through. */
export const RACK_SQL = `SELECT STRAIGHT_JOIN j.id AS jobId, j.number, j.version, i.kind, i.maker, i.model, c.name AS customer,
  DATE_FORMAT(j.needed_by, '%Y-%m-%d') AS neededBy, j.hard_date AS hardDate, j.waiting_for AS waitingFor, j.waiting_note AS waitingNote,
  j.waiting_until AS waitingUntil, p.name AS place, j.place_id AS placeId, h.name AS holder, j.holder_id AS holderId, j.facts,
  d.ready_at AS readyAt, d.chance,
  j.counted < j.changes AS due
  FROM jobs j JOIN instruments i ON i.id = j.instrument_id JOIN customers c ON c.id = j.customer_id
  LEFT JOIN places p ON p.id = j.place_id LEFT JOIN people h ON h.id = j.holder_id
  LEFT JOIN job_dates d ON d.job_id = j.id
  WHERE j.state = 'open' ORDER BY j.needed_by IS NULL, j.needed_by, j.number`;

/** What rested and has rested enough is ready for hands, whoever sees it first. */
const afterRest = (r: Pick<Row, 'waitingFor' | 'waitingUntil' | 'waitingNote'>, now: Date) =>
  r.waitingFor === 'time' && r.waitingUntil !== null && new Date(r.waitingUntil) <= now
    ? { waitingFor: 'hands' as const, waitingNote: `rested: ${r.waitingNote}` }
    : {};

/** The open jobs, those counted first whose counts wait for it: a rack never shows what no longer holds. */
async function countedRows(db: Database): Promise<Row[]> {
  const read = () => give<Row[]>(db.sequelize, RACK_SQL, {});
  const rows = await read();
  if (!rows.some((r) => r.due)) return rows;
  try {
    await countDue(db);
  } catch (error) {
    houseLog().error('the counts of the rack could not be brought up to date', { error });
  }
  return read();
}

/** Every instrument in the house, soonest promise first. One query over the open jobs: past ones do not slow it. */
export async function loadRack(db: Database, now: Date = new Date()): Promise<RackTag[]> {
  const [rows, names] = await Promise.all([countedRows(db), kindNames(db)]);
  return rows.map(({ due: _due, ...r }) => ({
    ...r,
    ...afterRest(r, now),
    kindName: names[r.kind] ?? r.kind,
    hardDate: Boolean(r.hardDate),
    readyAt: r.readyAt === null ? null : new Date(r.readyAt).toISOString(),
    chance: r.chance === null ? null : Number(r.chance),
    waitingUntil: r.waitingUntil === null ? null : new Date(r.waitingUntil).toISOString(),
    facts: typeof r.facts === 'string' ? (JSON.parse(r.facts) as JobFacts) : r.facts,
  }));
}

/** The places of the shop, in their order. */
export async function loadPlaces({ models }: Database): Promise<{ id: number; name: string }[]> {
  const rows = await models.Place.findAll({ order: [['sort', 'ASC']] });
  return rows.map(({ id, name }) => ({ id, name }));
}

/** What hangs on the rack, and where it can hang. */
export interface RackPage {
  readonly tags: readonly RackTag[];
  readonly places: readonly { readonly id: number; readonly name: string }[];
  /** the shop's day, yyyy-mm-dd */
  readonly today: string;
}

/** The rack as a screen shows it. Many screens that ask at the same moment share one load. */
export const loadRackPage = (db: Database): Promise<RackPage> =>
  sharedLoad('rack', async () => {
    const [tags, places, { zone }] = await Promise.all([loadRack(db), loadPlaces(db), loadShop(db)]);
    return { tags, places, today: dayIn(Date.now(), zone) };
  });
