import { refuse } from '../../contracts/failure.ts';
import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { offeredKinds } from '../house/kinds.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { noteBrought } from './take-back.ts';

const idsOf = (rows: readonly { readonly id: number }[]): number[] => rows.map((r) => r.id);
const keyOf = (...parts: readonly string[]): string => JSON.stringify(parts.map((p) => p.toLowerCase()));

const written = (work: Work, what: 'customers' | 'instruments', data: object) =>
  recordEvent(work, {
    jobId: null,
    kind: `${what} brought in`,
    entity: what,
    entityId: 0,
    fromVersion: null,
    data,
  });

/** Brings customers in from a file: whom the book has just so is left alone, everybody else is written. */
export const importCustomers = defineUseCase({
  name: 'shelf.import-customers',
  run: async (work, { customers }) => {
    const { models, t, now } = work;
    const known = new Set(
      (await models.Customer.findAll({ transaction: t })).map((c) => keyOf(c.name, c.phone, c.email)),
    );
    const fresh = customers.filter((c) => {
      const key = keyOf(c.name, c.phone, c.email);
      if (known.has(key)) return false;
      known.add(key);
      return true;
    });
    const made = await models.Customer.bulkCreate(
      fresh.map((c) => ({ ...c, createdAt: now })),
      { transaction: t },
    );
    await noteBrought(work, 'customer', idsOf(made));
    await written(work, 'customers', { added: fresh.length });
    return ok({ added: fresh.length, known: customers.length - fresh.length });
  },
});

/** Brings instruments in from a file; an owner the book does not know by name is written with the first of theirs. */
export const importInstruments = defineUseCase({
  name: 'shelf.import-instruments',
  run: async (work, { instruments }) => {
    const { models, t, now } = work;
    const kinds = new Set((await offeredKinds({ models })).map((k) => k.id));
    const strange = instruments.find((i) => !kinds.has(i.kind));
    if (strange) return fail(refuse(`The shop knows no kind “${strange.kind}”: add it under House first.`));
    const customers = await models.Customer.findAll({
      where: { mergedInto: null },
      order: [['id', 'DESC']],
      transaction: t,
    });
    const owners = new Map(customers.map((c) => [c.name.toLowerCase(), c.id]));
    const rows = await models.Instrument.findAll({ where: { mergedInto: null }, transaction: t });
    const known = new Set(rows.map((i) => keyOf(String(i.customerId), i.maker, i.model, i.serial)));
    const strangers = new Map(
      instruments
        .filter((i) => !owners.has(i.customer.toLowerCase()))
        .map((i) => [i.customer.toLowerCase(), i.customer]),
    );
    const owned = await models.Customer.bulkCreate(
      [...strangers.values()].map((name) => ({ name, createdAt: now })),
      { transaction: t },
    );
    if (strangers.size > 0)
      for (const c of await models.Customer.findAll({
        where: { name: [...strangers.values()] },
        transaction: t,
      }))
        if (!owners.has(c.name.toLowerCase())) owners.set(c.name.toLowerCase(), c.id);
    const fresh = instruments.flatMap(({ customer, construction, ...named }) => {
      const customerId = owners.get(customer.toLowerCase()) ?? 0;
      const key = keyOf(String(customerId), named.maker, named.model, named.serial);
      if (known.has(key)) return [];
      known.add(key);
      return [{ ...named, customerId, construction, scaleMm: String(construction.scale), createdAt: now }];
    });
    const made = await models.Instrument.bulkCreate(fresh, { transaction: t });
    await noteBrought(work, 'customer', idsOf(owned));
    await noteBrought(work, 'instrument', idsOf(made));
    await written(work, 'instruments', { added: fresh.length });
    return ok({ added: fresh.length, known: instruments.length - fresh.length });
  },
});
