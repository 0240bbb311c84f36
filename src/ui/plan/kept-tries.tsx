'use client';

import { memo, useMemo, useState } from 'react';
import { mapOfNeck, type Hand } from '../../core/whatif/clearance-map.ts';
import { consequences } from '../../core/whatif/consequences.ts';
import { NO_MOVES, type Moves } from '../../core/whatif/moves.ts';
import type { NeckModel } from '../../core/whatif/neck-model.ts';
import { useWords } from '../data/display-unit.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';
import { rowsOf } from './try-says.ts';
import { Sideways } from '../kit/sideways.tsx';

/** What was kept by a name, side by side with what was read and what is tried now. */
export const KeptTries = memo(function KeptTries({
  job,
  may,
  model,
  moves,
  hand,
  onTry,
}: Pick<LeafProps<'plan'>, 'job'> & {
  readonly may: boolean;
  readonly model: NeckModel;
  /** what is tried now */
  readonly moves: Moves;
  readonly hand: Hand;
  readonly onTry: (moves: Moves) => void;
}) {
  const { give, busy, trouble } = useSend();
  const words = useWords();
  const [name, setName] = useState('');
  const last = model.construction.frets;
  const [asked, setAsked] = useState(String(last));
  const fret = /^\d{1,2}$/.test(asked) ? Math.min(last, Math.max(1, Number(asked))) : last;
  const { tries, settings, choice } = job.plan;
  const ratio = settings.rodActionRatio;
  const columns = useMemo(() => {
    const column = (title: string, tried: Moves) => {
      const o = consequences(model, tried, ratio);
      const rows = rowsOf(model, o, mapOfNeck(model, o, hand), fret);
      return { title, rows: rows.map(([row, value]) => [row, words(value)] as const) };
    };
    return [
      column('As read', NO_MOVES),
      column('Tried now', moves),
      ...tries.map((t) => column(t.name, t.moves)),
      ...(choice ? [column(`Chosen: ${choice.name.toLowerCase()}`, choice.moves)] : []),
    ];
  }, [model, moves, hand, tries, choice, ratio, fret, words]);
  const keep = async () => {
    const done = await give('plan.keep-try', {
      jobId: job.id,
      tryId: 0,
      name,
      moves,
      version: 0,
    });
    if (done) setName('');
  };
  return (
    <div className="space-y-2">
      <TextField
        label={`Action also at fret (1 to ${last})`}
        className="w-52"
        inputMode="numeric"
        value={asked}
        onChange={(text) => setAsked(text.trim())}
      />
      <Sideways label="Side by side">
        <table className="text-left text-sm">
          <caption className="py-1 text-left font-serif text-lg font-semibold">Side by side</caption>
          <thead>
            <tr className="border-b-2 border-plain">
              <td />
              {columns.map((x, i) => (
                <th key={i} scope="col" className="px-3 align-bottom">
                  {x.title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {(columns[0]?.rows ?? []).map(([row], r) => (
              <tr key={row} className="border-b border-line">
                <th scope="row" className="pr-3 font-normal whitespace-nowrap">
                  {row}
                </th>
                {columns.map((x, i) => {
                  const value = x.rows[r]?.[1] ?? '';
                  const same = i > 0 && value === columns[0]?.rows[r]?.[1];
                  return (
                    <td
                      key={i}
                      className={`max-w-64 px-3 py-0.5 ${same ? 'text-quiet' : i > 0 ? 'font-bold' : ''}`}
                    >
                      {value}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
          {tries.length > 0 && (
            <tfoot>
              <tr>
                <td />
                <td />
                <td />
                {tries.map((t) => (
                  <td key={t.id} className="px-3 py-1">
                    <button
                      type="button"
                      className="button"
                      aria-label={`Try ${t.name} again`}
                      onClick={() => onTry(t.moves)}
                    >
                      Try again
                    </button>{' '}
                    {may && (
                      <button
                        type="button"
                        className="button"
                        aria-label={`Drop ${t.name}`}
                        disabled={busy}
                        onClick={() => void give('plan.drop-try', { tryId: t.id, version: t.version })}
                      >
                        Drop
                      </button>
                    )}
                  </td>
                ))}
              </tr>
            </tfoot>
          )}
        </table>
      </Sideways>
      {may && (
        <form
          className="flex items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <TextField
            label="Keep what is tried as"
            error={trouble?.code === 'invalid' ? trouble.fields['name'] : undefined}
            className="w-64"
            maxLength={80}
            value={name}
            onChange={setName}
          />
          <button type="submit" className="button" disabled={busy || name.trim() === ''}>
            Keep it
          </button>
          {trouble?.code !== 'invalid' && <Trouble trouble={trouble} />}
        </form>
      )}
    </div>
  );
});
