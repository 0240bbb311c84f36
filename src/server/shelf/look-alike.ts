import { col, fn, Op, where } from 'sequelize';
import { likeCustomers, likeInstruments } from '../../core/record/duplicates.ts';
import type { Models } from '../db/models/index.ts';
import type { Customer, Instrument } from '../db/models/shop.ts';

const digits = (s: string): string => s.replace(/\D/g, '');

async function customersLike(models: Models, customer: Customer) {
  const phone = digits(customer.phone);
  return models.Customer.findAll({
    where: {
      mergedInto: null,
      [Op.or]: [
        { id: customer.id },
        { name: customer.name },
        ...(customer.email === '' ? [] : [{ email: customer.email }]),
        ...(phone === '' ? [] : [where(fn('REGEXP_REPLACE', col('phone'), '[^0-9]', ''), phone)]),
      ],
    },
  });
}

/** Why the owner or the instrument of a job looks as if it stood in the book twice, in words; null when neither does. */
export async function looksDouble(
  models: Models,
  customer: Customer | null,
  instrument: Instrument,
): Promise<string | null> {
  const [customers, instruments, judged] = await Promise.all([
    customer ? customersLike(models, customer) : [],
    instrument.serial === ''
      ? [instrument]
      : models.Instrument.findAll({ where: { serial: instrument.serial, mergedInto: null } }),
    models.Merge.findAll({ where: { verdict: 'apart', undoneAt: null } }),
  ]);
  const apart = new Set(judged.map((m) => `${m.entity} ${m.keptId} ${m.goneId}`));
  const person = likeCustomers(customers).find((p) => !apart.has(`customer ${p.keep} ${p.gone}`));
  const thing = likeInstruments(instruments).find((p) => !apart.has(`instrument ${p.keep} ${p.gone}`));
  const said = [
    ...(person ? [`${customer?.name ?? 'the customer'} (${person.why})`] : []),
    ...(thing ? [`this instrument (${thing.why})`] : []),
  ];
  return said.length > 0 ? said.join(' and ') : null;
}
