import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './paths.ts';
import { canListen } from './running-shop.ts';
import { Trouble } from './say.ts';

/** A server that has the connection and never answers is asked again. */
const PATIENCE_MS = 5_000;

/** Whether the application on a port says that it is up. */
async function answersHealthy(port: number): Promise<boolean> {
  const patience = new AbortController();
  const timer = setTimeout(() => patience.abort(), PATIENCE_MS);
  try {
    return (await fetch(`http://127.0.0.1:${port}/api/health`, { signal: patience.signal })).ok;
  } catch {
    return false;
  } finally {
    clearTimeout(timer);
  }
}

/** Whether a process that we started has ended, by itself or not. */
export const hasEnded = (child: ChildProcess): boolean =>
  child.exitCode !== null || child.signalCode !== null;

/** Starts the built application (or the dev server) on 127.0.0.1 and waits until it answers. */
export async function serve(
  port: number,
  env: Readonly<Record<string, string>>,
  mode: 'start' | 'dev' = 'start',
  /** gets what it says: shown, unless somebody else takes it */
  hears: (said: Buffer) => void = (said) => void process.stderr.write(said),
  /** told as soon as there is a process: it may be left behind before it answers */
  began: (pid: number) => void = () => undefined,
): Promise<ChildProcess> {
  // A server that was left behind there would answer in this one's place.
  if (!(await canListen(port))) throw new Trouble(`port ${port} is used by another program`);
  const program =
    mode === 'start'
      ? [join(ROOT, 'cli/serve-house.ts'), String(port)]
      : [join(ROOT, 'node_modules/next/dist/bin/next'), 'dev', '-H', '127.0.0.1', '-p', String(port)];
  const child = spawn(process.execPath, program, {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: mode === 'dev' ? 'development' : 'production', ...env },
    stdio: ['ignore', mode === 'dev' ? 'inherit' : 'pipe', 'pipe'],
    detached: true,
  });
  if (child.pid !== undefined) began(child.pid);
  let words = '';
  child.stdout?.on('data', (d: Buffer) => (words = (words + d.toString()).slice(-4000)));
  child.stderr?.on('data', (d: Buffer) => {
    words = (words + d.toString()).slice(-4000);
    hears(d);
  });
  for (let i = 0; i < 1600; i++) {
    // Also one that was killed: it has a signal and no exit code.
    if (hasEnded(child)) throw new Trouble(`the server ended at once:\n${words}`);
    if (await answersHealthy(port)) return child;
    await new Promise((r) => setTimeout(r, 75));
  }
  child.kill('SIGTERM');
  throw new Trouble(`the server did not answer on port ${port}:\n${words}`);
}

/** So long may requests that are under way take to end. */
const DRAIN_MS = 2_000;

/** Ends a server we started and waits for it. */
export function endServer(child: ChildProcess): Promise<void> {
  return new Promise((resolve) => {
    if (hasEnded(child)) return resolve();
    const force = setTimeout(() => child.kill('SIGKILL'), DRAIN_MS);
    child.once('exit', () => {
      clearTimeout(force);
      resolve();
    });
    child.kill('SIGTERM');
  });
}
