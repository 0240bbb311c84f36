import { say } from '../base/say.ts';
import { endedInARow, pauseBefore } from './pauses.ts';

/** Something that runs: how one hears that it ended, and how it is ended. */
export interface Running {
  readonly pid: number;
  readonly ended: Promise<void>;
  readonly end: () => Promise<void>;
}

/** What is kept up: what it is called, and how it is started. */
export interface Kept {
  readonly what: string;
  readonly begin: () => Promise<Running>;
}

const asError = (e: unknown): string => (e instanceof Error ? (e.message.split('\n')[0] ?? '') : String(e));

/**
 * Starts something and starts it again whenever it ends, with growing pauses, and says so; until it is told to stop.
 * @throws when it cannot be started the first time
 * @returns what stops it and waits for its end
 */
export async function keepUp({ what, begin }: Kept): Promise<() => Promise<void>> {
  let stopping = false;
  let running = await begin();
  let wake: () => void = () => undefined;
  const pause = (ms: number): Promise<void> =>
    new Promise((resolve) => {
      const timer = setTimeout(resolve, ms);
      wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });

  const startAgain = async (ended: number): Promise<number> => {
    const wait = pauseBefore(ended);
    say(`${what} ended by itself; it is started again in ${wait / 1000} s`);
    await pause(wait);
    if (stopping) return ended;
    try {
      running = await begin();
      if (stopping) await running.end();
      else say(`${what} is up again`);
      return ended;
    } catch (e) {
      say(`${what} cannot be started: ${asError(e)}`);
      return startAgain(ended + 1);
    }
  };

  const watch = async (): Promise<void> => {
    let inARow = 0;
    while (!stopping) {
      const since = Date.now();
      await running.ended;
      if (!stopping) inARow = await startAgain(endedInARow(inARow, Date.now() - since));
    }
  };
  const watching = watch();
  return async () => {
    stopping = true;
    wake();
    await running.end();
    await watching;
  };
}
