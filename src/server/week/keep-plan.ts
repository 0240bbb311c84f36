import { copyBoard, newBoard, type Board } from '../../core/schedule/board.ts';
import { lateCost } from '../../core/schedule/cost.ts';
import { improve } from '../../core/schedule/improve.ts';
import { replan } from '../../core/schedule/place.ts';
import { pullUp } from '../../core/schedule/pull-up.ts';
import { surestPlan } from '../../core/schedule/surest-plan.ts';
import type { Database } from '../db/connection.ts';
import { lookOnly } from '../keep/look-only.ts';
import { houseLog } from '../keep/log.ts';
import { noteMoves } from './plan-moves.ts';
import { MINUTE, readWork, type KeptPlan, type WeekWork } from './read-work.ts';

const SEED = 1;
/** A first plan is the surest of so many, unless there are so many jobs that one takes its time. */
const SEEDS = [1, 2, 3, 4, 5];
const MANY = 60;
/** Tries for a first plan, and for one into which something new came. */
const FIRST_TRIES = 400;
const TRIES = 60;

/**
 * The plan for work as it stands: what stood stays, unless something new makes another one clearly better; and what has little to
 * spare before its day moves up where there is room for it.
 */
export function planFor({ work }: Pick<WeekWork, 'work'>): Board {
  if (Object.keys(work.before).length === 0)
    return surestPlan(work, work.jobs.length > MANY ? [SEED] : SEEDS, FIRST_TRIES);
  const b = pullUp(replan(newBoard(work)));
  const isNew = b.steps.some((s) => b.seats[s.at] && !work.before[s.step.id] && !s.step.running);
  if (!isNew || lateCost(b) === 0) return b;
  // Others move only where that brings something in time, or nearer to it.
  const better = copyBoard(b);
  improve(better, { seed: SEED, more: (n) => n < TRIES });
  return lateCost(better) < lateCost(b) - 1 ? better : b;
}

interface Row {
  readonly step: string;
  readonly jobId: number;
  readonly personId: number;
  readonly spot: string | null;
  readonly startsAt: Date;
}

const rowsOf = (b: Board, from: number): Row[] =>
  b.steps.flatMap((own) => {
    const s = b.seats[own.at];
    const worker = s && b.work.workers[s.worker];
    if (!s || !worker) return [];
    return [
      {
        step: own.step.id,
        jobId: b.work.jobs[own.job]?.id ?? 0,
        personId: worker.id,
        spot: b.work.spots[s.spot]?.id ?? null,
        startsAt: new Date(from + s.start * MINUTE),
      },
    ];
  });

/** Keeps where every step stands, so that the next look finds it there. */
async function keep({ models, sequelize }: Database, plan: KeptPlan): Promise<void> {
  const { board, work, from } = plan;
  const rows = rowsOf(board, from);
  const now = new Set(rows.map((r) => r.step));
  const gone = Object.keys(work.before).filter((step) => !now.has(step));
  const changed = rows.filter((r) => {
    const was = work.before[r.step];
    return (
      !was ||
      was.worker !== r.personId ||
      was.spot !== r.spot ||
      from + was.start * MINUTE !== r.startsAt.getTime()
    );
  });
  if (gone.length + changed.length === 0) return;
  await sequelize.transaction(async (t) => {
    if (gone.length > 0) await models.PlannedStep.destroy({ where: { step: gone }, transaction: t });
    if (changed.length > 0)
      await models.PlannedStep.bulkCreate(changed, {
        updateOnDuplicate: ['personId', 'spot', 'startsAt'],
        transaction: t,
      });
    await noteMoves(models, plan, t);
  });
}

/** The plan as it stands now, brought up to date and kept. */
export async function currentPlan(db: Database, now: Date = new Date()): Promise<KeptPlan> {
  const read = await readWork(db, now);
  const plan = { ...read, board: planFor(read) };
  if (lookOnly() === null)
    await keep(db, plan).catch((error: unknown) => {
      // Somebody else keeps it at this very moment, or a job was signed meanwhile: the next look does.
      houseLog().warn('the plan of the week could not be kept', { error });
    });
  return plan;
}
