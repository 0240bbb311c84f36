'use client';

import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { Found, FoundAll } from '../../server/find/find-anything.ts';
import Link from '../kit/link.tsx';

const AFTER_MS = 120;
const NOTHING: FoundAll = { rows: [], read: [] };

const hrefOf = ({ kind, ref, open }: Found): string =>
  kind === 'job'
    ? `/job/${ref}/${open === null ? 'hand-over' : 'arrival'}`
    : kind === 'instrument'
      ? `/shelf/${ref}`
      : `/shelf/customer/${ref}`;

const KINDS = { job: 'job', instrument: 'instrument', customer: 'customer' } as const;

type State =
  | { readonly kind: 'asked'; readonly all: FoundAll; readonly of: string }
  | { readonly kind: 'failed'; readonly of: string };

/** Asks the house for what is typed, a moment after the last key; an answer to what is no longer typed is for nobody. */
function useFound(typed: string): State {
  const [state, setState] = useState<State>({ kind: 'asked', all: NOTHING, of: '' });
  useEffect(() => {
    const text = typed.trim();
    const ended = new AbortController();
    const ask = async () => {
      const answer = await fetch(`/api/find/anything?q=${encodeURIComponent(text)}`, {
        signal: ended.signal,
      });
      if (!answer.ok) throw new Error(`find: ${answer.status}`);
      setState({ kind: 'asked', all: (await answer.json()) as FoundAll, of: text });
    };
    const timer = setTimeout(() => {
      if (text.length < 2) return setState({ kind: 'asked', all: NOTHING, of: text });
      ask().catch(() => !ended.signal.aborted && setState({ kind: 'failed', of: text }));
    }, AFTER_MS);
    return () => {
      clearTimeout(timer);
      ended.abort();
    };
  }, [typed]);
  return state;
}

/** Goes through what was found by the arrow keys, and back to the field. */
function byArrows(e: KeyboardEvent<HTMLElement>): void {
  if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return;
  const all = [...e.currentTarget.querySelectorAll<HTMLElement>('input, li a')];
  const at = all.indexOf(document.activeElement as HTMLElement);
  const next = all[at + (e.key === 'ArrowDown' ? 1 : -1)];
  if (!next) return;
  e.preventDefault();
  next.focus();
}

/** One search for everything: jobs, instruments, customers. */
export function FindDialog({ onClose }: { readonly onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [typed, setTyped] = useState('');
  const found = useFound(typed);
  useEffect(() => dialog.current?.showModal(), []);
  const first = (e: KeyboardEvent<HTMLInputElement>) => {
    // A search field takes Escape to empty itself: here it closes.
    if (e.key === 'Escape') dialog.current?.close();
    if (e.key !== 'Enter') return;
    e.preventDefault();
    dialog.current?.querySelector<HTMLElement>('li a')?.click();
  };
  return (
    <dialog
      ref={dialog}
      aria-label="Find anything"
      onClose={onClose}
      onKeyDown={byArrows}
      className="m-auto mt-16 max-h-[80vh] w-full max-w-2xl border border-plain bg-card p-4 text-plain shadow-lg backdrop:bg-plain/40"
    >
      <div className="flex gap-2">
        <input
          type="search"
          autoFocus
          aria-label="Find anything"
          placeholder="number, serial, maker, customer, telephone, place, words"
          className="field w-full"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={first}
        />
        <button type="button" className="button" onClick={() => dialog.current?.close()}>
          Close
        </button>
      </div>
      <Rows found={found} typed={typed.trim()} onChosen={() => dialog.current?.close()} />
    </dialog>
  );
}

function Rows({
  found,
  typed,
  onChosen,
}: {
  readonly found: State;
  readonly typed: string;
  readonly onChosen: () => void;
}) {
  if (found.kind === 'failed')
    return (
      <p role="alert" className="mt-2 text-rubric">
        ◆ The house did not answer: type on to ask again.
      </p>
    );
  const { rows, read } = found.all;
  const nothing = rows.length === 0 && typed.length >= 2 && found.of === typed;
  return (
    <>
      <p role="status" className="mt-2 min-h-6 text-sm text-quiet">
        {nothing && `Nothing is found by “${typed}”.`}
        {rows.length > 0 &&
          read.length > 0 &&
          `Nothing is written “${[...new Set(read.map((r) => r.typed))].join(' ')}”; read as ${read.map((r) => r.as).join(', ')}.`}
      </p>
      <ul className="divide-y divide-line" aria-label="What was found">
        {rows.map((r) => (
          <li key={`${r.kind} ${r.ref}`}>
            <Link
              href={hrefOf(r)}
              onClick={onChosen}
              className="flex min-h-11 flex-wrap items-center gap-x-3 py-1 hover:bg-shade focus-visible:bg-shade"
            >
              <span className="w-24 text-sm text-quiet">{KINDS[r.kind]}</span>
              <b>{r.title}</b>
              <span className="min-w-0 text-sm text-ink">{r.says}</span>
              {r.open !== null && (
                <span className="ml-auto text-sm">
                  {r.kind === 'job' ? 'in the house' : `here as ${r.open}`}
                </span>
              )}
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}
