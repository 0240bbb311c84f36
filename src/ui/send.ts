'use client';

import type { CommandAnswer, CommandInput, CommandName } from '../contracts/commands.ts';
import type { Failure } from '../contracts/failure.ts';
import type { Result } from '../core/result.ts';
import { enqueue, isQueueable, isWaiting, type QueuedName } from './queue/queue.ts';

/** The connection was lost: nothing reached the house, what was typed is still here. */
export interface Offline {
  readonly code: 'offline';
  readonly message: string;
}

const OFFLINE: Offline = {
  code: 'offline',
  message: 'No connection to the shop. What you typed is kept here; try again.',
};

const TRIES = 3;

async function post(body: string): Promise<Response> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await fetch('/api/command', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body,
      });
    } catch (e) {
      // The same id goes again: if the first try did arrive, the house gives its first answer once more.
      if (attempt >= TRIES) throw e;
      await new Promise((r) => setTimeout(r, 250 * attempt));
    }
  }
}

/** What can be done without the house is kept here and answered as the house would: the next thing follows on it. */
function keptHere<N extends CommandName>(
  name: N,
  input: CommandInput<N>,
  id: string,
): Result<CommandAnswer[N], Failure | Offline> {
  const version = enqueue(name as QueuedName, input as CommandInput<QueuedName>, id);
  return { ok: true, value: { version, queued: true } as unknown as CommandAnswer[N] };
}

/**
 * Gives one command to the house. Its id makes a repeat after a lost answer harmless: who keeps the id across a reload
 * may give the same command again.
 */
export async function send<N extends CommandName>(
  name: N,
  input: CommandInput<N>,
  id: string = crypto.randomUUID(),
): Promise<Result<CommandAnswer[N], Failure | Offline>> {
  // What waits already goes first: nothing overtakes it.
  if (isQueueable(name) && isWaiting()) return keptHere(name, input, id);
  const body = JSON.stringify({ id, name, input });
  try {
    const answer = await post(body);
    return (await answer.json()) as Result<CommandAnswer[N], Failure>;
  } catch {
    return isQueueable(name) ? keptHere(name, input, id) : { ok: false, error: OFFLINE };
  }
}
