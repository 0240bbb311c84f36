/** Further shops of this machine: each a house of its own in `shops/NAME` of the first, which is reached by its own host name. */
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { home, OF_CHECKOUT } from '../base/paths.ts';
import { Trouble } from '../base/say.ts';
import { writeWhole } from '../base/whole-file.ts';

const NAME = /^[a-z][a-z0-9-]{0,30}$/;
const FILE = 'of-this-machine.json';

const kept = z.object({
  /** the name it is reached by */
  host: z.string(),
  /** where its application listens on this machine */
  port: z.number().int(),
  /** its database where that stands outside; null: a private one */
  database: z.object({ url: z.string(), runningUrl: z.string() }).nullable(),
});

/** A further shop. */
export interface Shop extends z.infer<typeof kept> {
  readonly name: string;
  /** its house */
  readonly folder: string;
}

const FIRST_PORT = 4600;
const folderOf = (): string => join(home(), 'shops');

/** The further shops of this house, by name. A shop has none itself. */
export function shops(): readonly Shop[] {
  if (!existsSync(folderOf())) return [];
  return readdirSync(folderOf())
    .filter((name) => existsSync(join(folderOf(), name, FILE)))
    .sort()
    .map((name) => {
      const folder = join(folderOf(), name);
      return { name, folder, ...kept.parse(JSON.parse(readFileSync(join(folder, FILE), 'utf8'))) };
    });
}

/**
 * A further shop by its name.
 * @throws Trouble where there is none of that name
 */
export function shopCalled(name: string): Shop {
  const found = shops().find((s) => s.name === name);
  if (!found) throw new Trouble(`there is no shop ${name}: ./rubrica shop list`);
  return found;
}

/**
 * Writes down a further shop; its house is empty.
 * @throws Trouble where the name is none, or is taken, or another shop has the host
 */
export function noteShop(name: string, host: string, database: Shop['database']): Shop {
  if (!NAME.test(name))
    throw new Trouble(`a shop's name is small letters, digits and hyphens, at most 31, not ${name}`);
  const others = shops();
  const same = others.find((s) => s.name === name || s.host === host);
  if (same) throw new Trouble(`there is a shop ${same.name} at ${same.host} already`);
  const folder = join(folderOf(), name);
  if (existsSync(folder)) throw new Trouble(`${folder} is there already`);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const port = Math.max(FIRST_PORT - 1, ...others.map((s) => s.port)) + 1;
  writeWhole(join(folder, FILE), JSON.stringify({ host, port, database }));
  return { name, folder, host, port, database };
}

/** Takes a shop from this machine: what it holds is moved aside. Answers where to. */
export function putAside({ name, folder }: Shop, now: Date): string {
  const aside = join(home(), 'shops-removed');
  mkdirSync(aside, { recursive: true, mode: 0o700 });
  const to = join(aside, `${name}-${now.toISOString().replace(/[-:]/g, '').slice(0, 15)}`);
  renameSync(folder, to);
  return to;
}

/** What names the first shop's things must not reach another one. */
const OF_THE_FIRST: readonly string[] = [
  'RUBRICA_DATABASE_URL',
  'RUBRICA_RUNNING_DATABASE_URL',
  'RUBRICA_SECRET',
  'RUBRICA_LOG_FILE',
  'RUBRICA_PUBLIC_URL',
  'RUBRICA_HOSTS',
  'RUBRICA_TRUST_URL',
  'RUBRICA_PROXY_TOKEN',
  'RUBRICA_LOOK_ONLY',
];

/** What a shop's own surroundings say. */
const ownWords = (shop: Shop, copies: string | undefined): Readonly<Record<string, string>> => ({
  RUBRICA_HOME: shop.folder,
  ...(copies !== undefined && { RUBRICA_COPIES: join(copies, shop.name) }),
  ...(shop.database !== null && {
    RUBRICA_DATABASE_URL: shop.database.url,
    RUBRICA_RUNNING_DATABASE_URL: shop.database.runningUrl,
  }),
});

/** The surroundings in which every command is about this shop and no other. */
export const surroundings = (
  shop: Shop,
  env: Readonly<Record<string, string | undefined>>,
): Readonly<Record<string, string | undefined>> => ({
  ...Object.fromEntries(Object.entries(env).filter(([name]) => !OF_THE_FIRST.includes(name))),
  ...ownWords(shop, env['RUBRICA_COPIES']),
});

/** From here on this process is about one of the further shops. */
export function enterShop(shop: Shop): void {
  const own = ownWords(shop, process.env['RUBRICA_COPIES']);
  for (const name of OF_THE_FIRST) Reflect.deleteProperty(process.env, name);
  Object.assign(process.env, own);
}

/** Whether this process is about the first shop of its machine: the only one that has others beside it. */
export const isFirst = (): boolean => home() === OF_CHECKOUT || !existsSync(join(home(), FILE));
