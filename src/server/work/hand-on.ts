import { invalidField } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { readJob } from '../jobs/read-job.ts';
import { judge } from '../../core/job/judge.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { tell } from '../people/notices.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { stopClocks } from './clocks.ts';

/** The giver's clock on this job stops: the hands are another's from now on. */
async function letGo(work: Work, job: Job): Promise<void> {
  const { models, t, actor } = work;
  const running = await models.TimeEntry.findOne({
    where: { personId: actor.personId, endedAt: null },
    transaction: t,
  });
  const line = running && (await models.WorkLine.findByPk(running.lineId, { transaction: t }));
  if (line?.jobId !== job.id) return;
  await stopClocks(work, { personId: actor.personId });
  const others = await models.TimeEntry.count({ where: { lineId: line.id, endedAt: null }, transaction: t });
  if (others > 0) return;
  await line.update({ step: 'paused', version: line.version + 1 }, { transaction: t });
  await recordEvent(work, {
    jobId: job.id,
    kind: 'step interrupted',
    entity: 'work line',
    entityId: line.id,
    fromVersion: line.version - 1,
    data: { by: 'handed on' },
  });
}

/** Gives a job into a colleague's hands: how it stands, what is stale, what was tried, what to beware of. */
export const handOn = defineUseCase({
  name: 'work.hand-on',
  run: async (work, { jobId, version, toPerson, state, tried, beware }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.version !== version) return conflict(work, job.holderId, 'who has it', job.version);
    if (toPerson === actor.personId) return fail(invalidField('toPerson', 'To somebody else.'));
    const person = await models.Person.findByPk(toPerson, { transaction: t });
    if (!person?.active) return fail(invalidField('toPerson', 'Who takes it?'));
    const g = await readJob(models, job, [], t);
    const { stale } = judge(g);
    const labels = g.stations.filter((s) => stale.has(s.key)).map((s) => s.label);
    await letGo(work, job);
    const handed = await models.HandOn.create(
      { jobId, fromPerson: actor.personId, toPerson, state, tried, beware, stale: labels, at: now },
      { transaction: t },
    );
    const before = { holderId: job.holderId };
    job.set({ holderId: toPerson, version: version + 1 });
    await job.save({ transaction: t });
    await tell(work, [toPerson], jobId, 'handed', `${actor.name} hands you job ${job.number}: ${state}`);
    await recordEvent(work, {
      jobId,
      kind: 'job handed on',
      entity: 'hand-on',
      entityId: handed.id,
      fromVersion: version,
      data: { before, after: { holderId: toPerson }, state, tried, beware, stale: labels },
    });
    return ok({ version: job.version });
  },
});
