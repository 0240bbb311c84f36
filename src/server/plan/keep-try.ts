import { invalidField } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Keeps what was tried on a neck by a name, or changes what is kept. Nothing of it is a reading. */
export const keepTry = defineUseCase({
  name: 'plan.keep-try',
  run: async (work, { jobId, tryId, name, moves, version }) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const called = await models.WhatIf.findOne({ where: { jobId, name }, transaction: t });
    if (called && called.id !== tryId) return fail(invalidField('name', 'One of that name is kept already.'));
    const known =
      tryId === 0 ? null : await models.WhatIf.findOne({ where: { id: tryId, jobId }, transaction: t });
    if (tryId !== 0 && !known) return fail({ code: 'not-found', message: 'It is not kept any more.' });
    if (known && known.version !== version) return conflict(work, known.madeBy, known.name, known.version);
    const values = { name, moves, madeBy: actor.personId, madeAt: now };
    const kept = known
      ? await known.update({ ...values, version: version + 1 }, { transaction: t })
      : await models.WhatIf.create({ jobId, ...values }, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'what-if kept',
      entity: 'what-if',
      entityId: kept.id,
      fromVersion: known ? version : null,
      data: { name, moves },
    });
    return ok({ tryId: kept.id, version: kept.version });
  },
});

/** Forgets what was kept by a name; the log remembers it. */
export const dropTry = defineUseCase({
  name: 'plan.drop-try',
  run: async (work, { tryId, version }) => {
    const { models, t } = work;
    const known = await models.WhatIf.findByPk(tryId, { transaction: t });
    if (!known) return fail({ code: 'not-found', message: 'It is not kept any more.' });
    const opened = await openJob(work, known.jobId);
    if (!opened.ok) return opened;
    if (known.version !== version) return conflict(work, known.madeBy, known.name, known.version);
    await known.destroy({ transaction: t });
    await recordEvent(work, {
      jobId: known.jobId,
      kind: 'what-if dropped',
      entity: 'what-if',
      entityId: tryId,
      fromVersion: version,
      data: { name: known.name, moves: known.moves },
    });
    return ok({ tryId });
  },
});
