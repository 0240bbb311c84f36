import type { Database } from '../server/db/connection.ts';
import { hashPin } from '../server/people/pin.ts';
import { fillShop } from './fill-shop.ts';
import { randomInt } from 'node:crypto';

/**
 * A shop without demo data, on its first day: one owner, whose PIN is made here.
 * @returns the PIN: only its hash is kept
 */
export async function fillEmptyShop(db: Database): Promise<string> {
  const zone = process.env['RUBRICA_ZONE'] ?? 'UTC';
  await fillShop(db, 'Our shop', { tax: 0, zone });
  await db.models.Setting.create({ name: 'first day', value: { done: [], closed: false }, version: 1 });
  const pin = String(randomInt(100_000, 1_000_000));
  await db.models.Person.create({ name: 'Owner', initials: 'O', role: 'owner', pinHash: await hashPin(pin) });
  return pin;
}
