'use client';

import type { CommandAnswer, CommandInput, CommandName } from '../../contracts/commands/commands.ts';
import type { Failure } from '../../contracts/failure.ts';

/** Nothing came back: whether the house heard it is not known. */
export interface Offline {
  readonly code: 'offline';
  readonly message: string;
}

/** The house did answer, and could not do it: a fault of its own, not of the connection and not of what was typed. */
export interface Fault {
  readonly code: 'fault';
  readonly message: string;
}

/** How the house answered one command. */
export type Reply<N extends CommandName> =
  | { readonly kind: 'done'; readonly value: CommandAnswer<N> }
  | { readonly kind: 'refused'; readonly error: Failure }
  | { readonly kind: 'fault'; readonly error: Fault }
  | { readonly kind: 'away' };

/** One command as it goes to the house; the same id again is the same command. */
export interface Envelope<N extends CommandName> {
  readonly id: string;
  readonly name: N;
  readonly input: CommandInput<N>;
}

const PATIENCE_MS = 30_000;
/** Said by what stands in front of the house when it cannot reach it. */
const UNREACHED: ReadonlySet<number> = new Set([502, 503, 504]);

/** There is no room left on the disk of the machine: nothing was kept, and it goes on when there is. */
const NO_ROOM = 507;

export const faultOf = (status: number, words = ''): Fault => ({
  code: 'fault',
  message:
    status === NO_ROOM
      ? 'The disk of the house is full: nothing of this was kept there. What you typed is kept here; whoever looks after Rubrica makes room, then try again.'
      : `The house answered but could not do this (${status}${words === '' ? '' : `, ${words}`}). What you typed is kept here; try again, or tell whoever looks after Rubrica.`,
});

/** Reads an answer of the command's door: a refusal has a known shape, everything else is a fault. */
export async function readReply<N extends CommandName>(answer: Response): Promise<Reply<N>> {
  if (UNREACHED.has(answer.status)) return { kind: 'away' };
  const said = (await answer.json().catch(() => null)) as
    | { ok: true; value: CommandAnswer<N> }
    | { ok: false; error?: Failure | { code: 'fault'; request: string } }
    | null;
  if (said?.ok === true && answer.ok) return { kind: 'done', value: said.value };
  const error = said?.ok === false ? said.error : undefined;
  if (error?.code === 'fault') return { kind: 'fault', error: faultOf(answer.status, error.request) };
  return error && answer.status < 500
    ? { kind: 'refused', error }
    : { kind: 'fault', error: faultOf(answer.status) };
}

/** Gives one command to the house, once. */
export async function postCommand<N extends CommandName>(command: Envelope<N>): Promise<Reply<N>> {
  const patience = new AbortController();
  const given = setTimeout(() => patience.abort(), PATIENCE_MS);
  try {
    const answer = await fetch('/api/command', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(command),
      signal: patience.signal,
    });
    return await readReply<N>(answer);
  } catch {
    return { kind: 'away' };
  } finally {
    clearTimeout(given);
  }
}
