import { Op, QueryTypes, type Transaction } from 'sequelize';
import { seasonOfAir } from '../../core/learn/air-log.ts';
import type { At, Season } from '../../core/learn/season.ts';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';

/** The air of the shop over the year is told by so many rounds at most, the newest. */
const MOST_AIRS = 500;
/** Two years and a half of weeks. */
const MOST_WEEKS = 130;

/** The humidity of each week that was logged, at its middle, the newest last. */
const WEEKS_SQL = `SELECT UNIX_TIMESTAMP(MIN(at)) DIV 604800 * 604800 + 302400 AS middle, AVG(humidity) AS humidity,
  MIN(humidity) AS low, MAX(humidity) AS high, AVG(temperature) AS temperature
  FROM air_hours GROUP BY UNIX_TIMESTAMP(at) DIV 604800 ORDER BY middle DESC LIMIT ${MOST_WEEKS}`;

/** The air of a week. */
export interface AirWeek extends At {
  readonly low: number;
  readonly high: number;
  readonly temperature: number | null;
}

/** The weeks as they were last counted, by what was taken in until then. */
const counted = new WeakMap<
  Database['sequelize'],
  { readonly of: string; readonly weeks: readonly AirWeek[] }
>();

/** The air of each week that was logged, the oldest first: counted anew when a file came in or went out. */
export async function airWeeks({ sequelize }: Pick<Database, 'sequelize'>): Promise<readonly AirWeek[]> {
  const [state] = await sequelize.query<{ of: string | null }>(
    "SELECT GROUP_CONCAT(id, ':', hours ORDER BY id) AS of FROM air_logs",
    { type: QueryTypes.SELECT },
  );
  const of = state?.of ?? '';
  const known = counted.get(sequelize);
  if (known?.of === of) return known.weeks;
  const weeks = of === '' ? [] : await weeksNow({ sequelize });
  counted.set(sequelize, { of, weeks });
  return weeks;
}

async function weeksNow({ sequelize }: Pick<Database, 'sequelize'>): Promise<readonly AirWeek[]> {
  const rows = await sequelize.query<{
    middle: number | string;
    humidity: string;
    low: string;
    high: string;
    temperature: string | null;
  }>(WEEKS_SQL, { type: QueryTypes.SELECT });
  return rows.toReversed().map((r) => ({
    at: Number(r.middle) * 1000,
    value: Number(r.humidity),
    low: Number(r.low),
    high: Number(r.high),
    temperature: r.temperature === null ? null : Number(r.temperature),
  }));
}

/** The air of the shop over the year, as it was logged or else read with the rounds; null where that is not known. */
export async function airOfHouse(
  { models }: Pick<Database, 'models'>,
  weeks: readonly AirWeek[],
): Promise<Season | null> {
  const rows = await models.Round.findAll({
    attributes: ['startedAt', 'humidity'],
    where: { humidity: { [Op.ne]: null } },
    order: [['id', 'DESC']],
    limit: MOST_AIRS,
  });
  return seasonOfAir(
    weeks,
    rows.map((r): At => ({ at: r.startedAt.getTime(), value: Number(r.humidity) })),
  );
}

const HOUR_MS = 3_600_000;
/** What was logged longer ago is not the air of now. */
const STILL_THAT_MS = 3 * HOUR_MS;

/** Between which moments an hour lies that still is the air of now. */
export const airSpan = (now: Date): { readonly since: Date; readonly now: Date } => ({
  since: new Date(now.getTime() - STILL_THAT_MS),
  now,
});

/** What the logger last wrote down, where that still is the air of a moment. */
export async function loggedAir(
  models: Models,
  now: Date,
  t?: Transaction,
): Promise<{ readonly temperature: string | null; readonly humidity: string } | null> {
  const { since } = airSpan(now);
  const hour = await models.AirHour.findOne({
    where: { at: { [Op.between]: [since, now] } },
    order: [['at', 'DESC']],
    ...(t && { transaction: t }),
  });
  return hour && { temperature: hour.temperature, humidity: hour.humidity };
}
