import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Trouble } from './say.ts';

/** When a process began, in the kernel's ticks: with its number it tells a process from one that had the number before. */
function startedAt(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

/** The name of a process that no later one can have. */
export const nameOf = (pid: number): string => `${pid}-${startedAt(pid) ?? ''}`;

export const isAlive = (name: string): boolean => {
  const [pid = '', began = ''] = name.split('-');
  return began !== '' && startedAt(Number(pid)) === began;
};

/** Says that this process uses what a folder holds. */
export function enter(folder: string): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(join(folder, nameOf(process.pid)), '', { mode: 0o600 });
}

/** Takes that back; answers whether nobody else uses it. */
export function leave(folder: string): boolean {
  rmSync(join(folder, nameOf(process.pid)), { force: true });
  return users(folder).length === 0;
}

/** The processes that use it, ended ones swept away. */
export function users(folder: string): readonly string[] {
  let names: readonly string[] = [];
  try {
    names = readdirSync(folder);
  } catch {
    return [];
  }
  for (const n of names) if (!isAlive(n)) rmSync(join(folder, n), { force: true });
  return names.filter(isAlive);
}

const LOCK_MS = 120_000;

/** Does something while no other process of this checkout does anything under the same lock. */
export async function withLock<T>(file: string, f: () => Promise<T>): Promise<T> {
  const until = Date.now() + LOCK_MS;
  for (;;) {
    try {
      writeFileSync(file, nameOf(process.pid), { flag: 'wx', mode: 0o600 });
      break;
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code !== 'EEXIST') throw e;
      clearStale(file);
      if (Date.now() > until) throw new Trouble(`another command of this checkout holds ${file}`);
      await new Promise((r) => setTimeout(r, 40));
    }
  }
  try {
    return await f();
  } finally {
    rmSync(file, { force: true });
  }
}

function clearStale(file: string): void {
  try {
    const name = readFileSync(file, 'utf8');
    if (name !== '' && !isAlive(name)) rmSync(file, { force: true });
  } catch {
    // gone meanwhile
  }
}
