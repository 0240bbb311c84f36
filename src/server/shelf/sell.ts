import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Sells an instrument off the floor: it is its buyer’s from then on; its check stays as their baseline. */
export const sellInstrument = defineUseCase({
  name: 'shelf.sell',
  run: async (work, { instrumentId, version, customer: buyer }) => {
    const { models, t, now } = work;
    const instrument = await models.Instrument.findByPk(instrumentId, {
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!instrument) return fail({ code: 'not-found', message: 'There is no such instrument.' });
    if (instrument.version !== version) return conflict(work, null, 'this instrument', instrument.version);
    if (instrument.floorSince === null) return fail(refuse('It does not hang on the floor.'));
    const inHouse = await models.Job.findOne({ where: { instrumentId, state: 'open' }, transaction: t });
    if (inHouse) return fail(refuse(`It is at the bench, as job ${inHouse.number}.`));
    const customer =
      'id' in buyer
        ? await models.Customer.findOne({ where: { id: buyer.id, mergedInto: null }, transaction: t })
        : await models.Customer.create({ ...buyer, createdAt: now }, { transaction: t });
    if (!customer) return fail(refuse('That customer is not in the book any more.'));
    const before = { customerId: instrument.customerId };
    await instrument.update(
      { customerId: customer.id, floorSince: null, version: version + 1 },
      { transaction: t },
    );
    const last = await models.Job.findOne({
      where: { instrumentId },
      order: [['number', 'DESC']],
      transaction: t,
    });
    await recordEvent(work, {
      jobId: last?.id ?? null,
      kind: 'instrument sold',
      entity: 'instrument',
      entityId: instrumentId,
      fromVersion: version,
      data: { before, after: { customerId: customer.id, name: customer.name } },
      names: [customer],
    });
    return ok({ customerId: customer.id });
  },
});
