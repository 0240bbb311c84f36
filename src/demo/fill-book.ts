import { usualConstruction } from '../core/instrument/defaults.ts';
import type { Database } from '../server/db/connection.ts';
import { BACKLOG_PLACES } from './backlog.ts';
import { DEMO_CUSTOMERS } from './customers.ts';
import { DEMO_INSTRUMENTS } from './instruments.ts';

const DAY = 86_400_000;

/** The rows of what the book holds: instruments by their serial numbers, places by their names. */
export interface Ids {
  readonly instruments: ReadonlyMap<string, { readonly id: number; readonly customerId: number }>;
  readonly places: ReadonlyMap<string, number>;
}

/** The customers and instruments of the demo shop, and where instruments hang. */
export async function fillBook({ models }: Database, now: Date): Promise<Ids> {
  const known = new Date(now.getTime() - 400 * DAY);
  const customers = await models.Customer.bulkCreate(DEMO_CUSTOMERS.map((c) => ({ ...c, createdAt: known })));
  const owner = new Map(customers.map((c) => [c.name, c.id]));
  const instruments = new Map<string, { id: number; customerId: number }>();
  for (const i of DEMO_INSTRUMENTS) {
    const construction = { ...usualConstruction(i.kind), ...i.facts };
    const customerId = owner.get(i.owner);
    if (customerId === undefined) throw new Error(`demo: nobody owns ${i.serial}`);
    const { maker, model, year, serial, kind } = i;
    const row = await models.Instrument.create({
      customerId,
      maker,
      model,
      year,
      serial,
      kind,
      construction,
      scaleMm: String(construction.scale),
      createdAt: now,
    });
    instruments.set(serial, { id: row.id, customerId });
  }
  const more = BACKLOG_PLACES.map((name, i) => ({ name, kind: 'rack' as const, sort: 50 + i }));
  await models.Place.bulkCreate(more);
  const places = await models.Place.findAll();
  return { instruments, places: new Map(places.map((p) => [p.name, p.id])) };
}
