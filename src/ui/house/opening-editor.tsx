'use client';

import { sayWeek, type ClosedDays, type Opening } from '../../core/days/opening.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { todayIso } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { readWeek, WeekFields, weekTexts, type WeekTexts } from './week-fields.tsx';

interface Typed extends WeekTexts {
  readonly closed: readonly ClosedDays[];
  readonly [key: string]: unknown;
}

/** A stretch of days on which it is closed, and why. */
function ClosedRow({
  closed,
  error,
  may,
  onChange,
  onOut,
}: {
  readonly closed: ClosedDays;
  readonly error: string | undefined;
  readonly may: boolean;
  readonly onChange: (some: Partial<ClosedDays>) => void;
  readonly onOut: () => void;
}) {
  const set = (key: keyof ClosedDays) => (text: string) => onChange({ [key]: text });
  return (
    <li className="flex flex-wrap items-end gap-2 border-b border-line pb-2">
      <TextField label="From" type="date" readOnly={!may} value={closed.from} onChange={set('from')} />
      <TextField
        label="To, with that day"
        type="date"
        error={error}
        readOnly={!may}
        value={closed.to}
        onChange={set('to')}
      />
      <TextField
        label="Why"
        className="min-w-40 flex-1"
        maxLength={80}
        readOnly={!may}
        value={closed.why}
        onChange={set('why')}
      />
      {may && (
        <button type="button" className="button" onClick={onOut}>
          Open after all
        </button>
      )}
    </li>
  );
}

const wrongDays = (c: ClosedDays): string | undefined =>
  c.from === '' || c.to === '' ? 'Both days' : c.to < c.from ? 'It ends before it begins' : undefined;

/** The days it is closed beside its week. */
function ClosedList({
  closed,
  may,
  onChange,
}: {
  readonly closed: readonly ClosedDays[];
  readonly may: boolean;
  readonly onChange: (closed: readonly ClosedDays[]) => void;
}) {
  const fresh = { from: todayIso(), to: todayIso(), why: '' };
  return (
    <section aria-label="Closed days" className="space-y-3">
      <h2 className="text-xl">Closed days</h2>
      {closed.length === 0 && (
        <p className="text-quiet">None are said: holidays, fairs, the turn of the year.</p>
      )}
      <ul className="space-y-3">
        {closed.map((c, i) => (
          <ClosedRow
            key={i}
            closed={c}
            error={wrongDays(c)}
            may={may}
            onChange={(some) => onChange(closed.map((o, at) => (at === i ? { ...o, ...some } : o)))}
            onOut={() => onChange(closed.filter((_, at) => at !== i))}
          />
        ))}
      </ul>
      {may && (
        <button type="button" className="button" onClick={() => onChange([...closed, fresh])}>
          Closed on more days
        </button>
      )}
    </section>
  );
}

const HowTyped = () => (
  <p className="text-quiet">
    A day like 9–12:30, 13:30–18; nothing where it is closed. They stand on papers, and a day on which the
    shop is closed is pointed out before something is promised for it.
  </p>
);

/** When the shop is open, a text a day, and the days it is closed. */
export function OpeningEditor({
  opening,
  version,
  may,
}: {
  readonly opening: Opening;
  readonly version: number;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit<Typed>(
    { ...weekTexts(opening.hours), closed: opening.closed },
    version,
    'house:opening',
  );
  const { hours, wrong } = readWeek(edit.value);
  const fine = Object.keys(wrong).length === 0 && edit.value.closed.every((c) => wrongDays(c) === undefined);
  const keep = () =>
    edit.save((typed, began) =>
      give('house.save-opening', {
        version: began,
        opening: { hours: readWeek(typed).hours, closed: [...typed.closed] },
      }),
    );
  return (
    <form
      aria-label="Opening hours"
      className="max-w-3xl space-y-4 px-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (fine) void keep();
      }}
    >
      {!may && <p className="text-quiet">A lead or the owner changes these.</p>}
      <HowTyped />
      <WeekFields
        texts={edit.value}
        wrong={wrong}
        may={may}
        onChange={(d, text) => edit.set({ [d]: text })}
      />
      <p role="status">
        {hours === null ? 'Nothing said: every day counts as open.' : `Open ${sayWeek(hours)}`}
      </p>
      <ClosedList closed={edit.value.closed} may={may} onChange={(closed) => edit.set({ closed })} />
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble} />
      {may && (
        <button
          type="submit"
          className="button button-main"
          disabled={busy || !fine || edit.conflicts.length > 0}
        >
          Keep the hours
        </button>
      )}
    </form>
  );
}
