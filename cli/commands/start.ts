import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { buildIfNeeded } from '../base/build.ts';
import { openHouse, type House } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { claimShop } from '../base/running-shop.ts';
import { say } from '../base/say.ts';
import { endServer, serve } from '../base/serve.ts';

const PAIRINGS = 20;

async function tell(house: House, port: number): Promise<void> {
  const code = await makePairingCode(house.db, new Date(), PAIRINGS);
  const people = await house.db.models.Person.findAll();
  const demo = DEMO_PEOPLE.filter((d) => people.some((p) => p.name === d.name));
  const pins = demo.map((p) => `    ${p.name.padEnd(18)} ${p.role.padEnd(11)} PIN ${p.pin}`).join('\n');
  process.stdout.write(
    `\nRubrica is open at http://127.0.0.1:${port}\n\n` +
      `  Pair this device first: http://127.0.0.1:${port}/pair?code=${code}\n` +
      (demo.length > 0 ? `  Then tap a name (demo shop):\n${pins}\n` : '') +
      '\n  Ctrl-C stops Rubrica and its database.\n\n',
  );
}

const untilStopped = (): Promise<void> =>
  new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.once(signal, () => resolve());
  });

async function serveUntilStopped(o: Options, mode: 'start' | 'dev'): Promise<number> {
  const [house] = await Promise.all([
    openHouse(o.empty ? 'empty' : 'demo'),
    mode === 'start' ? buildIfNeeded() : null,
  ]);
  const stopped = untilStopped();
  try {
    const env = { RUBRICA_DATABASE_URL: house.url, RUBRICA_SECRET: house.secret };
    const child = await serve(o.port, env, mode);
    await tell(house, o.port);
    const died = new Promise<'died'>((r) => child.once('exit', () => r('died')));
    const how = await Promise.race([stopped, died]);
    say(how === 'died' ? 'the server ended by itself; closing the database' : 'closing …');
    await endServer(child);
    return how === 'died' ? 1 : 0;
  } finally {
    await house.close();
  }
}

/** Serves the house until it is told to stop; stops both cleanly. */
export async function serveHouse(o: Options, mode: 'start' | 'dev'): Promise<number> {
  const release = await claimShop(o.port);
  try {
    return await serveUntilStopped(o, mode);
  } finally {
    release();
  }
}

export const run = (o: Options): Promise<number> => serveHouse(o, 'start');
