import { Op } from 'sequelize';
import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import type { Brought } from '../db/models/brought-in.ts';
import { learnLater } from '../learn/learn-later.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { InUse, RowsOut } from './take-row-out.ts';

const TABLES: Readonly<Record<Brought, string>> = {
  job: 'jobs',
  instrument: 'instruments',
  customer: 'customers',
  checklist: 'checklists',
};

/** Notes what a file brought in, by the command that did it. */
export const noteBrought = async (
  { models, t, commandId }: Pick<Work, 'models' | 't' | 'commandId'>,
  entity: Brought,
  ids: readonly number[],
): Promise<void> => {
  await models.BroughtIn.bulkCreate(
    ids.map((entityId) => ({ entity, entityId, commandId })),
    { transaction: t },
  );
};

/** The number of a job on which something was done since it was brought in; null where nothing was. */
async function touched({ models, t }: Work, jobs: readonly number[], since: number): Promise<number | null> {
  const done = await models.EventRow.findOne({
    where: { jobId: [...jobs], id: { [Op.gt]: since } },
    transaction: t,
  });
  if (!done) return null;
  return (await models.Job.findByPk(done.jobId ?? 0, { transaction: t }))?.number ?? 0;
}

/** Those nobody uses and nobody has said anything about since. */
async function unused(
  { models, t }: Work,
  rows: RowsOut,
  entity: Brought,
  ids: readonly number[],
  since: number,
): Promise<readonly number[]> {
  const free = await rows.unused(TABLES[entity], ids);
  if (free.length === 0) return [];
  const said = await models.EventRow.findAll({
    attributes: ['entityId'],
    where: { entity, entityId: free.map(String), id: { [Op.gt]: since } },
    transaction: t,
  });
  const changed = new Set(said.map((e) => Number(e.entityId)));
  return free.filter((id) => !changed.has(id));
}

/** What the log keeps apart of a job's rows, such as who it is about: it goes with the job, the rows stay. */
async function forgetWords({ models, t }: Work, jobs: readonly number[]): Promise<void> {
  const events = await models.EventRow.findAll({
    attributes: ['id'],
    where: { jobId: [...jobs] },
    transaction: t,
  });
  await models.EventWords.destroy({ where: { eventId: events.map((e) => e.id) }, transaction: t });
}

/** Whose visits they were: what is known of an instrument that stays is counted anew without them. */
async function instrumentsOf({ models, t }: Work, jobs: readonly number[]): Promise<number[]> {
  const rows = await models.Job.findAll({
    attributes: ['instrumentId'],
    where: { id: [...jobs] },
    transaction: t,
  });
  return rows.map((j) => j.instrumentId);
}

/** Takes out again what a file brought in: jobs whole or not at all, the rest as far as nobody uses it. */
export const takeBack = defineUseCase({
  name: 'shelf.take-back',
  run: async (work, { brought }) => {
    const { models, t } = work;
    const rows = await models.BroughtIn.findAll({
      where: { commandId: brought },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    const event = await models.EventRow.findOne({ where: { commandId: brought }, transaction: t });
    const sequelize = models.BroughtIn.sequelize;
    if (rows.length === 0 || !event || !sequelize)
      return fail({ code: 'not-found', message: 'There is no such file, or it was taken back already.' });
    const of = (entity: Brought): number[] => rows.filter((r) => r.entity === entity).map((r) => r.entityId);
    const jobs = of('job');
    const out = await RowsOut.of(sequelize, t);
    // Whoever does something on one of them has done it by now, or finds it gone.
    for (const entity of ['job', 'instrument', 'customer', 'checklist'] as const)
      await out.hold(TABLES[entity], of(entity));
    const number = jobs.length > 0 ? await touched(work, jobs, event.id) : null;
    if (number !== null)
      return fail(
        refuse(
          `Something was done on job ${number} since it was brought in: it stays. It can be called off.`,
        ),
      );
    const taken: Record<Brought, readonly number[]> = {
      job: jobs,
      instrument: [],
      customer: [],
      checklist: [],
    };
    try {
      await forgetWords(work, jobs);
      await learnLater(work, await instrumentsOf(work, jobs));
      await out.take('jobs', jobs);
      for (const entity of ['instrument', 'customer', 'checklist'] as const) {
        taken[entity] = await unused(work, out, entity, of(entity), event.id);
        await out.take(TABLES[entity], taken[entity]);
      }
    } catch (e) {
      if (e instanceof InUse) return fail(refuse('Something hangs on it that is never taken out: it stays.'));
      throw e;
    }
    await models.BroughtIn.destroy({ where: { commandId: brought }, transaction: t });
    const answer = {
      jobs: taken.job.length,
      instruments: taken.instrument.length,
      customers: taken.customer.length,
      stay: rows.length - Object.values(taken).flat().length,
    };
    await recordEvent(work, {
      jobId: null,
      kind: 'file taken back',
      entity: 'brought',
      entityId: brought,
      fromVersion: null,
      data: answer,
    });
    return ok(answer);
  },
});

const KINDS = ['job brought in', 'customers brought in', 'instruments brought in'] as const;
const SHOWN = 12;

/** How many of what: `1 customer`, `3 instruments`. */
function said(many: number, kind: string): string {
  const [all = ''] = kind.split(' ');
  return `${many} ${many === 1 ? all.replace(/s$/, '') : all}`;
}

/** What files brought in of late and can be taken out again, newest first. */
export async function loadBrought({ models }: Pick<Database, 'models'>) {
  const events = await models.EventRow.findAll({
    where: { kind: [...KINDS], commandId: { [Op.not]: null } },
    order: [['id', 'DESC']],
    limit: SHOWN,
  });
  const [left, people] = await Promise.all([
    models.BroughtIn.findAll({
      attributes: ['commandId'],
      where: { commandId: events.flatMap((e) => e.commandId ?? []) },
      group: ['commandId'],
    }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  const there = new Set(left.map((r) => r.commandId));
  return events
    .filter((e) => there.has(e.commandId ?? ''))
    .map((e) => {
      const { number, added } = e.data as { readonly number?: number; readonly added?: number };
      return {
        brought: e.commandId ?? '',
        at: e.at.toISOString(),
        by: people.find((p) => p.id === e.personId)?.name ?? '',
        what: number === undefined ? said(added ?? 0, e.kind) : `job ${number}`,
      };
    });
}

export type BroughtLately = Awaited<ReturnType<typeof loadBrought>>;
