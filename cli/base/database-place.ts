import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, realpathSync, statSync, symlinkSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { home, privateFolder } from './paths.ts';
import { say, Trouble } from './say.ts';

/** A system account that owns a database's files and runs its server. */
export interface Account {
  readonly name: string;
  readonly uid: number;
  readonly gid: number;
}

/** Where a private database stands on this machine. */
export interface DatabasePlace {
  /** the checkout's own folder: credentials, log, users; `.rubrica/<name>` */
  readonly folder: string;
  /** MariaDB's data folder; it may not exist yet */
  readonly data: string;
  /** an empty folder, the only one SQL could read or write files in */
  readonly files: string;
  /** its own folder for what is only there for a moment: a server that starts sweeps others' out of a shared one */
  readonly temporary: string;
  /** beside the data, readable by the server's account alone: what it carries out at its start */
  readonly atStart: string;
  /** whom the server runs as; null: as ourselves */
  readonly account: Account | null;
}

/** Debian's package of the server makes this account; a server never runs as the system's root. */
const SERVER_ACCOUNT = 'mysql';
const SHARED = '/var/lib/rubrica';

/**
 * A system account that a Debian package made for its server.
 * @throws Trouble when there is none
 */
export function lookUpAccount(name: string): Account {
  const ask = (flag: string) => Number(spawnSync('id', [flag, name], { encoding: 'utf8' }).stdout);
  const [uid, gid] = [ask('-u'), ask('-g')];
  if (!(uid > 0) || !(gid > 0))
    throw new Trouble(
      `there is no system account ${name}, which its server runs as when Rubrica is started by root`,
    );
  return { name, uid, gid };
}

/** Whether every folder above a path lets other accounts through. */
export function isReachable(path: string): boolean {
  for (let at = dirname(path); ; at = dirname(at)) {
    if ((statSync(at).mode & 0o001) === 0) return false;
    if (at === dirname(at)) return true;
  }
}

function give(path: string, account: Account): void {
  const owner = statSync(path);
  if (owner.uid === account.uid && owner.gid === account.gid) return;
  const done = spawnSync('chown', ['-R', `${account.uid}:${account.gid}`, path], { encoding: 'utf8' });
  if (done.status !== 0) throw new Trouble(`${path} could not be given to ${account.name}:\n${done.stderr}`);
}

/** A folder others may pass through but not list: what stands in it protects itself. */
export function passable(path: string): void {
  if ((statSync(path).mode & 0o077) !== 0o011) chmodSync(path, 0o711);
}

/** Data of root's house: in the checkout where the server's account can reach it, else linked from there. */
function rootData(folder: string): string {
  const data = join(folder, 'data');
  if (existsSync(data)) return realpathSync(data);
  if (isReachable(folder)) return data;
  const place = join(SHARED, randomBytes(8).toString('hex'));
  mkdirSync(place, { recursive: true, mode: 0o711 });
  symlinkSync(join(place, 'data'), data);
  say(`this folder is closed to the database's own account: its files stand in ${place}`);
  return join(place, 'data');
}

/**
 * Where the private database called `name` stands, with its folders made and owned as they should be. Started by root,
 * the server runs as Debian's own account for it and its files belong to that account; an older house is given over here.
 */
export function databasePlace(name: string): DatabasePlace {
  const folder = privateFolder(name);
  const root = process.getuid?.() === 0;
  const account = root ? lookUpAccount(SERVER_ACCOUNT) : null;
  if (account) for (const f of [home(), folder]) passable(f);
  const data = account ? rootData(folder) : join(folder, 'data');
  const beside = dirname(data);
  const files = join(beside, 'files');
  const temporary = join(beside, 'tmp');
  mkdirSync(files, { recursive: true, mode: 0o755 });
  mkdirSync(temporary, { recursive: true, mode: 0o700 });
  if (account) {
    passable(beside);
    give(temporary, account);
    if (existsSync(data)) give(data, account);
  }
  return { folder, data, files, temporary, atStart: join(beside, 'at-start.sql'), account };
}
