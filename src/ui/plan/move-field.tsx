'use client';

import { useId, useState } from 'react';
import type { Moves } from '../../core/whatif/moves.ts';
import { within, type Handle } from './handles.ts';
import { readMove } from './read-move.ts';

/** A move typed as a number, with its steps beside it for a finger. */
export function MoveField({
  handle: h,
  moves,
  onMove,
}: {
  readonly handle: Handle;
  readonly moves: Moves;
  readonly onMove: (to: Moves, at: string) => void;
}) {
  const id = useId();
  const value = h.get(moves);
  const [text, setText] = useState<string | null>(null);
  const wrong = text !== null && readMove(text) === null;
  const move = (to: number) => onMove(h.set(moves, within(h, to)), h.id);
  return (
    <div>
      <label htmlFor={id} className="block truncate text-[0.8rem] leading-5 text-quiet" title={h.label}>
        {h.label}
      </label>
      <div className="flex">
        <button
          type="button"
          className="button w-11 px-0"
          aria-label={`${h.label}: less`}
          onClick={() => move(value - h.step)}
        >
          −
        </button>
        <input
          id={id}
          className={`field w-20 text-center ${value === 0 ? '' : 'font-bold'} ${wrong ? 'border-rubric' : ''}`}
          autoComplete="off"
          aria-invalid={wrong || undefined}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          value={text ?? (value === 0 ? '0' : value.toFixed(2))}
          onFocus={(e) => e.target.select()}
          onChange={(e) => {
            setText(e.target.value);
            const read = readMove(e.target.value);
            if (read !== null) move(read);
          }}
          onBlur={() => setText(null)}
        />
        <button
          type="button"
          className="button w-11 px-0"
          aria-label={`${h.label}: more`}
          onClick={() => move(value + h.step)}
        >
          +
        </button>
      </div>
      {wrong && (
        <p id={`${id}-wrong`} role="alert" className="text-sm text-rubric">
          ◆ A length, like −0.8, 3/64 or 5 thou
        </p>
      )}
    </div>
  );
}
