import type { Database } from '../server/db/connection.ts';
import { hashPin } from '../server/people/pin.ts';
import { fillShop } from './fill-shop.ts';
import { randomInt } from 'node:crypto';

/** A shop without demo data, on its first day: one owner, whose PIN is made here and said once. */
export async function fillEmptyShop(db: Database): Promise<void> {
  const zone = process.env['RUBRICA_ZONE'] ?? 'UTC';
  await fillShop(db, 'Our shop', { tax: 0, zone });
  await db.models.Setting.create({ name: 'first day', value: { done: [], closed: false }, version: 1 });
  const pin = String(randomInt(100_000, 1_000_000));
  await db.models.Person.create({ name: 'Owner', initials: 'O', role: 'owner', pinHash: await hashPin(pin) });
  process.stderr.write(`rubrica: the owner's PIN is ${pin}. Write it down: it is not shown again.\n`);
}
