import { uptime } from 'node:os';
import { clockJump, type TwoClocks } from '../../src/core/keep/clock-jump.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { clockWasSet } from '../../src/server/upkeep/clock-set.ts';
import { say } from '../base/say.ts';

const LOOK_MS = 1000;

/** What runs on also while the machine sleeps. */
const look = (): TwoClocks => ({ wall: Date.now(), running: uptime() * 1000 });

/**
 * Sees that the machine's clock was set while the house is open, and puts right what runs by it.
 * @param looks what the clocks show, asked each second
 * @returns what stops looking
 */
export function watchClock(db: Database, looks: () => TwoClocks = look): () => Promise<void> {
  let seen = looks();
  let working: Promise<void> = Promise.resolve();
  const timer = setInterval(() => {
    const now = looks();
    const by = clockJump(seen, now);
    seen = now;
    if (by === 0) return;
    const minutes = Math.round(Math.abs(by) / 60_000);
    say(`the clock of this machine was set ${by > 0 ? 'forward' : 'back'} by ${minutes} min`);
    working = working
      .then(() => clockWasSet(db, by, now.wall - by))
      .catch((e: unknown) =>
        say(`what runs could not be put right: ${e instanceof Error ? e.message : String(e)}`),
      );
  }, LOOK_MS);
  return async () => {
    clearInterval(timer);
    await working;
  };
}
