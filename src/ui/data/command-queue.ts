'use client';

import { useSyncExternalStore } from 'react';
import type { CommandInput, CommandName } from '../../contracts/commands/commands.ts';
import { QUEUED_COMMANDS } from '../../contracts/made/command-facts.ts';
import type { Failure, Theirs } from '../../contracts/failure.ts';
import { readDraft, saveDraft } from './draft.ts';
import type { Fault } from './wire.ts';

/** What may be done without a connection: it is kept here, in order, with the moment it was done. */
export type QueuedName = (typeof QUEUED_COMMANDS)[number];

/** One thing done without a connection and not yet in the house. */
export interface Queued {
  readonly id: string;
  readonly name: QueuedName;
  readonly input: Readonly<Record<string, unknown>>;
  /** what it changes: later ones of the same thing follow from it */
  readonly thing: string;
  /** in the bench's words */
  readonly says: string;
  readonly person: number;
  /** when it was done, by this tablet's clock: for its own words, and to count how long it waited */
  readonly at: string;
  readonly state: 'waiting' | 'refused' | 'conflict' | 'failed';
  /** how often the house answered that it could not do it */
  readonly tries?: number;
  readonly message?: string;
  readonly theirs?: Theirs;
}

const KEY = 'queue';
const NONE: readonly Queued[] = [];
const listeners = new Set<() => void>();
let seen: { readonly text: string; readonly entries: readonly Queued[] } = { text: '[]', entries: NONE };
let owner = 0;

/** What this browser keeps, whichever of its pages wrote it last; the same object as long as nothing changed. */
function now(): readonly Queued[] {
  const entries = readDraft<readonly Queued[]>(KEY) ?? NONE;
  const text = JSON.stringify(entries);
  if (text !== seen.text) seen = { text, entries };
  return seen.entries;
}

const tellAll = (): void => {
  for (const tell of listeners) tell();
};

function keep(next: readonly Queued[]): void {
  saveDraft(KEY, next);
  tellAll();
}

/** Says who is signed in on this tablet: what is queued belongs to them. */
export function setOwner(person: number): void {
  owner = person;
}

export const isQueueable = (name: CommandName): name is QueuedName =>
  (QUEUED_COMMANDS as readonly string[]).includes(name);

/** What a command changes, so that what follows on it can be told. */
export function thingOf(name: QueuedName, input: Readonly<Record<string, unknown>>, id: string): string {
  if (name === 'work.step') return `line:${String(input['lineId'])}`;
  if (name === 'inspection.answer') return `item:${String(input['jobId'])}:${String(input['item'])}`;
  return `new:${id}`;
}

const SAYS: Readonly<Record<QueuedName, (input: Readonly<Record<string, unknown>>) => string>> = {
  'work.step': (i) => `step: ${String(i['action'])}`,
  'inspection.answer': (i) => `answer: ${String(i['item'])} ${String(i['answer'] ?? 'open')}`,
  'work.remark': (i) => `${String(i['kind'])}: ${String(i['words'])}`,
  'work.accident': (i) => `accident: ${String(i['happened'])}`,
};

/** Whether something is waiting already, so that what follows must not overtake it. */
export const isWaiting = (): boolean => now().some((e) => e.person === owner && e.state === 'waiting');

/** Keeps a command until the house is there again; answers as the house would, one version on. */
export function enqueue<N extends QueuedName>(name: N, input: CommandInput<N>, id: string): number {
  const at = new Date().toISOString();
  const plain: Readonly<Record<string, unknown>> = { ...input };
  const thing = thingOf(name, plain, id);
  keep([
    ...now(),
    { id, name, input: plain, thing, says: SAYS[name](plain), person: owner, at, state: 'waiting' },
  ]);
  return Number(plain['version'] ?? 0) + 1;
}

/** How the house answered one of them. */
export type Outcome =
  | { readonly kind: 'done'; readonly version: number | null }
  | { readonly kind: 'no'; readonly error: Failure }
  | { readonly kind: 'fault'; readonly error: Fault }
  | { readonly kind: 'away' };

/** After so many faults of the house a command is shown instead of tried again. */
export const MOST_TRIES = 4;

/** A command as it goes now: with how long ago it was done, as both moments are by the same clock. */
export const inputNow = (e: Queued, nowMs: number): Readonly<Record<string, unknown>> => {
  const { at: _fromAnOlderRelease, ...input } = e.input;
  return { ...input, ago: Math.max(0, Math.round(nowMs - Date.parse(e.at))) };
};

/**
 * Sends what waits, oldest first, one after the other. What was refused or met a colleague's change stays, to be decided;
 * what follows on the same thing waits for that decision, the rest goes on. So does what the house had a fault with: it is
 * tried a few times, then shown.
 * @returns whether anything went through
 */
export async function flush(post: (e: Queued) => Promise<Outcome>): Promise<boolean> {
  let went = false;
  const stuck = new Set(now().flatMap((e) => (e.state === 'waiting' ? [] : [e.thing])));
  for (const { id } of now()) {
    const e = now().find((x) => x.id === id);
    if (!e || e.person !== owner || e.state !== 'waiting' || stuck.has(e.thing)) continue;
    const heard = await post(e);
    if (heard.kind === 'away') return went;
    if (heard.kind === 'no') {
      if (heard.error.code === 'signed-out') return went;
      stuck.add(e.thing);
      keep(now().map((x) => (x.id === id ? refusedBy(x, heard.error) : x)));
      continue;
    }
    if (heard.kind === 'fault') {
      stuck.add(e.thing);
      keep(now().map((x) => (x.id === id ? failedOnce(x, heard.error) : x)));
      continue;
    }
    went = true;
    const { version } = heard;
    keep(
      now()
        .filter((x) => x.id !== id)
        .map((x) => (x.thing === e.thing && version !== null ? { ...x, input: { ...x.input, version } } : x)),
    );
  }
  return went;
}

const refusedBy = (e: Queued, error: Failure): Queued => ({
  ...e,
  state: error.code === 'conflict' ? 'conflict' : 'refused',
  message: error.message,
  ...(error.code === 'conflict' && { theirs: error.theirs }),
});

const failedOnce = (e: Queued, error: Fault): Queued => {
  const tries = (e.tries ?? 0) + 1;
  return { ...e, tries, state: tries < MOST_TRIES ? 'waiting' : 'failed', message: error.message };
};

/** Gives what the house had a fault with to it once more. */
export function tryAgain(id: string): void {
  keep(now().map((e) => (e.id === id ? { ...e, state: 'waiting', tries: 0 } : e)));
}

/** Lets what a colleague did stand: what was queued of the same thing is forgotten. */
export function letTheirsStand(id: string): void {
  const thing = now().find((e) => e.id === id)?.thing;
  keep(now().filter((e) => e.thing !== thing));
}

/** Says what was queued over what a colleague did meanwhile. */
export function sayMineOver(id: string): void {
  keep(
    now().map((e) =>
      e.id === id && e.theirs
        ? {
            ...e,
            id: crypto.randomUUID(),
            state: 'waiting',
            input: { ...e.input, version: e.theirs.version },
          }
        : e,
    ),
  );
}

function subscribe(tell: () => void): () => void {
  if (listeners.size === 0) window.addEventListener('storage', tellAll);
  listeners.add(tell);
  return () => {
    listeners.delete(tell);
    if (listeners.size === 0) window.removeEventListener('storage', tellAll);
  };
}

/** What is queued on this tablet, oldest first. */
export const useQueue = (): readonly Queued[] => useSyncExternalStore(subscribe, now, () => NONE);

/** The newest thing queued about something, or null: what the screen shows until the house has it. */
export function useQueuedFor(thing: string): Queued | null {
  return useQueue().findLast((e) => e.thing === thing && e.state === 'waiting') ?? null;
}
