import { QueryTypes } from 'sequelize';
import { openDatabase } from '../../src/server/db/connection.ts';
import { openHouse } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { runningShop } from '../base/running-shop.ts';
import { say, Trouble } from '../base/say.ts';
import { isHostName } from '../lan/caddyfile.ts';
import { enterShop, isFirst, noteShop, putAside, shopCalled, shops, type Shop } from '../shops/shops.ts';

/** Whether somebody works in a database already: two shops never share one. */
async function isInUse(url: string): Promise<boolean> {
  const db = openDatabase(url);
  try {
    const [found] = await db.sequelize.query<{ n: number }>(
      "SELECT COUNT(*) AS n FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = 'people'",
      { type: QueryTypes.SELECT },
    );
    return Number(found?.n) > 0;
  } finally {
    await db.sequelize.close();
  }
}

/** The outside database that the surroundings name for a new shop; null: it has a private one. */
async function databaseNamed(): Promise<Shop['database']> {
  const url = process.env['RUBRICA_DATABASE_URL'];
  if (url === undefined || url === '') return null;
  if (await isInUse(url))
    throw new Trouble(
      'the database that RUBRICA_DATABASE_URL names belongs to a shop already: each has its own',
    );
  return { url, runningUrl: process.env['RUBRICA_RUNNING_DATABASE_URL'] ?? url };
}

const needsStop = (): void => {
  const running = runningShop();
  if (running)
    throw new Trouble(
      `Rubrica is open at http://127.0.0.1:${running.port}: stop it first (./rubrica stop), and start it again afterwards`,
    );
};

async function add(name: string | undefined, o: Options): Promise<number> {
  if (name === undefined || o.host === undefined) throw new Trouble('./rubrica shop add NAME --host HOST');
  const host = o.host.toLowerCase();
  if (!isHostName(host)) throw new Trouble(`--host takes a name such as second.bench.local, not ${o.host}`);
  needsStop();
  const shop = noteShop(name, host, await databaseNamed());
  enterShop(shop);
  const house = await openHouse('empty');
  await house.close();
  say(`the shop ${name} is empty, and its owner's; from the next start on it is served at ${host}`);
  say(`every command is about it with --shop ${name}`);
  return 0;
}

function list(): number {
  const all = shops();
  if (all.length === 0)
    say('there is one shop on this machine. Another: ./rubrica shop add NAME --host HOST');
  for (const s of all)
    process.stdout.write(
      `${s.name.padEnd(20)} ${s.host.padEnd(30)} port ${s.port}  ${s.database === null ? 'its own database' : 'an outside database'}\n`,
    );
  return 0;
}

function remove(name: string | undefined): number {
  if (name === undefined) throw new Trouble('./rubrica shop remove NAME');
  needsStop();
  const shop = shopCalled(name);
  const to = putAside(shop, new Date());
  say(`the shop ${name} is served no more. Nothing is thrown away: what it held stands in ${to}`);
  if (shop.database !== null) say('its outside database is as it was');
  return 0;
}

/** The shops of this machine: another one begins, all are named, one is taken out. */
export async function run(o: Options): Promise<number> {
  if (!isFirst()) throw new Trouble('a shop has no shops of its own: leave --shop out');
  const [what, name] = o.rest;
  if (what === 'add') return add(name, o);
  if (what === 'list' || what === undefined) return list();
  if (what === 'remove') return remove(name);
  throw new Trouble('./rubrica shop add NAME --host HOST, shop list, shop remove NAME');
}
