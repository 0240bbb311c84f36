import { Op, type Transaction } from 'sequelize';
import { addDays, dayIn } from '../../core/days/zone.ts';
import { sayMoved, type WeekWords } from '../../core/schedule/say-week.ts';
import { whyMoved, type MovedWhy } from '../../core/schedule/why-moved.ts';
import type { Database } from '../db/connection.ts';
import { MINUTE, type KeptPlan } from './read-work.ts';

/** A step that the plan moved by itself today. Moments are ms. */
export interface MovedByPlan {
  readonly step: string;
  readonly job: number;
  readonly title: string;
  readonly was: { readonly worker: number; readonly start: number };
  readonly is: { readonly worker: number; readonly start: number };
  readonly why: string;
  /** only because a step of the same job before it moved */
  readonly follows: boolean;
}

const KEPT_DAYS = 14;
/** Nobody minds less. */
const SAME_MS = 15 * MINUTE;
/** What people did themselves is no news to them. */
const DONE_BY_PEOPLE: readonly MovedWhy['kind'][] = ['put', 'given'];

/** A reason with its moment on the clock: minutes of a plan mean nothing in the next one. */
const shifted = (why: MovedWhy, to: (until: number) => number): MovedWhy =>
  'until' in why ? { ...why, until: to(why.until) } : why;

type Models = Database['models'];

/** Forgets what was moved by itself where somebody has put it since. */
export const forgetMoves = (models: Models, steps: readonly string[], transaction: Transaction) =>
  models.PlanMove.destroy({ where: { step: [...steps] }, transaction });

/** Writes down what the plan moved by itself, and why; of a step only where it stood first on a day. */
export async function noteMoves(models: Models, plan: KeptPlan, transaction: Transaction): Promise<void> {
  const { board, from, shop, work } = plan;
  const day = dayIn(from, shop.info.zone);
  const all = board.steps.flatMap((own) => {
    const why = whyMoved(board, own);
    const was = work.before[own.step.id];
    return why && was ? [{ own, why, was }] : [];
  });
  if (all.length === 0) return;
  const isByPeople = (m: (typeof all)[number]): boolean => DONE_BY_PEOPLE.includes(m.why.kind);
  const put = all.filter(isByPeople).map((m) => m.own.step.id);
  if (put.length > 0) await forgetMoves(models, put, transaction);
  await models.PlanMove.bulkCreate(
    all
      .filter((m) => !isByPeople(m))
      .map(({ own, why, was }) => ({
        step: own.step.id,
        day,
        jobId: work.jobs[own.job]?.id ?? 0,
        personId: was.worker,
        startsAt: new Date(from + was.start * MINUTE),
        why: shifted(why, (until) => from + until * MINUTE),
        movedAt: new Date(from),
      })),
    { updateOnDuplicate: ['why', 'movedAt'], transaction },
  );
  const old = addDays(day, -KEPT_DAYS);
  await models.PlanMove.destroy({ where: { day: { [Op.lt]: old } }, transaction });
}

/** What the plan moved by itself today and stands elsewhere since, in the order of the jobs and of time. */
export async function loadMoves(models: Models, plan: KeptPlan, words: WeekWords): Promise<MovedByPlan[]> {
  const { board, from, shop } = plan;
  const rows = await models.PlanMove.findAll({
    where: { day: dayIn(from, shop.info.zone) },
  });
  const steps = new Map(board.steps.map((own) => [own.step.id, own]));
  const step = (id: string): string => steps.get(id)?.step.title ?? 'what comes';
  const moved = rows.flatMap((r): MovedByPlan[] => {
    const own = steps.get(r.step);
    const s = own && board.seats[own.at];
    if (!own || !s) return [];
    const was = { worker: r.personId, start: r.startsAt.getTime() };
    const is = { worker: board.work.workers[s.worker]?.id ?? 0, start: from + s.start * MINUTE };
    if (was.worker === is.worker && Math.abs(was.start - is.start) <= SAME_MS) return [];
    const why = shifted(r.why, (until) => Math.round((until - from) / MINUTE));
    const job = board.work.jobs[own.job]?.number ?? 0;
    return [
      {
        step: r.step,
        job,
        title: own.step.title,
        was,
        is,
        why: sayMoved(why, { ...words, step }),
        follows: why.kind === 'before',
      },
    ];
  });
  return moved.sort((x, y) => x.job - y.job || x.is.start - y.is.start);
}
