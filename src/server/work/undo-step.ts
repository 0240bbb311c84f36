import { Op } from 'sequelize';
import { refuse, type Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { WorkLine } from '../db/models/work.ts';
import type { Work } from '../use-case/use-case.ts';

const PATIENCE_MS = 15 * 60_000;

/** How a line stands once its last step is taken back. */
interface Before {
  readonly step: WorkLine['step'];
  readonly finishedAt: Date | null;
  readonly finishedBy: number | null;
}

type Said = {
  readonly before?: WorkLine['step'];
  readonly finishedAt?: string | null;
  readonly finishedBy?: number | null;
};

/** Lets the person's newest clock on a line run on, unless they have begun something else since: nobody works twice at once. */
async function runOn({ models, t, actor }: Work, line: WorkLine): Promise<boolean> {
  const newest = await models.TimeEntry.findOne({
    where: { personId: actor.personId },
    order: [['id', 'DESC']],
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  if (newest?.lineId !== line.id || newest.endedAt === null) return false;
  await newest.update({ endedAt: null }, { transaction: t });
  return true;
}

/**
 * Takes the last thing done to a step back, as if it had not been tapped: by who did it, within a quarter of an hour. The
 * log keeps both.
 */
export async function undoStep(work: Work, line: WorkLine): Promise<Result<Before, Failure>> {
  const { models, t, actor, now } = work;
  const last = await models.EventRow.findOne({
    where: {
      jobId: line.jobId,
      entity: 'work line',
      entityId: String(line.id),
      kind: { [Op.like]: 'step %' },
    },
    order: [['id', 'DESC']],
    transaction: t,
  });
  if (!last || !['step start', 'step pause', 'step finish', 'step reopen'].includes(last.kind))
    return fail(refuse('There is nothing here to take back.'));
  if (last.personId !== actor.personId) return fail(refuse('Only who did it can take it back.'));
  if (now.getTime() - last.at.getTime() > PATIENCE_MS)
    return fail(refuse('That is longer than a quarter of an hour ago: put the clock right instead.'));
  const said = last.data as Said;
  const before = said.before ?? 'ready';
  switch (last.kind) {
    case 'step start':
      await models.TimeEntry.destroy({
        where: { lineId: line.id, personId: actor.personId, endedAt: null },
        transaction: t,
      });
      return ok({ step: before, finishedAt: null, finishedBy: null });
    case 'step reopen':
      return ok({
        step: 'finished',
        finishedAt: said.finishedAt ? new Date(said.finishedAt) : now,
        finishedBy: said.finishedBy ?? actor.personId,
      });
    default: {
      const runs = before === 'running' && (await runOn(work, line));
      return ok({ step: runs ? 'running' : 'paused', finishedAt: null, finishedBy: null });
    }
  }
}
