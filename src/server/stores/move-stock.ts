import { invalidField } from '../../contracts/failure.ts';
import { may } from '../../core/people/roles.ts';
import { fail, ok } from '../../core/result.ts';
import { freeOf, type MoveKind } from '../../core/stock/ledger.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { happen, levelOf, lockedItem, moverOf } from './move.ts';
import { serveWants } from './wants.ts';

/** What only who works may do; what comes in, is counted or waits for a job anybody may say. */
const WORKING: readonly MoveKind[] = ['used', 'broken', 'returned'];

/** Writes into the ledger what happens to an item. */
export const moveStock = defineUseCase({
  name: 'stores.move',
  run: async (work, { itemId, ...h }) => {
    const { models, t, actor } = work;
    if (WORKING.includes(h.kind) && !may(actor.role, 'work'))
      return fail({ code: 'not-allowed', message: 'Who works at the benches says what was used.' });
    const item = await lockedItem(work, itemId);
    if (!item) return fail({ code: 'not-found', message: 'There is no such item on the shelves.' });
    if ((h.kind === 'set-aside' || h.kind === 'released') && h.jobId === null)
      return { ok: false, error: invalidField('jobId', 'For which job?') };
    if (h.jobId !== null) {
      const job = await models.Job.findByPk(h.jobId, { attributes: ['id', 'state'], transaction: t });
      if (!job) return { ok: false, error: invalidField('jobId', 'There is no such job.') };
      if (job.state !== 'open' && h.kind === 'set-aside')
        return { ok: false, error: invalidField('jobId', 'That job is closed: nothing waits for it.') };
    }
    if (h.lineId !== null) {
      const line = await models.WorkLine.findByPk(h.lineId, { attributes: ['jobId'], transaction: t });
      if (!line || line.jobId !== h.jobId)
        return { ok: false, error: invalidField('lineId', 'That step is not of that job.') };
    }
    const counts = h.kind === 'counted' && h.quantity !== Number(item.onHand);
    if ((counts || h.kind === 'broken') && h.reason === '')
      return {
        ok: false,
        error: invalidField('reason', counts ? 'Why is it another number?' : 'What happened to it?'),
      };
    const mover = moverOf(work);
    const done = await happen(mover, item, h);
    if (!done.ok) return done;
    await serveWants(mover, item);
    const level = await levelOf(mover, item);
    return ok({ onHand: level.onHand, free: freeOf(level) });
  },
});
