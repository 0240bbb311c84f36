import { spawnSync, type SpawnSyncOptionsWithStringEncoding } from 'node:child_process';
import { accessSync, constants, existsSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { say, Trouble } from './say.ts';

/** Where a program is, or null. Debian keeps servers in sbin, which a user's PATH may lack. */
export function findProgram(name: string): string | null {
  for (const folder of [...(process.env['PATH'] ?? '').split(delimiter), '/usr/sbin', '/usr/bin']) {
    try {
      accessSync(join(folder, name), constants.X_OK);
      return join(folder, name);
    } catch {
      // not in this folder
    }
  }
  return null;
}

const quiet: SpawnSyncOptionsWithStringEncoding = { stdio: ['ignore', 'pipe', 'pipe'], encoding: 'utf8' };

/** Installs a Debian package when its program is missing: as root, or by sudo without a question. */
export const needProgram = (program: string, debianPackage: string): string =>
  need(program, debianPackage, () => findProgram(program));

/** The same for a package that brings a file and no program. */
export const needFile = (path: string, debianPackage: string): string =>
  need(path, debianPackage, () => (existsSync(path) ? path : null));

function need(what: string, debianPackage: string, find: () => string | null): string {
  const found = find();
  if (found) return found;
  const install = `apt-get install -y --no-install-recommends ${debianPackage}`;
  const root = process.getuid?.() === 0;
  const prefix = root ? [] : ['sudo', '-n'];
  if (!findProgram('apt-get') || (!root && spawnSync('sudo', ['-n', 'true'], quiet).status !== 0)) {
    throw new Trouble(`${what} is missing and cannot be installed from here. Run: sudo ${install}`);
  }
  say(`installing ${debianPackage} from Debian's packages …`);
  const apt = (...args: string[]) => {
    const [cmd = '', ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args];
    return spawnSync(cmd, rest, quiet);
  };
  let done = apt('install', '-y', '--no-install-recommends', debianPackage);
  if (done.status !== 0) {
    apt('update');
    done = apt('install', '-y', '--no-install-recommends', debianPackage);
  }
  const now = find();
  if (done.status !== 0 || !now)
    throw new Trouble(`${debianPackage} could not be installed:\n${done.stderr}\nRun: sudo ${install}`);
  return now;
}
