import { judge } from '../../core/job/judge.ts';
import { actsOf, type LifeAct } from '../../core/learn/acts.ts';
import { lifeOf } from '../../core/learn/life.ts';
import { tells } from '../../core/learn/learned.ts';
import { NUMBER_IDS, tradeNumber, type NumberId } from '../../core/learn/numbers.ts';
import { NOTHING_TOLD, together, type KindSums } from '../../core/learn/response.ts';
import { USUAL_PLAN_RULES } from '../../core/plan/plan-rules.ts';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Job } from '../db/models/jobs.ts';
import { isDeadlock } from '../db/is-deadlock.ts';
import type { ActRow } from '../db/models/learned.ts';
import type { Instrument } from '../db/models/shop.ts';
import { houseLog } from '../keep/log.ts';
import { readJobNumber } from '../jobs/read-job.ts';
import { asNumberedAct } from '../jobs/job-rows.ts';

const AT_ONCE = 50;

/** The closed visits of an instrument, and a number that changes with each of them. */
async function closedVisits({ models }: Database, instrumentId: number, transaction?: Transaction) {
  const jobs = await models.Job.findAll({
    attributes: ['id', 'number', 'version'],
    where: { instrumentId, state: 'closed' },
    order: [['number', 'ASC']],
    ...(transaction && { transaction }),
  });
  return { jobs, state: jobs.map((j) => `${j.id} ${j.version}`).join() };
}

/** The acts of an instrument's closed visits, each with the job it belongs to. */
async function actsOfLife(
  { models }: Database,
  instrument: Instrument,
  closed: readonly Pick<Job, 'number'>[],
): Promise<readonly LifeAct[]> {
  const visits = [];
  for (const { number } of closed) {
    const g = await readJobNumber(models, number);
    if (!g) continue;
    const copied = new Map(g.readings.map((r) => [`${r.round} ${r.key}`, r.copiedFrom]));
    const readings = g.standard.map((r) => ({ ...r, copiedFrom: copied.get(`${r.round} ${r.key}`) ?? null }));
    const { rounds, turns } = g;
    visits.push(
      lifeOf(instrument.construction, { number, rounds, turns, readings, operations: judge(g).operations }),
    );
  }
  const { construction } = instrument;
  const ratio = tradeNumber('ratio', construction.kind, USUAL_PLAN_RULES).value;
  return actsOf(visits, { strings: construction.strings.length, ratio });
}

/** What the rows of an instrument's acts have told of their kinds, by kind. */
function toldByRows(rows: readonly ActRow[]): ReadonlyMap<string, Readonly<Record<NumberId, KindSums>>> {
  const kinds = new Map<string, ActRow[]>();
  for (const r of rows) kinds.set(r.kind, [...(kinds.get(r.kind) ?? []), r]);
  return new Map(
    [...kinds].map(([kind, own]) => [
      kind,
      tells(own.map(asNumberedAct), own[0]?.base ?? 'steel-acoustic', USUAL_PLAN_RULES),
    ]),
  );
}

/** Changes what a kind tells by what one instrument tells of it. */
async function changeKind(
  { models }: Database,
  kind: string,
  told: Readonly<Record<NumberId, KindSums>>,
  times: 1 | -1,
  transaction: Transaction,
): Promise<void> {
  for (const number of NUMBER_IDS) {
    if (told[number].instruments === 0) continue;
    const where = { kind, number };
    // A row that is there can be locked: two processes that count the first of a kind at once would each begin at nothing.
    await models.KindNumber.bulkCreate([{ ...where, ...NOTHING_TOLD }], {
      ignoreDuplicates: true,
      transaction,
    });
    const row = await models.KindNumber.findOne({ where, transaction, lock: transaction.LOCK.UPDATE });
    await models.KindNumber.upsert(
      { ...where, ...together(row ?? NOTHING_TOLD, told[number], times) },
      { transaction },
    );
  }
}

/** The acts of an instrument as they are kept. */
function rowsOf(
  acts: readonly LifeAct[],
  instrument: Instrument,
  jobs: readonly Pick<Job, 'id' | 'number'>[],
) {
  const jobIds = new Map(jobs.map((j) => [j.number, j.id]));
  return acts.flatMap((a) => {
    const jobId = jobIds.get(a.job);
    return jobId === undefined
      ? []
      : {
          instrumentId: instrument.id,
          jobId,
          kind: instrument.kind,
          base: instrument.construction.kind,
          number: a.number,
          moved: a.by.toFixed(9),
          gave: a.gave.toFixed(9),
          variance: a.variance.toFixed(12),
          between: a.between.slice(0, 160),
          at: new Date(a.at),
        };
  });
}

/** Counts the acts of one instrument anew: what it told of its kind before is taken out, what it tells now goes in. */
async function learn(db: Database, id: number): Promise<void> {
  const { models, sequelize } = db;
  const known = await models.Instrument.findByPk(id);
  if (!known) return;
  const closed = await closedVisits(db, id);
  const acts = await actsOfLife(db, known, closed.jobs);
  await sequelize.transaction(async (transaction) => {
    const instrument = await models.Instrument.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    // Somebody else counted it, or it changed meanwhile: it waits for the next time.
    if (!instrument || instrument.learnedAt !== null || instrument.version !== known.version) return;
    const now = await closedVisits(db, id, transaction);
    if (now.state !== closed.state) return;
    const before = await models.ActRow.findAll({ where: { instrumentId: id }, transaction });
    for (const [kind, told] of toldByRows(before)) await changeKind(db, kind, told, -1, transaction);
    await models.ActRow.destroy({ where: { instrumentId: id }, transaction });
    const rows = await models.ActRow.bulkCreate(rowsOf(acts, instrument, closed.jobs), { transaction });
    for (const [kind, told] of toldByRows(rows)) await changeKind(db, kind, told, 1, transaction);
    await models.Instrument.update({ learnedAt: new Date() }, { where: { id }, transaction });
  });
}

/**
 * Counts the acts of instruments that wait for it, as after a visit was closed: some at a time, one after the other.
 * @returns how many there were
 */
export async function learnDue(db: Database): Promise<number> {
  const due = await db.models.Instrument.findAll({
    attributes: ['id'],
    where: { learnedAt: null },
    order: [['id', 'ASC']],
    limit: AT_ONCE,
  });
  for (const { id } of due)
    await learn(db, id).catch(async (error: unknown) => {
      // Given up for another process's sake: it waits for the next time.
      if (isDeadlock(error)) return;
      // One that cannot be counted holds no other up: it is counted again when it changes.
      houseLog().error('an instrument’s acts could not be counted', { error, at: `instrument ${id}` });
      await db.models.Instrument.update({ learnedAt: new Date() }, { where: { id } });
    });
  return due.length;
}
