import { invalidField, refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';
import { forget } from './forget.ts';

/** Forgets a customer whose jobs are all closed. */
export const eraseCustomer = defineUseCase({
  name: 'shelf.erase-customer',
  run: async (work, { customerId, version, name, why, photoIds, invoices }) => {
    const { models, t, now, actor, commandId } = work;
    const customer = await models.Customer.findByPk(customerId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!customer || customer.mergedInto !== null)
      return fail({ code: 'not-found', message: 'There is no such customer.' });
    if (customer.erasedAt !== null) return fail(refuse('They were forgotten already.'));
    if (customer.version !== version) return conflict(work, null, customer.name, customer.version);
    if (name.trim().toLowerCase() !== customer.name.trim().toLowerCase())
      return { ok: false, error: invalidField('name', `Their name is written “${customer.name}”.`) };
    const open = await models.Job.findOne({ where: { customerId, state: 'open' }, transaction: t });
    if (open) return fail(refuse(`Their job ${open.number} is open: it must end first.`));
    const who = { personId: actor.personId, deviceId: actor.deviceId, commandId };
    return ok(await forget({ models, t, now, who, why, photoIds, invoices }, customer));
  },
});
