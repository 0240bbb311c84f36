import { QueryTypes } from 'sequelize';
import { addDays, dayIn, type Day } from '../../core/days/zone.ts';
import { isAsked, type AfterKind, type AfterNote, type AfterOutcome } from '../../core/desk/afterwards.ts';
import { judge } from '../../core/job/judge.ts';
import { leavesBand, reliefForecast, type Forecast } from '../../core/learn/forecast.ts';
import { learnedNumbers } from '../../core/learn/learned.ts';
import { wantsLook, type Reach } from '../../core/learn/reach.ts';
import { isSeason } from '../../core/learn/season.ts';
import type { WatchedId } from '../../core/learn/watched.ts';
import { RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import { airOfHouse, airWeeks } from '../air/house-air.ts';
import type { Database } from '../db/connection.ts';
import { loadShop } from '../house/load-shop.ts';
import { readShop } from '../house/read-shop.ts';
import { asNumberedAct } from '../jobs/job-rows.ts';
import { readJobNumber } from '../jobs/read-job.ts';
import { loadWatches, type LoadedWatch } from '../shelf/load-watches.ts';

const DAY_MS = 86_400_000;
/** A check is called about so long before its day and after it. */
const CHECK_DAYS = { before: 120, ahead: 7 } as const;
/** What is watched is called about when it will probably be past its limit by then. */
const WATCH_AHEAD_MS = 90 * DAY_MS;

/** Somebody to call afterwards, and why. */
export interface AfterItem {
  readonly source: string;
  readonly kind: AfterKind;
  readonly instrumentId: number;
  readonly instrument: string;
  readonly customer: string;
  readonly phone: string;
  readonly email: string;
  /** its last job: messages go by it */
  readonly job: { readonly id: number; readonly number: number } | null;
  readonly why:
    | { readonly kind: 'check'; readonly day: Day }
    | {
        readonly kind: 'watch';
        readonly what: WatchedId;
        readonly limit: number;
        readonly side: 'above' | 'below';
        readonly note: string;
        readonly reach: Reach;
      }
    | {
        readonly kind: 'season';
        readonly left: number;
        readonly at: number;
        readonly value: number;
        readonly sd: number;
      };
  /** what came of it before */
  readonly last: { readonly outcome: AfterOutcome; readonly note: string; readonly day: Day } | null;
}

/** An instrument with whom it belongs to and its last job, where it is not in the house. */
interface Book {
  readonly instrumentId: number;
  readonly instrument: string;
  readonly customer: string;
  readonly phone: string;
  readonly email: string;
  readonly jobId: number | null;
  readonly number: number | null;
}

const BOOK_SQL = `SELECT i.id AS instrumentId, TRIM(CONCAT(i.maker, ' ', i.model)) AS instrument, c.name AS customer, c.phone, c.email,
  j.id AS jobId, j.number FROM instruments i JOIN customers c ON c.id = i.customer_id
  LEFT JOIN jobs j ON j.id = (SELECT MAX(id) FROM jobs WHERE instrument_id = i.id)
  WHERE i.id IN (:ids) AND i.merged_into IS NULL AND i.floor_since IS NULL AND c.erased_at IS NULL
    AND NOT EXISTS (SELECT 1 FROM jobs o WHERE o.instrument_id = i.id AND o.state = 'open')`;

const CHECKS_SQL = `SELECT j.instrument_id AS instrumentId, j.number, DATE_FORMAT(h.next_check, '%Y-%m-%d') AS day
  FROM hand_overs h JOIN jobs j ON j.id = h.job_id
  WHERE h.next_check BETWEEN ? AND ? AND j.state = 'closed'
    AND NOT EXISTS (SELECT 1 FROM jobs later WHERE later.instrument_id = j.instrument_id AND later.number > j.number)
  ORDER BY h.next_check LIMIT 500`;

/** The relief of instruments as they were last left within the last year, with the air of that day. */
const LEFT_SQL = `SELECT j.instrument_id AS instrumentId, j.number, x.value, x.taken_at AS at, r.humidity
  FROM jobs j JOIN rounds r ON r.job_id = j.id JOIN readings x ON x.round_id = r.id
  WHERE j.state = 'closed' AND j.closed_at > ? AND x.quantity = 'relief' AND x.fret = ${RELIEF_FRET} AND x.not_representative IS NULL
    AND r.kind <> 'as-found' AND r.humidity IS NOT NULL
    AND NOT EXISTS (SELECT 1 FROM jobs later WHERE later.instrument_id = j.instrument_id AND later.number > j.number)
  ORDER BY j.id DESC, x.taken_at DESC LIMIT 400`;
const LEFT_MS = 365 * DAY_MS;
/** Fewer than that is moved by nothing worth a call, mm. */
const WORTH_A_CALL = 0.04;
const MOST_JUDGED = 40;

interface LeftRow {
  readonly instrumentId: number;
  readonly number: number;
  readonly value: string;
  readonly at: Date | string;
  readonly humidity: string;
}

/** What each instrument’s relief will do by the air of the house, from how it was left. */
async function forecasts(
  { models }: Database,
  lefts: readonly LeftRow[],
  house: Awaited<ReturnType<typeof airOfHouse>>,
) {
  const ids = lefts.map((l) => l.instrumentId);
  const [shop, instruments, acts, kinds] = await Promise.all([
    readShop(models),
    models.Instrument.findAll({ where: { id: ids } }),
    models.ActRow.findAll({ where: { instrumentId: ids } }),
    models.KindNumber.findAll(),
  ]);
  return lefts.flatMap((left) => {
    const instrument = instruments.find((i) => i.id === left.instrumentId);
    if (!instrument) return [];
    const own = acts.filter((a) => a.instrumentId === left.instrumentId).map(asNumberedAct);
    const ofKind = Object.fromEntries(
      kinds.filter((k) => k.kind === instrument.kind).map((k) => [k.number, k]),
    );
    const { air } = learnedNumbers(instrument.construction.kind, shop.planning, own, own, ofKind);
    const from = {
      at: new Date(left.at).getTime(),
      value: Number(left.value),
      humidity: Number(left.humidity),
    };
    return [{ left, from, at: (t: number): Forecast | null => reliefForecast(from, t, air, house, null) }];
  });
}

/** The instruments whose relief will probably leave its band within four months by the air alone. */
async function bySeason(db: Database, now: Date) {
  const house = await airOfHouse(db, await airWeeks(db));
  if (!isSeason(house)) return [];
  const rows = await db.sequelize.query<LeftRow>(LEFT_SQL, {
    type: QueryTypes.SELECT,
    replacements: [new Date(now.getTime() - LEFT_MS)],
  });
  const newest = [...new Map(rows.toReversed().map((r) => [r.instrumentId, r])).values()];
  const far = { low: -WORTH_A_CALL, high: WORTH_A_CALL };
  const moving = (await forecasts(db, newest, house))
    .filter(({ from, at }) => {
      const band = { low: from.value + far.low, high: from.value + far.high };
      return leavesBand(at, band, now.getTime()) !== null;
    })
    .slice(0, MOST_JUDGED);
  const found = [];
  for (const { left, from, at } of moving) {
    const g = await readJobNumber(db.models, left.number);
    const band = g && judge(g).targets.get(stationKey('relief', 0, RELIEF_FRET));
    const f = band && leavesBand(at, band, now.getTime());
    if (f) found.push({ left, from, f });
  }
  return found;
}

/** What somebody is called about, with its source. */
interface Wanted {
  readonly instrumentId: number;
  readonly source: string;
  readonly why: AfterItem['why'];
}

function wantedBy(
  checks: readonly { readonly instrumentId: number; readonly number: number; readonly day: Day }[],
  watches: readonly LoadedWatch[],
  seasons: Awaited<ReturnType<typeof bySeason>>,
  now: Date,
): readonly Wanted[] {
  return [
    ...checks.map((c): Wanted => ({
      instrumentId: c.instrumentId,
      source: `check:${c.number}`,
      why: { kind: 'check', day: c.day },
    })),
    ...watches
      .filter((w) => wantsLook(w.reach, now.getTime() + WATCH_AHEAD_MS))
      .map(({ id, instrumentId, what, limit, side, note, reach }): Wanted => ({
        instrumentId,
        source: `watch:${id}`,
        why: { kind: 'watch', what, limit, side, note, reach },
      })),
    ...seasons.map(({ left, from, f }): Wanted => ({
      instrumentId: left.instrumentId,
      source: `season:${left.number}`,
      why: { kind: 'season', left: from.value, at: f.at, value: f.value, sd: f.sd },
    })),
  ];
}

/** Everything that is to be said afterwards today: whom to call, about what, and what came of it before. */
export async function loadAfterwards(db: Database, now: Date): Promise<readonly AfterItem[]> {
  const { zone } = await loadShop(db);
  const today = dayIn(now.getTime(), zone);
  const [checks, watches, seasons] = await Promise.all([
    db.sequelize.query<{ instrumentId: number; number: number; day: Day }>(CHECKS_SQL, {
      type: QueryTypes.SELECT,
      replacements: [addDays(today, -CHECK_DAYS.before), addDays(today, CHECK_DAYS.ahead)],
    }),
    loadWatches(db, now),
    bySeason(db, now),
  ]);
  const wanted = wantedBy(checks, watches, seasons, now);
  const ids = [...new Set(wanted.map((w) => w.instrumentId))];
  if (ids.length === 0) return [];
  const [book, notes] = await Promise.all([
    db.sequelize.query<Book>(BOOK_SQL, { type: QueryTypes.SELECT, replacements: { ids } }),
    db.models.Afterward.findAll({ where: { instrumentId: ids }, order: [['id', 'ASC']] }),
  ]);
  return wanted.flatMap(({ instrumentId, source, why }): AfterItem[] => {
    const of = book.find((b) => b.instrumentId === instrumentId);
    if (!of) return [];
    const own = notes
      .filter((n) => n.instrumentId === instrumentId)
      .map((n): AfterNote & { readonly note: string } => ({
        source: n.source,
        outcome: n.outcome,
        againOn: n.againOn as Day | null,
        day: dayIn(n.madeAt.getTime(), zone),
        note: n.note,
      }));
    if (!isAsked(source, own, today)) return [];
    const last = own.findLast((n) => n.source === source) ?? null;
    const { jobId, number, ...rest } = of;
    return [
      {
        ...rest,
        source,
        kind: why.kind,
        why,
        job: jobId === null || number === null ? null : { id: jobId, number },
        last: last && { outcome: last.outcome, note: last.note, day: last.day },
      },
    ];
  });
}
