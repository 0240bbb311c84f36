'use client';

import type { CommandAnswer, CommandInput, CommandName } from '../../contracts/commands/commands.ts';
import type { Failure } from '../../contracts/failure.ts';
import type { Result } from '../../core/result.ts';
import { enqueue, isQueueable, isWaiting, type QueuedName } from './command-queue.ts';
import { postCommand, type Envelope, type Fault, type Offline, type Reply } from './wire.ts';

const OFFLINE: Offline = {
  code: 'offline',
  message: 'No connection to the shop. What you typed is kept here; try again.',
};

const TRIES = 3;

/** The same id goes again: if an earlier try did arrive, the house gives its first answer once more. */
async function postPatiently<N extends CommandName>(command: Envelope<N>): Promise<Reply<N>> {
  for (let attempt = 1; ; attempt++) {
    const reply = await postCommand(command);
    const again = reply.kind === 'away' || reply.kind === 'fault';
    if (!again || attempt >= TRIES) return reply;
    await new Promise((r) => setTimeout(r, 250 * attempt));
  }
}

/** What can be done without the house is kept here and answered as the house would: the next thing follows on it. */
function keptHere<N extends CommandName>(
  name: N,
  input: CommandInput<N>,
  id: string,
): Result<CommandAnswer<N>, never> {
  const version = enqueue(name as QueuedName, input as CommandInput<QueuedName>, id);
  return { ok: true, value: { version, queued: true } as unknown as CommandAnswer<N> };
}

/**
 * Gives one command to the house. Its id makes a repeat after a lost answer harmless: who keeps the id across a reload
 * may give the same command again.
 */
export async function send<N extends CommandName>(
  name: N,
  input: CommandInput<N>,
  id: string = crypto.randomUUID(),
): Promise<Result<CommandAnswer<N>, Failure | Offline | Fault>> {
  // What waits already goes first: nothing overtakes it.
  if (isQueueable(name) && isWaiting()) return keptHere(name, input, id);
  const reply = await postPatiently({ id, name, input });
  if (reply.kind === 'done') return { ok: true, value: reply.value };
  if (reply.kind === 'refused') return { ok: false, error: reply.error };
  // It is kept with the others that wait: tried a few times more, then shown with both ways out.
  if (isQueueable(name)) return keptHere(name, input, id);
  return { ok: false, error: reply.kind === 'fault' ? reply.error : OFFLINE };
}
