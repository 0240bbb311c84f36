import { col, fn, Op, where } from 'sequelize';
import type { Construction } from '../../core/instrument/construction.ts';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';
import type { Customer } from '../db/models/shop.ts';

export interface FoundInstrument {
  readonly id: number;
  readonly name: string;
  readonly serial: string;
  readonly kind: string;
  readonly construction: Construction;
  readonly openJob: number | null;
}

export interface FoundCustomer {
  readonly id: number;
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly instruments: readonly FoundInstrument[];
}

const escapeLike = (s: string): string => s.replace(/[\\%_]/g, (c) => `\\${c}`);
const MOST = 8;

/** Customers found by a piece of their name, phone or one of their serial numbers, with their instruments. */
export async function findCustomers({ models }: Database, piece: string): Promise<FoundCustomer[]> {
  const text = piece.trim();
  if (text.length < 2) return [];
  const like = `%${escapeLike(text)}%`;
  const digits = text.replace(/[\s()+/.-]/g, '').replace(/\D.*/, '');
  const bySerial = await models.Instrument.findAll({
    where: { serial: { [Op.like]: like }, mergedInto: null },
    limit: MOST,
  });
  const customers = await models.Customer.findAll({
    where: {
      mergedInto: null,
      erasedAt: null,
      [Op.or]: [
        { name: { [Op.like]: like } },
        { phone: { [Op.like]: like } },
        ...(digits.length >= 4
          ? [where(fn('REGEXP_REPLACE', col('phone'), '[^0-9]', ''), { [Op.like]: `%${digits}%` })]
          : []),
        { id: bySerial.map((i) => i.customerId) },
      ],
    },
    order: [['name', 'ASC']],
    limit: MOST,
  });
  return withInstruments(models, customers);
}

/** One customer with the instruments the shop knows; null when there is none. */
export async function findCustomer({ models }: Database, id: number): Promise<FoundCustomer | null> {
  const customer = await models.Customer.findByPk(id);
  return customer ? ((await withInstruments(models, [customer]))[0] ?? null) : null;
}

async function withInstruments(models: Models, customers: readonly Customer[]): Promise<FoundCustomer[]> {
  const ids = customers.map((c) => c.id);
  const instruments =
    ids.length === 0 ? [] : await models.Instrument.findAll({ where: { customerId: ids, mergedInto: null } });
  const open =
    instruments.length === 0
      ? []
      : await models.Job.findAll({ where: { instrumentId: instruments.map((i) => i.id), state: 'open' } });
  return customers.map((c) => ({
    id: c.id,
    name: c.name,
    phone: c.phone,
    email: c.email,
    instruments: instruments
      .filter((i) => i.customerId === c.id)
      .map((i) => ({
        id: i.id,
        name: `${i.maker} ${i.model}`.trim(),
        serial: i.serial,
        kind: i.kind,
        construction: i.construction,
        openJob: open.find((j) => j.instrumentId === i.id)?.number ?? null,
      })),
  }));
}
