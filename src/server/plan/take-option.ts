import { refuse } from '../../contracts/failure.ts';
import { agreedOperation, operation } from '../../core/catalogue/operations.ts';
import { partsFor } from '../../core/job/set-paid.ts';
import { fail, ok } from '../../core/result.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { moverOf } from '../stores/move.ts';
import { setAsideFor } from '../stores/set-aside.ts';
import { pricedParts } from './price-set.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Puts the lines of the option the customer chose on the order, with their yes; a line that stands there already stays. */
export const takeOption = defineUseCase({
  name: 'plan.take-option',
  run: async (work, { offerId }) => {
    const { models, t } = work;
    const offer = await models.Offer.findByPk(offerId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!offer) return fail({ code: 'not-found', message: 'There is no such offer.' });
    const opened = await openJob(work, offer.jobId);
    if (!opened.ok) return opened;
    const chosen = offer.content.options.find((o) => o.id === offer.choice);
    if (!chosen?.operations) return fail(refuse('Nothing that was written by hand was chosen.'));
    const [catalogue, standing] = await Promise.all([
      catalogueOf(models, t),
      models.WorkLine.findAll({ where: { jobId: offer.jobId }, transaction: t }),
    ]);
    const open = standing.filter((l) => l.step !== 'finished');
    const there = new Set(open.map((l) => l.operation));
    const missing = chosen.operations.filter((id) => !there.has(id)).map((id) => operation(id, catalogue));
    const others = [
      ...standing.map((l) => ({ approval: l.approval, op: agreedOperation(l, catalogue) })),
      ...missing.map((op) => ({ approval: 'yes' as const, op })),
    ];
    const said = {
      approval: 'yes' as const,
      approvedBy: offer.choiceBy,
      approvedHow: offer.choiceHow,
      approvedAt: offer.chosenAt,
    };
    for (const line of open.filter((l) => l.approval !== 'yes' && chosen.operations?.includes(l.operation)))
      await line.update({ ...said, version: line.version + 1 }, { transaction: t });
    const made = await models.WorkLine.bulkCreate(
      missing.map((op, i) => ({
        jobId: offer.jobId,
        operation: op.id,
        record: op,
        title: op.name,
        detail: '',
        sort: op.order,
        minutes: op.minutes.likely,
        priceMinor: op.price,
        ...pricedParts(partsFor(op, opened.value.setPaidBy, others.slice(0, standing.length + i))),
        ...said,
      })),
      { transaction: t },
    );
    await setAsideFor(moverOf(work), opened.value, [
      ...open.filter((l) => chosen.operations?.includes(l.operation)),
      ...made,
    ]);
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: offer.jobId,
      kind: 'option put on the order',
      entity: 'offer',
      entityId: offerId,
      fromVersion: null,
      data: { name: chosen.name, operations: missing.map((op) => op.id) },
    });
    return ok({ lines: missing.length });
  },
});
