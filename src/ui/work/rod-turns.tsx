'use client';

import { useState } from 'react';
import { sayTurn } from '../../core/neck/say-turn.ts';
import { readEntry } from '../../core/readings/entry.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import type { Line } from './clock.tsx';

const WAYS = { tighten: 'Tightened', loosen: 'Loosened' } as const;
const SIZES = { '0.5': '1/16', '1': '1/8', '1.5': '3/16', '2': '1/4' } as const;
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

const readingOf = (text: string) => (text.trim() === '' ? null : readEntry(text, 'relief', 'thou'));

/** Which way, how much, and what it reads now: two taps and a number. */
function LogTurn({ line, way: first }: { readonly line: Line; readonly way: keyof typeof WAYS }) {
  const { give, busy, trouble } = useSend();
  const [way, setWay] = useState<keyof typeof WAYS>(first);
  const [size, setSize] = useState<keyof typeof SIZES>('1');
  const [after, setAfter] = useState('');
  const read = readingOf(after);
  const wrong = read && !read.ok ? read.error.message : undefined;
  const said = trouble?.code === 'invalid' ? trouble.fields['after'] : undefined;
  const log = async () => {
    const eighths = Number(size) * (way === 'tighten' ? 1 : -1);
    if (await give('work.turn', { lineId: line.id, eighths, after, unit: 'thou' })) setAfter('');
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void log();
      }}
    >
      <PillChoice quiet legend="Which way it was turned" value={way} options={WAYS} onChange={setWay} />
      <PillChoice quiet legend="How much of a turn" value={size} options={SIZES} onChange={setSize} />
      <FormField label="Relief reads now" className="w-40" error={wrong ?? said}>
        {(w) => (
          <input
            {...w}
            className="field"
            inputMode="decimal"
            placeholder="blind: nothing"
            value={after}
            onChange={(e) => setAfter(e.target.value)}
          />
        )}
      </FormField>
      <button type="submit" className="button" disabled={busy || wrong !== undefined}>
        Log the turn
      </button>
      {read?.ok && (
        <span className="pb-3 text-sm text-quiet">
          {formatLength(read.value.value, 'thou')}, {formatLength(read.value.value, 'mm')}
        </span>
      )}
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
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
      {may && at && <LogTurn key={turns.length} line={line} way={way} />}
    </section>
  );
}
