import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { HOME } from '../paths.ts';
import { stopServer } from '../private-database.ts';
import { say } from '../say.ts';

/** The pid of this checkout's running `start`, or null; a recycled number is not ours. */
export function runningStart(): number | null {
  try {
    const pid = Number(readFileSync(join(HOME, 'start.pid'), 'utf8'));
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('cli/main.ts') ? pid : null;
  } catch {
    return null;
  }
}

export async function run(): Promise<number> {
  const pid = runningStart();
  if (pid !== null) {
    process.kill(pid, 'SIGTERM');
    for (let i = 0; i < 200 && runningStart() !== null; i++) await new Promise((r) => setTimeout(r, 50));
    say('stopped');
  }
  const left = await stopServer(join(HOME, 'database'));
  if (pid === null)
    say(left ? 'stopped a database that was left running' : 'nothing of this checkout was running');
  return 0;
}
