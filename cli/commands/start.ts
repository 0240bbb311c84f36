import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { buildIfNeeded } from '../base/build.ts';
import { lookOnlyOf } from '../base/look-only.ts';
import { openHouse, type House } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { claimShop } from '../base/running-shop.ts';
import { say } from '../base/say.ts';
import { openLogFile, type LogFile } from '../base/log-file.ts';
import { endServer, hasEnded, serve } from '../base/serve.ts';
import { keepUp, type Running } from '../watch/keep-up.ts';
import { startNights } from '../watch/nightly.ts';
import { endOrphans, forgetChildren, keepChild } from '../watch/orphans.ts';
import { watchDatabase } from '../watch/watch-database.ts';

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

/** The application of a house as something that is kept up. */
const application = (house: House, { port }: Options, mode: 'start' | 'dev', log: LogFile) => ({
  what: 'the application',
  began: (pid: number) => keepChild('application', pid),
  begin: async (): Promise<Running> => {
    const copyOf = lookOnlyOf();
    const env = {
      RUBRICA_DATABASE_URL: house.url,
      RUBRICA_SECRET: house.secret,
      ...(copyOf !== null && { RUBRICA_LOOK_ONLY: copyOf }),
    };
    const child = await serve(port, env, mode, log.write);
    return {
      pid: child.pid ?? 0,
      ended: new Promise((resolve) => (hasEnded(child) ? resolve() : child.once('exit', () => resolve()))),
      end: () => endServer(child),
    };
  },
});

/** Everything that runs beside the house while it is open; answers what ends it, in order. */
async function keepOpen(house: House, o: Options, mode: 'start' | 'dev'): Promise<() => Promise<void>> {
  const log = openLogFile();
  const stopDatabase = await watchDatabase(house);
  const stopApplication = await keepUp(application(house, o, mode, log)).catch(async (e: unknown) => {
    await stopDatabase();
    throw e;
  });
  const stopNights = mode === 'start' && lookOnlyOf() === null ? startNights(house) : () => Promise.resolve();
  return async () => {
    await stopApplication();
    await stopNights();
    await stopDatabase();
    await log.end();
    forgetChildren();
  };
}

async function serveUntilStopped(o: Options, mode: 'start' | 'dev'): Promise<number> {
  const stopped = untilStopped();
  const [house] = await Promise.all([
    openHouse(o.empty ? 'empty' : 'demo'),
    mode === 'start' ? buildIfNeeded() : null,
  ]);
  try {
    const close = await keepOpen(house, o, mode);
    await tell(house, o.port);
    await stopped;
    say('closing …');
    await close();
    return 0;
  } finally {
    await house.close();
  }
}

/** Serves the house until it is told to stop; stops both cleanly. */
export async function serveHouse(o: Options, mode: 'start' | 'dev'): Promise<number> {
  const release = await claimShop(o.port, endOrphans);
  try {
    return await serveUntilStopped(o, mode);
  } finally {
    release();
  }
}

export const run = (o: Options): Promise<number> => serveHouse(o, 'start');
