import { sayMoment, sayShort } from '../../core/days/say-days.ts';
import { QueryTypes } from 'sequelize';
import { addDays, dayIn } from '../../core/days/zone.ts';
import { piecesBetween, type Stretch } from '../../core/schedule/calendar.ts';
import { chancesOf, playThrough, type JobChance } from '../../core/schedule/chance.ts';
import { whyUnplaced, type Board } from '../../core/schedule/board.ts';
import { finishOf } from '../../core/schedule/cost.ts';
import { ENDANGERED } from '../../core/schedule/say-chance.ts';
import { sayKeeps, type WeekWords } from '../../core/schedule/say-week.ts';
import { mainReasons } from '../../core/schedule/why.ts';
import type { RestShown } from '../../core/schedule/resting.ts';
import type { Database } from '../db/connection.ts';
import { houseLog } from '../keep/log.ts';
import { lookOnly } from '../keep/look-only.ts';
import { sharedLoad } from '../db/shared-load.ts';
import { currentPlan } from './keep-plan.ts';
import { loadMoves, type MovedByPlan } from './plan-moves.ts';
import { MINUTE, type KeptPlan } from './read-work.ts';

/** Moments are ms. */
export interface WeekJob {
  readonly id: number;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly due: number | null;
  readonly neededBy: string | null;
  readonly hard: boolean;
  /** when the plan has it ready; null where a step has no place */
  readonly ready: number | null;
  /** the chance to be ready when it is wanted */
  readonly chance: number | null;
  readonly half: number | null;
  readonly likely: number | null;
  readonly sure: number | null;
  /** what keeps it, where its date is in danger */
  readonly why: readonly string[];
  readonly endangered: boolean;
}

export interface WeekStep {
  readonly id: string;
  readonly job: number;
  readonly title: string;
  readonly worker: number;
  readonly spot: string | null;
  readonly start: number;
  readonly end: number;
  readonly free: number;
  /** until when its place is taken */
  readonly hold: number;
  /** the stretches in which hands are on it */
  readonly pieces: readonly (readonly [number, number])[];
  /** by how much it may be shorter or longer, ms */
  readonly shorter: number;
  readonly longer: number;
  readonly minutes: number;
  /** minutes in all, with what was worked on it already */
  readonly inAll: number;
  readonly put: {
    readonly worker: number | null;
    readonly at: number | null;
    readonly minutes: number | null;
    readonly version: number;
  } | null;
  readonly running: boolean;
  readonly guess: boolean;
  /** when it is done the customer is asked, and what stands free then is their answer */
  readonly asks: boolean;
  readonly waitsFor: 'word' | 'part' | 'rest' | null;
}

export interface LoadedWeek {
  readonly now: number;
  readonly zone: string;
  readonly today: string;
  readonly workers: readonly {
    readonly id: number;
    readonly name: string;
    readonly initials: string;
    readonly hours: readonly (readonly [number, number])[];
  }[];
  readonly spots: readonly { readonly id: string; readonly name: string; readonly kind: string }[];
  /** what rests after a finished step, and in which place where it keeps one taken */
  readonly resting: readonly RestShown[];
  readonly jobs: readonly WeekJob[];
  readonly steps: readonly WeekStep[];
  readonly unplaced: readonly {
    readonly step: string;
    readonly title: string;
    readonly job: number;
    readonly why: string;
  }[];
  /** what the plan moved by itself today, job by job */
  readonly moved: readonly MovedByPlan[];
  /** checks after hand-over that are due, by day */
  readonly checks: readonly { readonly number: number; readonly customer: string; readonly day: string }[];
  readonly away: readonly {
    readonly id: number;
    readonly personId: number;
    readonly firstDay: string;
    readonly lastDay: string;
    readonly why: string;
  }[];
  /** who stays longer, and when: minutes after midnight */
  readonly extra: readonly {
    readonly id: number;
    readonly personId: number;
    readonly day: string;
    readonly from: number;
    readonly to: number;
  }[];
}

/** Whatever is said of the plan's chances is drawn alike, so that the same question has the same answer everywhere. */
export const CHANCE_SEED = 7;
const MOST_DRAWS = 1000;
const LEAST_DRAWS = 200;
const DRAWN_STEPS = 400_000;
const SHOWN_DAYS = 35;

/** How often a plan is played through: a thousand times, fewer where there is very much of it. */
export const drawsFor = ({ board }: Pick<KeptPlan, 'board'>): number =>
  Math.max(LEAST_DRAWS, Math.min(MOST_DRAWS, Math.round(DRAWN_STEPS / Math.max(1, board.steps.length))));

/** How the plan's moments and people are said in this shop. */
export function wordsFor({ from, shop, work }: Pick<KeptPlan, 'from' | 'shop' | 'work'>): WeekWords {
  const { zone, dates } = shop.info;
  const at = (minutes: number): number => from + minutes * MINUTE;
  return {
    person: (id) => work.workers.find((w) => w.id === id)?.name ?? 'somebody',
    moment: (m) => sayMoment(at(m), zone, dates),
    day: (m) => sayShort(dayIn(at(m), zone), dates),
  };
}

const msOf = (from: number, minutes: number | null): number | null =>
  minutes === null || minutes === Infinity ? null : from + Math.round(minutes) * MINUTE;

/** Said before all other reasons where the day is over. */
const overAlready = (due: number | null): string[] =>
  due !== null && due <= 0 ? ['the day it was wanted is over'] : [];

/** Why steps of a job found no place, in words; what only comes after them is not said. */
const unplacedIn = (board: Board, job: number): string[] =>
  (board.ofJob[job] ?? []).flatMap((at) => {
    const own = board.steps[at];
    const first = own && !board.seats[at] && own.after.every((i) => board.seats[i]);
    return first ? [`“${own.step.title}” has no place: ${whyUnplaced(own)}`] : [];
  });

function jobsOf(plan: KeptPlan, chances: readonly JobChance[], words: WeekWords): WeekJob[] {
  const { board, from, tags } = plan;
  return board.work.jobs.map((j, i) => {
    const c = chances[i];
    const tag = tags.find((t) => t.jobId === j.id);
    const open = j.steps.length > 0;
    const chance = open ? (c?.inTime ?? null) : null;
    const endangered = chance !== null && chance < ENDANGERED;
    return {
      id: j.id,
      number: j.number,
      title: j.title,
      customer: tag?.customer ?? '',
      due: msOf(from, j.due),
      neededBy: tag?.neededBy ?? null,
      hard: j.hard,
      ready: open ? msOf(from, finishOf(board, i)) : null,
      chance,
      half: open ? msOf(from, c?.half ?? null) : null,
      likely: open ? msOf(from, c?.likely ?? null) : null,
      sure: open ? msOf(from, c?.sure ?? null) : null,
      endangered,
      why: endangered
        ? [
            ...overAlready(j.due),
            ...unplacedIn(board, i),
            ...mainReasons(board, i).map((k) => sayKeeps(k, words)),
          ]
        : [],
    };
  });
}

function stepsOf({ board, from, puts }: KeptPlan): WeekStep[] {
  const ms = (p: Stretch) => [from + p.from * MINUTE, from + p.to * MINUTE] as const;
  return board.steps.flatMap((own) => {
    const s = board.seats[own.at];
    const calendar = s && board.calendars[s.worker];
    if (!s || !calendar) return [];
    const { minutes } = own.step;
    return [
      {
        id: own.step.id,
        job: board.work.jobs[own.job]?.id ?? 0,
        title: own.step.title,
        worker: board.work.workers[s.worker]?.id ?? 0,
        spot: board.work.spots[s.spot]?.id ?? null,
        start: from + s.start * MINUTE,
        end: from + s.end * MINUTE,
        free: from + s.free * MINUTE,
        hold: from + s.hold * MINUTE,
        pieces: piecesBetween(calendar, s.start, s.end).map(ms),
        shorter: Math.max(0, minutes.likely - minutes.low) * MINUTE,
        longer: Math.max(0, minutes.high - minutes.likely) * MINUTE,
        minutes: Math.round(minutes.likely),
        inAll: Math.round(minutes.likely + own.step.spent),
        put: puts.get(own.step.id) ?? null,
        running: own.step.running,
        guess: own.step.guess,
        asks: own.step.asks === true,
        waitsFor: own.step.waits?.for ?? null,
      },
    ];
  });
}

/** A plan as a screen shows it. */
export function shownWeek(
  plan: KeptPlan,
  now: number,
  { checks, moved }: Pick<LoadedWeek, 'checks' | 'moved'> = { checks: [], moved: [] },
): LoadedWeek {
  const { board, from, shop, work } = plan;
  const chances = chancesOf(board, playThrough(board, drawsFor(plan), CHANCE_SEED));
  const { zone } = shop.info;
  return {
    now,
    zone,
    today: dayIn(now, zone),
    workers: work.workers.map((w) => ({
      id: w.id,
      name: w.name,
      initials: plan.initials.get(w.id) ?? '',
      hours: piecesBetween(w.calendar, 0, SHOWN_DAYS * 1440).map(
        (p) => [from + p.from * MINUTE, from + p.to * MINUTE] as const,
      ),
    })),
    spots: work.spots.map(({ id, name, kind }) => ({ id, name, kind })),
    resting: plan.resting,
    jobs: jobsOf(plan, chances, wordsFor(plan)),
    steps: stepsOf(plan),
    unplaced: board.steps.flatMap((own) =>
      board.seats[own.at]
        ? []
        : [
            {
              step: own.step.id,
              title: own.step.title,
              job: work.jobs[own.job]?.id ?? 0,
              why: whyUnplaced(own),
            },
          ],
    ),
    checks,
    moved,
    away: plan.away,
    extra: plan.extra,
  };
}

const CHECKS_SQL = `SELECT j.number, c.name AS customer, DATE_FORMAT(h.next_check, '%Y-%m-%d') AS day
  FROM hand_overs h JOIN jobs j ON j.id = h.job_id JOIN customers c ON c.id = j.customer_id
  WHERE h.next_check BETWEEN ? AND ? AND j.state = 'closed' ORDER BY h.next_check, j.number`;

const checksDue = ({ sequelize }: Database, today: string): Promise<LoadedWeek['checks']> =>
  sequelize.query<LoadedWeek['checks'][number]>(CHECKS_SQL, {
    type: QueryTypes.SELECT,
    replacements: [today, addDays(today, SHOWN_DAYS)],
  });

/** The week as a screen shows it. Many screens that ask at the same moment share one load. */
export const loadWeek = (db: Database, now: Date = new Date()): Promise<LoadedWeek> =>
  sharedLoad('week', async () => {
    const plan = await currentPlan(db, now);
    const { zone } = plan.shop.info;
    const [checks, moved] = await Promise.all([
      checksDue(db, dayIn(now.getTime(), zone)),
      loadMoves(db.models, plan, wordsFor(plan)),
    ]);
    const week = shownWeek(plan, now.getTime(), { checks, moved });
    if (lookOnly() === null) await keepDates(db, week);
    return week;
  });

/** Keeps when each job is ready and how sure that is, where it changed. */
async function keepDates({ models, sequelize }: Database, { jobs }: LoadedWeek): Promise<void> {
  const rows = jobs.map((j) => ({
    jobId: j.id,
    readyAt: j.ready === null ? null : new Date(j.ready),
    chance: j.chance === null ? null : j.chance.toFixed(3),
  }));
  const known = new Map((await models.JobDate.findAll()).map((r) => [r.jobId, r]));
  const changed = rows.filter((r) => {
    const was = known.get(r.jobId);
    return !was || was.readyAt?.getTime() !== r.readyAt?.getTime() || was.chance !== r.chance;
  });
  if (changed.length === 0) return;
  await sequelize
    .transaction((t) =>
      models.JobDate.bulkCreate(changed, { updateOnDuplicate: ['readyAt', 'chance'], transaction: t }),
    )
    .catch((error: unknown) => houseLog().warn('the dates of the plan could not be kept', { error }));
}
