import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { privateFolder } from './paths.ts';
import { isAlive, nameOf } from './processes.ts';
import { Trouble } from './say.ts';

/** The `start` or `dev` of this checkout that is serving. */
export interface RunningShop {
  readonly pid: number;
  readonly port: number;
}

const fileOf = (): string => join(privateFolder(), 'shop.json');

/** The running shop of this checkout, or null. */
export function runningShop(): RunningShop | null {
  try {
    const { name, port } = JSON.parse(readFileSync(fileOf(), 'utf8')) as { name: string; port: number };
    return isAlive(name) ? { pid: Number(name.split('-')[0]), port } : null;
  } catch {
    return null;
  }
}

/** Whether nobody has a port of this machine yet. */
export const canListen = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/**
 * Takes this checkout and a port for the shop that is about to be served, before anything else is touched.
 * @param endOrphans ends what an earlier start of this checkout left running
 * @returns what gives them back
 * @throws Trouble when this checkout serves already, or somebody else has the port: nothing was changed
 */
export async function claimShop(port: number, endOrphans: () => Promise<void>): Promise<() => void> {
  const running = runningShop();
  if (running)
    throw new Trouble(
      `Rubrica is open already at http://127.0.0.1:${running.port} (process ${running.pid}). Stop it with ./rubrica stop`,
    );
  await endOrphans();
  if (!(await canListen(port)))
    throw new Trouble(`port ${port} is used by another program. Choose another: ./rubrica start --port N`);
  const file = fileOf();
  rmSync(file, { force: true });
  try {
    writeFileSync(file, JSON.stringify({ name: nameOf(process.pid), port }), { flag: 'wx', mode: 0o600 });
  } catch {
    throw new Trouble('another start of this checkout is under way');
  }
  return () => rmSync(file, { force: true });
}
