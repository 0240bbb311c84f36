import { refuse } from '../../contracts/failure.ts';
import { invoiceView } from '../../core/job/views/invoice.ts';
import { fail, ok } from '../../core/result.ts';
import { readJob } from '../jobs/read-job.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

/** The next running number, held until the transaction ends: none is left out and none is given twice. */
async function nextNumber({ models, t }: Work): Promise<number> {
  const last = await models.InvoiceRow.findOne({
    order: [['number', 'DESC']],
    transaction: t,
    lock: t.LOCK.UPDATE,
  });
  return (last?.number ?? 0) + 1;
}

/** Makes an invoice of a job as it stands. One that stands already must be cancelled first. */
export const makeInvoice = defineUseCase({
  name: 'hand-over.invoice',
  run: async (work, { jobId }) => {
    const { models, t, actor, now } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    const g = await readJob(models, job, ['customer', 'payments', 'invoices'], t);
    const standing = g.invoices.find(
      (i) => i.cancels === null && !g.invoices.some((c) => c.cancels === i.number),
    );
    if (standing) return fail(refuse(`Invoice ${standing.number} stands: cancel it before another is made.`));
    const content = invoiceView(g, g.shop.info, now);
    if (content.lines.length === 0) return fail(refuse('There is nothing to invoice.'));
    const number = await nextNumber(work);
    await models.InvoiceRow.create(
      { number, jobId, content, madeBy: actor.personId, madeAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId,
      kind: 'invoice made',
      entity: 'invoice',
      entityId: number,
      fromVersion: null,
      data: { after: { number, toPay: content.toPay } },
    });
    return ok({ number });
  },
});

/** Cancels an invoice: another is made with its own number, which says the same with the reason. */
export const cancelInvoice = defineUseCase({
  name: 'hand-over.cancel-invoice',
  run: async (work, { number: wrong, reason }) => {
    const { models, t, actor, now } = work;
    const standing = await models.InvoiceRow.findByPk(wrong, { transaction: t, lock: t.LOCK.UPDATE });
    if (!standing || standing.cancels !== null)
      return fail({ code: 'not-found', message: 'There is no such invoice.' });
    const gone = await models.InvoiceRow.findOne({ where: { cancels: wrong }, transaction: t });
    if (gone) return fail(refuse(`It was cancelled already, by ${gone.number}.`));
    const number = await nextNumber(work);
    const { jobId, content } = standing;
    await models.InvoiceRow.create(
      { number, jobId, content, cancels: wrong, reason, madeBy: actor.personId, madeAt: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId,
      kind: 'invoice cancelled',
      entity: 'invoice',
      entityId: wrong,
      fromVersion: null,
      data: { after: { by: number, reason } },
    });
    return ok({ number });
  },
});
