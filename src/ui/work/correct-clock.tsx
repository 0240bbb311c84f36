'use client';

import { useState } from 'react';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import type { Line } from './clock.tsx';

/** The way to put a clock right; one that was probably forgotten is asked about. */
function ClockDoubt({
  clock,
  onOpen,
}: {
  readonly clock: Line['clocks'][number];
  readonly onOpen: () => void;
}) {
  return clock.forgotten ? (
    <p className="text-rubric">
      ◆ This clock has run since {sayMoment(clock.from)}. Forgotten?{' '}
      <button type="button" className="button" onClick={onOpen}>
        Put the clock right
      </button>
    </p>
  ) : (
    <button type="button" className="min-h-11 cursor-pointer text-sm text-quiet underline" onClick={onOpen}>
      Put the clock right
    </button>
  );
}

/** A clock that ran too long, put right with the reason. */
export function CorrectClock({ line, may }: { readonly line: Line; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const [open, setOpen] = useState(false);
  const [minutes, setMinutes] = useState('');
  const [reason, setReason] = useState('');
  const clock = line.clocks.findLast((c) => c.forgotten) ?? line.clocks.at(-1);
  if (!clock || !may) return null;
  const field = (name: string) => (trouble?.code === 'invalid' ? trouble.fields[name] : undefined);
  const whole = /^\d{1,4}$/.test(minutes.trim());
  if (!open) return <ClockDoubt clock={clock} onOpen={() => setOpen(true)} />;
  return (
    <form
      className="flex flex-wrap items-end gap-2 border border-line p-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!whole) return;
        void give('work.correct-clock', { entryId: clock.id, minutes: Number(minutes), reason }).then(
          (done) => done && setOpen(false),
        );
      }}
    >
      <TextField
        label={`Minutes, from ${sayMoment(clock.from)}`}
        error={minutes !== '' && !whole ? 'Whole minutes' : field('minutes')}
        className="w-44"
        inputMode="numeric"
        value={minutes}
        onChange={setMinutes}
      />
      <TextField
        label="Why"
        error={field('reason')}
        className="min-w-52 flex-1"
        value={reason}
        onChange={setReason}
      />
      <button type="submit" className="button" disabled={busy || !whole}>
        Put it right
      </button>
      <button type="button" className="button" onClick={() => setOpen(false)}>
        Leave it
      </button>
      {trouble?.code !== 'invalid' && <Trouble trouble={trouble} />}
    </form>
  );
}
