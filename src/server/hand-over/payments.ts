import { invalidField, refuse } from '../../contracts/failure.ts';
import { paidSoFar } from '../../core/money/payments.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Writes down what was paid, put down before, or given back, and how. Rubrica moves no money. */
export const recordPayment = defineUseCase({
  name: 'hand-over.paid',
  run: async (work, { jobId, kind, amountMinor, how, note, over }) => {
    const { models, t, now, actor } = work;
    const job = await models.Job.findByPk(jobId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!job) return fail({ code: 'not-found', message: 'There is no such job.' });
    const rows = await models.PaymentRow.findAll({ where: { jobId }, transaction: t });
    const paid = paidSoFar(
      rows.map((p) => ({ kind: p.kind, amount: p.amountMinor, takenBack: p.backAt !== null })),
    );
    if (paid !== over) return conflict(work, null, 'a payment was written down meanwhile', rows.length);
    if (kind === 'refund' && amountMinor > paid)
      return fail(invalidField('amountMinor', 'More than was paid cannot be given back.'));
    const row = await models.PaymentRow.create(
      { jobId, kind, amountMinor, how, note, byPerson: actor.personId, at: now },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId,
      kind: 'paid',
      entity: 'payment',
      entityId: row.id,
      fromVersion: null,
      data: { after: { kind, amount: amountMinor, how, note } },
    });
    return ok({ paymentId: row.id });
  },
});

/** Takes back a payment that was written down by mistake; it stays to be seen, with who and why. */
export const takeBackPayment = defineUseCase({
  name: 'hand-over.take-back-payment',
  run: async (work, { paymentId, version, why }) => {
    const { models, t, now, actor } = work;
    const row = await models.PaymentRow.findByPk(paymentId, { transaction: t });
    if (!row) return fail({ code: 'not-found', message: 'There is no such payment.' });
    await models.Job.findByPk(row.jobId, { transaction: t, lock: t.LOCK.UPDATE });
    await row.reload({ transaction: t, lock: t.LOCK.UPDATE });
    if (row.version !== version) return conflict(work, row.backBy, 'this payment', row.version);
    if (row.backAt !== null) return fail(refuse('It was taken back already.'));
    await row.update(
      { backAt: now, backBy: actor.personId, backWhy: why, version: version + 1 },
      { transaction: t },
    );
    await recordEvent(work, {
      jobId: row.jobId,
      kind: 'payment taken back',
      entity: 'payment',
      entityId: row.id,
      fromVersion: version,
      data: { before: { kind: row.kind, amount: row.amountMinor, how: row.how }, why },
    });
    return ok({ version: version + 1 });
  },
});
