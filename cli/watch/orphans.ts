import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { home, privateFolder } from '../base/paths.ts';
import { isAlive, nameOf } from '../base/processes.ts';
import { say } from '../base/say.ts';
import { writeWhole } from '../base/whole-file.ts';

const children = z.record(z.string(), z.string());
type Children = z.infer<typeof children>;

const file = (): string => join(privateFolder(), 'children.json');

function read(): Children {
  try {
    return children.parse(JSON.parse(readFileSync(file(), 'utf8')));
  } catch {
    return {};
  }
}

/** Writes down a process that was started: its number with the moment it began, which no later one can have. */
export const keepChild = (what: string, pid: number): void =>
  writeWhole(file(), JSON.stringify({ ...read(), [what]: nameOf(pid) }));

/** Forgets them: they ended as they should. */
export const forgetChildren = (): void => rmSync(file(), { force: true });

/** Says in a process's own surroundings which house keeps it up. */
export const KEPT_BY = 'RUBRICA_KEPT_BY';

/** Processes that a start of this house began, also one it was killed over before it had written it down. */
function markedProcesses(): string[] {
  const mark = `${KEPT_BY}=${home()}`;
  return readdirSync('/proc').flatMap((pid) => {
    if (!/^\d+$/.test(pid) || Number(pid) === process.pid) return [];
    try {
      const marked = readFileSync(`/proc/${pid}/environ`, 'utf8').split('\0').includes(mark);
      return marked ? [nameOf(Number(pid))] : [];
    } catch {
      // It ended meanwhile, or is somebody else's.
      return [];
    }
  });
}

const WAIT_MS = 5000;
const gone = async (name: string): Promise<boolean> => {
  for (let i = 0; i < WAIT_MS / 50 && isAlive(name); i++) await new Promise((r) => setTimeout(r, 50));
  return !isAlive(name);
};

/** Ends what an earlier start left running when it was killed itself; whatever else runs here is left alone. */
export async function endOrphans(): Promise<void> {
  const known = Object.entries(read()).map(([what, name]) => [`the ${what}`, name] as const);
  const others = markedProcesses()
    .filter((name) => !known.some(([, n]) => n === name))
    .map((name) => ['something', name] as const);
  for (const [what, name] of [...known, ...others]) {
    const pid = Number(name.split('-')[0]);
    if (!isAlive(name)) continue;
    say(`${what} was left running by a start that was killed (process ${pid}): it is ended`);
    process.kill(pid, 'SIGTERM');
    if (!(await gone(name)) && isAlive(name)) process.kill(pid, 'SIGKILL');
    await gone(name);
  }
  forgetChildren();
}
