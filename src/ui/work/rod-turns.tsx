'use client';

import { sayTurn } from '../../core/neck/say-turn.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';
import { LogTurn } from './log-turn.tsx';
import type { Line } from './clock.tsx';

type Turn = NonNullable<Line['rod']>['turns'][number];

const relief = (mm: number | null): string => (mm === null ? 'not read' : formatLength(mm, 'thou'));

function Logged({ turn, may }: { readonly turn: Turn; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  return (
    <li className="flex flex-wrap items-center gap-2 text-sm">
      <span>
        {turn.eighths > 0 ? 'Tightened' : 'Loosened'} {sayTurn(turn.eighths)}: {relief(turn.before)} →{' '}
        <b>{turn.after === null ? 'blind, not read yet' : relief(turn.after)}</b>{' '}
        <span className="text-ink">
          {turn.by}, {sayMoment(turn.at)}
        </span>
      </span>
      {may && (
        <button
          type="button"
          className="button min-h-8 px-2"
          disabled={busy}
          onClick={() => void give('work.take-back-turn', { turnId: turn.id, version: turn.version })}
        >
          Take it back
        </button>
      )}
      <Trouble trouble={trouble} />
    </li>
  );
}

/** The turns of a rod where they are made; the next one follows from what they have done. */
export function RodTurns({ line, may }: { readonly line: Line; readonly may: boolean }) {
  if (line.rod === null) return null;
  const { turns, next, way } = line.rod;
  const at = line.step === 'running' || line.step === 'paused';
  if (!at && turns.length === 0) return null;
  return (
    <section aria-label={`Turns: ${line.title}`} className="space-y-2 border-l-2 border-line pl-3">
      {turns.length > 0 && (
        <ol className="space-y-1">
          {turns.map((t, i) => (
            <Logged key={t.id} turn={t} may={may && at && i === turns.length - 1} />
          ))}
        </ol>
      )}
      {at && <p>{next}</p>}
      {may && at && <LogTurn line={line} way={way} />}
    </section>
  );
}
