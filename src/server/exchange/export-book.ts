import { toCustomersCsv, toVcards } from '../../contracts/formats/customers.ts';
import { toInstrumentsCsv } from '../../contracts/formats/instruments.ts';
import type { Database } from '../db/connection.ts';

const byName = { where: { mergedInto: null, erasedAt: null }, order: [['name', 'ASC'] as [string, string]] };

async function instruments({ models }: Database): Promise<string> {
  const [customers, rows] = await Promise.all([
    models.Customer.findAll(),
    models.Instrument.findAll({ where: { mergedInto: null }, order: [['id', 'ASC']] }),
  ]);
  const names = new Map(customers.map((c) => [c.id, c.name]));
  return toInstrumentsCsv(
    rows.map(({ customerId, kind, maker, model, year, serial, construction }) => ({
      customer: names.get(customerId) ?? '',
      kind,
      maker,
      model,
      year,
      serial,
      construction,
    })),
  );
}

/** The files the book of customers and instruments goes out as. */
export const BOOK_FILES: Readonly<
  Record<string, { readonly type: string; readonly make: (db: Database) => Promise<string> }>
> = {
  'customers.vcf': {
    type: 'text/vcard; charset=utf-8',
    make: async ({ models }) => toVcards(await models.Customer.findAll(byName)),
  },
  'customers.csv': {
    type: 'text/csv; charset=utf-8',
    make: async ({ models }) => toCustomersCsv(await models.Customer.findAll(byName)),
  },
  'instruments.csv': { type: 'text/csv; charset=utf-8', make: instruments },
};
