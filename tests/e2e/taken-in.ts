import { randomUUID } from 'node:crypto';
import type { CommandName } from '../../src/contracts/commands/commands.ts';
import type { Kind } from '../../src/core/instrument/kinds.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { execute } from '../../src/server/door/execute.ts';
import { takeIn, type Give, type More } from '../taken-in.ts';
import { DATABASE } from './shop.ts';

export type { Typed } from '../taken-in.ts';

/** Looks into the house's own database, and closes it again: one connection at a time holds the models. */
export async function inDatabase<T>(work: (db: Database) => Promise<T>): Promise<T> {
  const db = openDatabase(DATABASE);
  try {
    return await work(db);
  } finally {
    await db.sequelize.close();
  }
}

/** Does something as the owner would, from elsewhere: no screen of the tests does it. */
export async function asOdile<T>(work: (give: Give, db: Database) => Promise<T>): Promise<T> {
  const db = openDatabase(DATABASE);
  const person = await db.models.Person.findOne({ where: { name: 'Odile Farrant' } });
  const device = await db.models.Device.findOne({ where: { name: 'demo loader' } });
  if (!person || !device) throw new Error('the demo shop is empty');
  const actor = {
    personId: person.id,
    deviceId: device.id,
    name: person.name,
    initials: 'OF',
    role: person.role,
  };
  const give = async (name: CommandName, input: unknown) => {
    const done = await execute(db, actor, name, input, randomUUID());
    if (!done.ok) throw new Error(JSON.stringify(done.error));
    return done.value as never;
  };
  try {
    return await work(give, db);
  } finally {
    await db.sequelize.close();
  }
}

/** Takes an instrument of a kind in, as the counter does, with what was read of it, and answers its number. */
export const takenIn = (kind: Kind, maker: string, more: More = {}): Promise<number> =>
  asOdile(async (give, db) => (await takeIn(give, db, kind, maker, more)).number);
