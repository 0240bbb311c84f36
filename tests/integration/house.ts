import { randomUUID } from 'node:crypto';
import type { CommandAnswer, CommandInput, CommandName } from '../../src/contracts/commands/commands.ts';
import type { Failure } from '../../src/contracts/failure.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import type { Kind } from '../../src/core/instrument/kinds.ts';
import type { Role } from '../../src/core/people/roles.ts';
import type { Result } from '../../src/core/result.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { migrate } from '../../src/server/db/migrate.ts';
import { hashPin } from '../../src/server/people/pin.ts';
import { execute } from '../../src/server/door/execute.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import { SAID_KINDS } from '../../src/core/history/say-sentence.ts';
import { loadHistory } from '../../src/server/jobs/load-history.ts';
import { demoDatabase, emptyDatabase } from '../../cli/base/told-demo.ts';
import { fillShop } from '../../src/demo/fill-shop.ts';

/** A throwaway database on the test server that begins here and now, under the secret that is the house's. */
export async function begunHouse(name: string): Promise<Database> {
  const url = process.env['RUBRICA_TEST_SERVER'] ?? '';
  const admin = openDatabase(url.replace('{database}', 'information_schema'));
  await admin.sequelize.query(`DROP DATABASE IF EXISTS rubrica_${name}`);
  await admin.sequelize.query(
    `CREATE DATABASE rubrica_${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
  );
  await admin.sequelize.close();
  const db = openDatabase(url.replace('{database}', `rubrica_${name}`));
  await migrate(db.sequelize);
  return db;
}

/** A throwaway database on the test server, as one that began is: a copy of it. */
export async function emptyHouse(name: string): Promise<Database> {
  const url = process.env['RUBRICA_TEST_SERVER'];
  if (!url) throw new Error('run the integration tests with ./rubrica test integration');
  return openDatabase(
    await emptyDatabase((database) => url.replace('{database}', database), `rubrica_${name}`),
  );
}

/** The same with a shop, a device and one person of each role. */
export async function staffedHouse(name: string) {
  const db = await emptyHouse(name);
  await fillShop(db, 'Test bench');
  const pinHash = await hashPin('1234');
  const device = await db.models.Device.create({
    name: 'tablet',
    tokenHash: 'x'.repeat(64),
    pairedAt: new Date(),
  });
  const hire = async (role: Role): Promise<Actor> => {
    const person = await db.models.Person.create({
      name: `The ${role}`,
      initials: role.charAt(0),
      role,
      pinHash,
    });
    return { personId: person.id, deviceId: device.id, name: person.name, initials: person.initials, role };
  };
  const [desk, technician, lead, owner] = [
    await hire('desk'),
    await hire('technician'),
    await hire('lead'),
    await hire('owner'),
  ];
  const give = <N extends CommandName>(
    actor: Actor,
    command: N,
    input: CommandInput<N>,
    id: string = randomUUID(),
    now?: () => Date,
  ): Promise<Result<CommandAnswer<N>, Failure>> => execute(db, actor, command, input, id, now);
  return { db, desk, technician, lead, owner, give };
}

/** A throwaway database with the demo shop, as the first test that wanted it told it. */
export async function demoHouse(name: string): Promise<Database> {
  const server = process.env['RUBRICA_TEST_SERVER'] ?? '';
  return openDatabase(
    await demoDatabase((database) => server.replace('{database}', database), `rubrica_${name}`),
  );
}

/** What the counter says of an ordinary steel-string. */
export const intake = (
  kind: Kind = 'steel-acoustic',
  more: Partial<CommandInput<'desk.take-in'>> = {},
): CommandInput<'desk.take-in'> => {
  const usual = usualConstruction(kind);
  return {
    customer: { name: 'Petra Aldous', phone: '555 0101', email: '' },
    instrument: {
      maker: 'Wendlow',
      model: 'Otter',
      year: '2009',
      serial: 'WO-1',
      construction: { ...usual, strings: [...usual.strings] },
    },
    complaint: 'It plays stiff.',
    touch: 'medium',
    plays: '',
    wish: '',
    neededBy: null,
    hardDate: false,
    hardReason: '',
    limitMinor: null,
    stringsState: 'at-pitch',
    cameWith: [{ name: 'hard case', state: '' }],
    placeId: null,
    ...more,
  };
};

/** The value of a result that must have gone well. */
export function value<T>(result: Result<T, Failure>): T {
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
}

/** What the histories of all jobs say that no customer or colleague should read: holes, ids, kinds without a sentence. */
export async function unsaid(db: Database): Promise<string[]> {
  const wrong: string[] = [];
  for (const { number } of await db.models.Job.findAll({ attributes: ['number'] }))
    for (const e of (await loadHistory(db, number))?.entries ?? [])
      if (!SAID_KINDS.has(e.kind) || /undefined|NaN|\[object|null|Minor|Id\b|“”|: ?$/.test(e.says))
        wrong.push(`${e.kind}: ${e.says}`);
  return [...new Set(wrong)];
}
