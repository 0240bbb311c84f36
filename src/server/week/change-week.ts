import { invalidField, refuse } from '../../contracts/failure.ts';
import { dayIn } from '../../core/days/zone.ts';
import { may } from '../../core/people/roles.ts';
import { fail, ok } from '../../core/result.ts';
import { loadShop } from '../house/load-shop.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { forgetMoves } from './plan-moves.ts';

/** Whether a step is one of a job's. */
async function isOf({ models, t }: Work, step: string, jobId: number): Promise<boolean> {
  const [kind, number] = step.split(':');
  if (kind !== 'line') return Number(number) === jobId;
  const line = await models.WorkLine.findByPk(Number(number), { transaction: t });
  return line?.jobId === jobId;
}

/** Puts a step to somebody or on a moment, or gives it back to the planner. */
export const putStep = defineUseCase({
  name: 'week.put',
  run: async (work, { jobId, step, worker, at, minutes, version }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    if (!(await isOf(work, step, jobId)))
      return fail({ code: 'not-found', message: 'This step is not on this job any more.' });
    const person = worker === null ? null : await models.Person.findByPk(worker, { transaction: t });
    if (worker !== null && (!person?.active || !may(person.role, 'work')))
      return fail(invalidField('worker', 'Who works at the bench here?'));
    const known = await models.StepPut.findByPk(step, { transaction: t, lock: t.LOCK.UPDATE });
    if ((known?.version ?? 0) !== version)
      return conflict(work, known?.putBy ?? null, 'where this step is put', known?.version ?? 0);
    const before = known && {
      worker: known.personId,
      at: known.startsAt?.getTime() ?? null,
      minutes: known.minutes,
    };
    const row = {
      step,
      jobId,
      personId: worker,
      startsAt: at === null ? null : new Date(at),
      minutes,
      putBy: actor.personId,
      putAt: now,
      version: version + 1,
    };
    if (known) await known.update(row, { transaction: t });
    else await models.StepPut.create(row, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'step put',
      entity: 'step',
      entityId: step,
      fromVersion: version,
      data: { before, after: { worker, at, minutes } },
    });
    return ok({ version: version + 1 });
  },
});

/** Says that somebody is not here on some days. */
export const sayAway = defineUseCase({
  name: 'week.away',
  run: async (work, { personId, from, to, why }) => {
    const { models, t, actor, now } = work;
    const person = await models.Person.findByPk(personId, { transaction: t });
    if (!person?.active) return fail(invalidField('personId', 'Who is not here?'));
    const { zone } = await loadShop({ models });
    if (to < dayIn(now.getTime(), zone)) return fail(invalidField('to', 'That is over already'));
    const row = await models.Absence.create(
      { personId, firstDay: from, lastDay: to, why, saidBy: actor.personId, saidAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'away said',
      entity: 'person',
      entityId: personId,
      fromVersion: null,
      data: { from, to, why },
    });
    return ok({ id: row.id });
  },
});

/** Takes it back. */
export const takeAwayBack = defineUseCase({
  name: 'week.back',
  run: async (work, { id }) => {
    const { models, t, now } = work;
    const row = await models.Absence.findByPk(id, { transaction: t, lock: t.LOCK.UPDATE });
    if (!row) return fail({ code: 'not-found', message: 'There is no such entry.' });
    if (row.takenBackAt !== null) return fail(refuse('It was taken back already.'));
    await row.update({ takenBackAt: now }, { transaction: t });
    await recordEvent(work, {
      jobId: null,
      kind: 'away taken back',
      entity: 'person',
      entityId: row.personId,
      fromVersion: null,
      data: { from: row.firstDay, to: row.lastDay },
    });
    return ok({ id });
  },
});

/** Keeps what was promised; where nobody said when the instrument is wanted, it is wanted then. */
export const promiseDay = defineUseCase({
  name: 'week.promise',
  run: async (work, { jobId, day, chance }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const { zone } = await loadShop({ models });
    if (day < dayIn(now.getTime(), zone)) return fail(invalidField('day', 'That day is over'));
    const job = opened.value;
    const row = await models.PromiseRow.create(
      { jobId, day, chance: chance === null ? null : chance.toFixed(3), madeBy: actor.personId, madeAt: now },
      { transaction: t },
    );
    if (job.neededBy === null)
      await job.update({ neededBy: day, version: job.version + 1 }, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'date promised',
      entity: 'promise',
      entityId: row.id,
      fromVersion: null,
      data: { day, chance },
    });
    return ok({ id: row.id });
  },
});

/** Takes a plan that was tried. What cannot stand as it says by then finds its place when the plan is next looked at. */
export const takePlan = defineUseCase({
  name: 'week.take',
  run: async (work, { steps, why }) => {
    const { models, t } = work;
    const open = new Set(
      (await models.Job.findAll({ where: { state: 'open' }, attributes: ['id'], transaction: t })).map(
        (j) => j.id,
      ),
    );
    const people = new Set(
      (await models.Person.findAll({ where: { active: true }, attributes: ['id'], transaction: t })).map(
        (p) => p.id,
      ),
    );
    const rows = steps.filter((s) => open.has(s.jobId) && people.has(s.worker));
    if (rows.length === 0) return fail(refuse('What it moves is not there any more.'));
    await models.PlannedStep.bulkCreate(
      rows.map((s) => ({
        step: s.step,
        jobId: s.jobId,
        personId: s.worker,
        spot: s.spot,
        startsAt: new Date(s.at),
      })),
      { updateOnDuplicate: ['personId', 'spot', 'startsAt'], transaction: t },
    );
    await forgetMoves(
      models,
      rows.map((r) => r.step),
      t,
    );
    await recordEvent(work, {
      jobId: null,
      kind: 'plan taken',
      entity: 'plan',
      entityId: 'week',
      fromVersion: null,
      data: { why, steps: rows.length },
    });
    return ok({ steps: rows.length });
  },
});
