import type { House } from '../base/house.ts';
import { isAlive, nameOf } from '../base/processes.ts';
import { startDatabase } from '../base/private-database.ts';
import { say } from '../base/say.ts';
import { keepUp, type Running } from './keep-up.ts';

const LOOK_MS = 250;

/** Hears that a process ended that is no child of ours. */
const endOf = (name: string, stopped: () => boolean): Promise<void> =>
  new Promise((resolve) => {
    const look = (): void => {
      if (stopped() || !isAlive(name)) resolve();
      else setTimeout(look, LOOK_MS);
    };
    look();
  });

/**
 * Starts the house's private database again whenever it ends. Its end at the last belongs to whoever opened the house.
 * @returns what stops watching
 */
export async function watchDatabase({ server }: House): Promise<() => Promise<void>> {
  if (server === null) return () => Promise.resolve();
  let stopped = false;
  let { pid } = server;
  let first = true;
  const begin = async (): Promise<Running> => {
    if (!first) ({ pid } = await startDatabase('database'));
    first = false;
    const name = nameOf(pid);
    return {
      pid,
      ended: endOf(name, () => stopped),
      end: () => {
        stopped = true;
        return Promise.resolve();
      },
    };
  };
  if (pid === 0) say('the database is not watched: its process is not known');
  return keepUp({ what: 'the database', begin });
}
