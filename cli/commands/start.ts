import { readFileSync } from 'node:fs';
import { toString } from 'qrcode';
import { DEMO_PEOPLE } from '../../src/demo/people.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { goOnUnheard } from '../../src/server/keep/unheard.ts';
import { buildIfNeeded } from '../base/build.ts';
import { lookOnlyOf } from '../base/look-only.ts';
import { openHouse, type House } from '../base/house.ts';
import type { Options } from '../base/options.ts';
import { home } from '../base/paths.ts';
import { claimShop } from '../base/running-shop.ts';
import { say } from '../base/say.ts';
import { openLogFile, type LogFile } from '../base/log-file.ts';
import { endServer, hasEnded, serve } from '../base/serve.ts';
import {
  lanEnvironment,
  planLan,
  proxyToken,
  rootCertificate,
  shopEnvironment,
  startProxy,
  type Lan,
} from '../lan/proxy.ts';
import { shopProcess } from '../shops/shop-process.ts';
import { shops } from '../shops/shops.ts';
import { fingerprint } from '../lan/trust-page.ts';
import { keepUp, type Running } from '../watch/keep-up.ts';
import { startNights } from '../watch/nightly.ts';
import { endOrphans, forgetChildren, keepChild, KEPT_BY } from '../watch/orphans.ts';
import { watchClock } from '../watch/watch-clock.ts';
import { watchDatabase } from '../watch/watch-database.ts';

/** How the shop's tablets reach the house: an address and two squares to scan, the first once. */
async function lanWords(lan: Lan | null, code: string): Promise<string> {
  const address = process.env['RUBRICA_PUBLIC_URL'];
  if (lan === null) return address === undefined ? '' : `  By its own name: ${address}/pair?code=${code}\n`;
  const pair = `${lan.address}/pair?code=${code}`;
  const square = (text: string) => toString(text, { type: 'terminal', small: true });
  const pem = readFileSync(rootCertificate(lan), 'utf8');
  return (
    `  For the shop's tablets: ${lan.address}\n\n` +
    `  1. Once on each: ${lan.trustAddress} tells it to trust this machine, fingerprint\n` +
    `     ${fingerprint(pem)}\n\n${await square(lan.trustAddress)}\n` +
    `  2. Pair it: ${pair}\n\n${await square(pair)}\n`
  );
}

async function tell(house: House, port: number, lan: Lan | null): Promise<void> {
  const code = await makePairingCode(house.db, new Date());
  const people = await house.db.models.Person.findAll();
  const demo = DEMO_PEOPLE.filter((d) => people.some((p) => p.name === d.name));
  const pins = demo.map((p) => `    ${p.name.padEnd(18)} ${p.role.padEnd(11)} PIN ${p.pin}`).join('\n');
  process.stdout.write(
    `\nRubrica is open at http://127.0.0.1:${port}\n\n` +
      `  Pair this device first: http://127.0.0.1:${port}/pair?code=${code}\n` +
      (await lanWords(lan, code)) +
      (demo.length > 0 ? `  Then tap a name (demo shop):\n${pins}\n` : '') +
      '\n  Ctrl-C stops Rubrica and its database.\n\n',
  );
}

const untilStopped = (): Promise<void> =>
  new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.once(signal, () => resolve());
  });

/** What the first of several applications is called, and each other. */
const nameOf = (n: number): string => (n === 0 ? 'application' : `application ${n + 1}`);

/** The ports of the applications that are started, one after the other. */
const portsOf = ({ port, applications }: Options): number[] =>
  Array.from({ length: applications }, (_, n) => port + n);

/** One of the applications of a house as something that is kept up. */
const application = (
  house: House,
  port: number,
  n: number,
  mode: 'start' | 'dev',
  lan: Lan | null,
  log: LogFile,
) => ({
  what: `the ${nameOf(n)}`,
  begin: async (): Promise<Running> => {
    const copyOf = lookOnlyOf();
    const env = {
      RUBRICA_DATABASE_URL: house.runningUrl,
      RUBRICA_SECRET: house.secret,
      [KEPT_BY]: home(),
      ...(copyOf !== null && { RUBRICA_LOOK_ONLY: copyOf }),
      RUBRICA_PROXY_TOKEN: proxyToken(),
      ...(lan && lanEnvironment(lan)),
    };
    const child = await serve(port, env, mode, log.write, (pid) => keepChild(nameOf(n), pid));
    return {
      pid: child.pid ?? 0,
      ended: new Promise((resolve) => (hasEnded(child) ? resolve() : child.once('exit', () => resolve()))),
      end: () => endServer(child),
    };
  },
});

/** Everything that runs beside the house while it is open; answers what ends it, in order. */
async function keepOpen(
  house: House,
  o: Options,
  mode: 'start' | 'dev',
  lan: Lan | null,
): Promise<() => Promise<void>> {
  const log = openLogFile();
  const stopDatabase = await watchDatabase(house);
  const stops: (() => Promise<void>)[] = [stopDatabase];
  const close = async (): Promise<void> => {
    for (const stop of [...stops].reverse()) await stop();
    await log.end();
    forgetChildren();
  };
  try {
    if (mode === 'start' && lookOnlyOf() === null) stops.push(startNights(house), watchClock(house.db));
    for (const [n, port] of portsOf(o).entries())
      stops.push(await keepUp(application(house, port, n, mode, lan, log)));
    if (mode === 'start')
      for (const shop of shops())
        stops.push(await keepUp(shopProcess(shop, lan === null ? {} : shopEnvironment(lan, shop))));
    if (lan)
      stops.push(
        await keepUp({
          what: 'the proxy',
          begin: () => startProxy(lan, (pid) => keepChild('proxy', pid)),
        }),
      );
    return close;
  } catch (e) {
    await close();
    throw e;
  }
}

async function serveUntilStopped(o: Options, mode: 'start' | 'dev'): Promise<number> {
  const stopped = untilStopped();
  const [house] = await Promise.all([
    openHouse(o.empty ? 'empty' : 'demo'),
    mode === 'start' ? buildIfNeeded() : null,
  ]);
  try {
    const lan = o.lan ? planLan(o, portsOf(o), shops()) : null;
    const close = await keepOpen(house, o, mode, lan);
    await tell(house, o.port, lan);
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
  goOnUnheard();
  // What it starts is its own, not of whoever started it.
  Reflect.deleteProperty(process.env, KEPT_BY);
  const release = await claimShop(o.port, endOrphans);
  try {
    return await serveUntilStopped(o, mode);
  } finally {
    release();
  }
}

export const run = (o: Options): Promise<number> => serveHouse(o, 'start');
