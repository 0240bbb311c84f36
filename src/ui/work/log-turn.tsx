'use client';

import { useState } from 'react';
import { readEntry } from '../../core/readings/entry.ts';
import { formatLength } from '../../core/units/format-length.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { amountUnit } from '../../core/targets/say-values.ts';
import type { Line } from './clock.tsx';

const WAYS = { tighten: 'Tightened', loosen: 'Loosened' } as const;
const SIZES = { '0.5': '1/16', '1': '1/8', '1.5': '3/16', '2': '1/4' } as const;
const readingOf = (text: string, unit: LengthUnit) =>
  text.trim() === '' ? null : readEntry(text, 'relief', unit);

/** The earliest moment at which a turn that is logged now can have been made: after the one before it, in its step. ms */
const madeAfter = ({ clocks, rod }: Line): number =>
  Math.max(0, ...[clocks[0]?.from, rod?.turns.at(-1)?.at].map((at) => (at ? Date.parse(at) : 0)));

/** Why a relief that is read now cannot have rested since the turn, or null. */
function readTooSoon(line: Line): string | null {
  const rested = Date.now() - madeAfter(line);
  if (rested >= line.wait * 60_000) return null;
  const what = (line.rod?.turns.length ?? 0) > 0 ? 'The turn before was logged' : 'The step was begun';
  const minutes = Math.max(0, Math.floor(rested / 60_000));
  const ago = minutes === 0 ? 'just now' : `${minutes} min ago`;
  return `${what} ${ago}: the neck has not rested its ${line.wait} min since this one. Log the turn alone, and read the relief when it has.`;
}

/** Which way, how much, and what it reads now: two taps and a number. */
export function LogTurn({ line, way: first }: { readonly line: Line; readonly way: keyof typeof WAYS }) {
  const { give, busy, trouble } = useSend();
  const [way, setWay] = useState<keyof typeof WAYS>(first);
  const [size, setSize] = useState<keyof typeof SIZES>('1');
  const [after, setAfter] = useState('');
  const [soon, setSoon] = useState<string | null>(null);
  const unit = amountUnit(useDisplayUnit()[0]);
  const read = readingOf(after, unit);
  const wrong = read && !read.ok ? read.error.message : undefined;
  const said = trouble?.code === 'invalid' ? trouble.fields['after'] : undefined;
  const log = async () => {
    const tooSoon = after.trim() === '' || soon !== null ? null : readTooSoon(line);
    setSoon(tooSoon);
    if (tooSoon !== null) return;
    const eighths = Number(size) * (way === 'tighten' ? 1 : -1);
    if (await give('work.turn', { lineId: line.id, eighths, after, unit })) setAfter('');
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
      <TextField
        label="Relief reads now"
        error={wrong ?? said}
        className="w-40"
        inputMode="decimal"
        placeholder="blind: nothing"
        value={after}
        onChange={(text) => {
          setAfter(text);
          setSoon(null);
        }}
      />
      <button type="submit" className="button" disabled={busy || wrong !== undefined}>
        {soon === null ? 'Log the turn' : 'Log it as read at once'}
      </button>
      {read?.ok && (
        <span className="pb-3 text-sm text-quiet">
          {formatLength(read.value.value, unit)}
          {unit !== 'mm' && `, ${formatLength(read.value.value, 'mm')}`}
        </span>
      )}
      {soon !== null && <p className="w-full text-rubric">◆ {soon}</p>}
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </form>
  );
}
