import type { Transaction } from 'sequelize';
import type { Database } from '../db/connection.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { restsOf } from '../../core/work/rests-of.ts';
import { countLater } from '../jobs/job-facts.ts';

const MINUTE = 60_000;
const moved = (at: Date, by: number): Date => new Date(at.getTime() + by);

/** Rests that run go on to the same moment of the clock that runs on: what glue needs is no matter of the clock on the wall. */
async function moveRests({ models }: Database, t: Transaction, by: number, was: number): Promise<void> {
  const catalogue = await catalogueOf(models, t);
  const jobs = await models.Job.findAll({ where: { state: 'open' }, transaction: t, lock: t.LOCK.UPDATE });
  const open = new Map(jobs.map((j) => [j.id, j]));
  const lines = await models.WorkLine.findAll({
    where: { jobId: [...open.keys()], step: 'finished' },
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  const turns = await models.RodTurn.findAll({
    where: { jobId: [...open.keys()] },
    order: [['id', 'ASC']],
    transaction: t,
  });
  const lastTurn = new Map(turns.map((r) => [r.jobId, r.turnedAt.getTime()]));
  for (const line of lines) {
    const job = open.get(line.jobId);
    const [rest] = restsOf([line], catalogue, lastTurn.get(line.jobId) ?? null);
    if (!job || line.finishedAt === null || !rest || rest.until <= was) continue;
    const { until } = rest;
    await line.update({ finishedAt: moved(line.finishedAt, by) }, { transaction: t });
    if (job.waitingFor === 'time' && job.waitingUntil?.getTime() === until)
      job.waitingUntil = moved(job.waitingUntil, by);
    await countLater({ t }, job);
  }
}

/** What on open jobs says in which order things were done: what was read before or after what. */
const IN_ORDER = [
  ['readings', 'taken_at', 'x.round_id IN (SELECT r.id FROM rounds r JOIN jobs j ON j.id = r.job_id'],
  ['string_changes', 'changed_at', 'x.job_id IN (SELECT j.id FROM jobs j'],
  ['rod_turns', 'turned_at', 'x.job_id IN (SELECT j.id FROM jobs j'],
  ['work_lines', 'finished_at', 'x.job_id IN (SELECT j.id FROM jobs j'],
] as const;

/** A thousandth: an hour that has not been yet becomes the last seconds before the clock was set, in its own order. */
const DRAWN_TOGETHER = 1000;

/** After a clock was set back, what had been done stands before what is done from now on. */
async function keepOrder({ sequelize }: Database, t: Transaction, by: number, was: number): Promise<void> {
  if (by >= 0) return;
  for (const [table, column, open] of IN_ORDER)
    await sequelize.query(
      `UPDATE ${table} x SET x.${column} = :now - INTERVAL TIMESTAMPDIFF(MICROSECOND, x.${column}, :was) / ${DRAWN_TOGETHER} MICROSECOND
       WHERE x.${column} > :now AND x.${column} <= :was AND ${open} WHERE j.state = 'open')`,
      { replacements: { now: new Date(was + by), was: new Date(was) }, transaction: t },
    );
}

/**
 * The machine's clock was set while the house was open. What runs keeps its length: steps that are worked on, rests, sessions, locks of
 * names. What was done stands before what is done from now on. Days and hours that people said stay as they said them.
 * @param by how much, ms: forward more than nothing
 * @param was what the clock showed before, ms since 1970
 */
export async function clockWasSet(db: Database, by: number, was: number): Promise<void> {
  const { models, sequelize } = db;
  await sequelize.transaction(async (t) => {
    const move = (sql: string) =>
      sequelize.query(sql, { replacements: { by: by * 1000, was: new Date(was) }, transaction: t });
    await move(
      `UPDATE time_entries SET started_at = started_at + INTERVAL :by MICROSECOND
       WHERE ended_at IS NULL AND started_at <= :was`,
    );
    await move(
      `UPDATE sessions SET used_at = used_at + INTERVAL :by MICROSECOND,
         expires_at = expires_at + INTERVAL :by MICROSECOND WHERE ended_at IS NULL AND expires_at > :was`,
    );
    await move(
      `UPDATE pairing_codes SET expires_at = expires_at + INTERVAL :by MICROSECOND WHERE expires_at > :was`,
    );
    await move(
      `UPDATE pin_troubles SET failed_at = failed_at + INTERVAL :by MICROSECOND,
         locked_until = locked_until + INTERVAL :by MICROSECOND`,
    );
    await moveRests(db, t, by, was);
    await keepOrder(db, t, by, was);
    await models.EventRow.create(
      {
        at: new Date(was + by),
        personId: null,
        deviceId: null,
        jobId: null,
        kind: 'clock set',
        entity: 'house',
        entityId: 'clock',
        fromVersion: null,
        data: { minutes: Math.round(by / MINUTE) },
      },
      { transaction: t },
    );
  });
}
