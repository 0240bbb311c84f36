import { databasePlace } from '../base/database-place.ts';
import { findProgram } from '../base/packages.ts';
import { isUsed, stopServer } from '../base/private-database.ts';
import { runningShop } from '../base/running-shop.ts';
import { say } from '../base/say.ts';

const WAIT_MS = 15_000;

/** Stops what this checkout runs: its shop, and a database that was left running. */
export async function run(): Promise<number> {
  const shop = runningShop();
  if (shop !== null) {
    process.kill(shop.pid, 'SIGTERM');
    for (let i = 0; i < WAIT_MS / 50 && runningShop() !== null; i++)
      await new Promise((r) => setTimeout(r, 50));
    say('stopped');
  }
  // Where the server was never installed, nothing of it can be left.
  if (!findProgram('mariadbd')) {
    if (shop === null) say('nothing of this checkout was running');
    return 0;
  }
  const place = databasePlace('database');
  const left = await stopServer(place);
  if (isUsed(place)) say('the database ends with the other command of this checkout that uses it');
  else if (shop === null)
    say(left ? 'stopped a database that was left running' : 'nothing of this checkout was running');
  return 0;
}
