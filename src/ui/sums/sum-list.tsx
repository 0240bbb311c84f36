'use client';

import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { findSums } from './find-sums.ts';

const typingIn = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');

/** Lets a stroke or Escape lead to a field, from anywhere on the page. */
function useStroke(field: RefObject<HTMLInputElement | null>): void {
  useEffect(() => {
    const key = (e: globalThis.KeyboardEvent) => {
      // In a field a stroke belongs to a fraction; Escape leads out of it.
      if (e.key !== 'Escape' && (e.key !== '/' || typingIn(e.target))) return;
      e.preventDefault();
      field.current?.focus();
      field.current?.select();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [field]);
}

/** Arrows walk up and down through the field and what was found. */
function walk(e: KeyboardEvent<HTMLElement>): void {
  if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return;
  e.preventDefault();
  const all = [...e.currentTarget.querySelectorAll<HTMLElement>('input, a')];
  const at = all.indexOf(document.activeElement as HTMLElement);
  all[Math.max(0, Math.min(all.length - 1, at + (e.key === 'ArrowDown' ? 1 : -1)))]?.focus();
}

/** What was found, the first one ready to be taken. */
function Found({
  found,
  here,
  text,
  onOpen,
}: {
  readonly found: ReturnType<typeof findSums>;
  readonly here: string | null;
  readonly text: string;
  readonly onOpen: (id: string) => void;
}) {
  return (
    <ul className="min-h-0 flex-1 overflow-y-auto pb-4 max-sm:max-h-56" aria-live="off">
      {found.map((s, i) => (
        <li key={s.id}>
          <a
            href={`/sums/${s.id}`}
            aria-current={s.id === here ? 'page' : undefined}
            className={`flex min-h-11 items-center px-3 leading-tight ${s.id === here ? 'bg-plain text-paper' : 'hover:bg-shade'} ${text !== '' && i === 0 ? 'font-bold' : ''}`}
            onClick={(e) => {
              if (e.metaKey || e.ctrlKey || e.shiftKey) return;
              e.preventDefault();
              onOpen(s.id);
            }}
          >
            {s.title}
          </a>
        </li>
      ))}
      {found.length === 0 && <li className="px-3 text-quiet">No sum does “{text}”. Try fewer words.</li>}
    </ul>
  );
}

/** The list of the sums: typed to find, Enter takes the first, arrows walk. */
export function SumList({
  here,
  onOpen,
}: {
  readonly here: string | null;
  readonly onOpen: (id: string) => void;
}) {
  const [text, setText] = useState('');
  const found = useMemo(() => findSums(text), [text]);
  const field = useRef<HTMLInputElement>(null);
  // Back at all sums, all are there to choose from.
  useEffect(() => {
    if (here === null) setText('');
  }, [here]);
  useStroke(field);
  const take = (e: KeyboardEvent<HTMLInputElement>) => {
    const [first] = found;
    if (e.key !== 'Enter' || !first) return;
    e.preventDefault();
    onOpen(first.id);
  };
  return (
    <nav
      aria-label="All sums"
      className="no-print flex w-64 shrink-0 flex-col border-r border-line max-sm:w-full max-sm:border-r-0"
      onKeyDown={walk}
    >
      <div className="p-3">
        <input
          ref={field}
          type="search"
          aria-label="Find a sum, or say what you want to do"
          className="field"
          placeholder="/ lower the action …"
          autoFocus={here === null}
          value={text}
          onChange={(e) => setText(e.target.value.replace(/^\//, ''))}
          onKeyDown={take}
        />
      </div>
      <Found found={found} here={here} text={text} onOpen={onOpen} />
    </nav>
  );
}
