'use client';

import type { Duplicate, Merged, Side } from '../../server/shelf/load-duplicates.ts';
import { sayMoment } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

const KINDS = { customer: 'Customers', instrument: 'Instruments' } as const;

function One({ side, says }: { readonly side: Side; readonly says: string }) {
  return (
    <div className="flex-1">
      <p className="text-sm text-quiet">{says}</p>
      <p className="text-ink">{side.name || 'no name'}</p>
      <p className="text-sm">{side.says || 'nothing else known'}</p>
    </div>
  );
}

/** Two entries that look like one, with what can be said of them. */
function Alike({
  found: d,
  busy,
  onJudge,
}: {
  readonly found: Duplicate;
  readonly busy: boolean;
  readonly onJudge: (verdict: 'same' | 'apart') => void;
}) {
  const button = (verdict: 'same' | 'apart', words: string, main: boolean) => (
    <button
      type="button"
      className={`button ${main ? 'button-main' : ''}`}
      disabled={busy}
      aria-label={`${words}: ${d.keep.name} and ${d.gone.name}`}
      onClick={() => onJudge(verdict)}
    >
      {words}
    </button>
  );
  return (
    <li className="space-y-2 border-b border-line py-3">
      <p className="text-sm">
        {KINDS[d.entity]}: {d.why}
      </p>
      <div className="flex flex-wrap items-center gap-4">
        <One side={d.keep} says="kept" />
        <One side={d.gone} says="joined to it" />
        {button('same', 'They are one', true)}
        {button('apart', 'They are two', false)}
      </div>
    </li>
  );
}

/** What was joined lately, each with the way back. */
function Joined({
  merged,
  busy,
  onUndo,
}: {
  readonly merged: readonly Merged[];
  readonly busy: boolean;
  readonly onUndo: (mergeId: number) => void;
}) {
  return (
    <section aria-labelledby="joined">
      <h2 id="joined" className="border-b-2 border-plain text-xl">
        Joined lately
      </h2>
      <ul>
        {merged.map((m) => (
          <li key={m.id} className="flex items-center justify-between gap-4 border-b border-line py-2">
            <span>
              {m.gone} → <b>{m.keep}</b>
              <span className="block text-sm text-quiet">
                {KINDS[m.entity].toLowerCase()}, {m.by}, {sayMoment(m.at)}
              </span>
            </span>
            <button
              type="button"
              className="button"
              disabled={busy}
              aria-label={`Take apart again: ${m.gone}`}
              onClick={() => onUndo(m.id)}
            >
              Take apart again
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Entries that look like one: joined or kept apart by a tap, and taken apart again. */
export function DoubleEntries({
  found,
  merged,
}: {
  readonly found: readonly Duplicate[];
  readonly merged: readonly Merged[];
}) {
  const { give, busy, trouble } = useSend();
  const judge = (d: Duplicate, verdict: 'same' | 'apart') =>
    give('shelf.merge', { entity: d.entity, keepId: d.keep.id, goneId: d.gone.id, verdict });
  return (
    <div className="max-w-4xl space-y-6 px-5 py-3">
      <Trouble trouble={trouble} />
      <section aria-labelledby="alike">
        <h2 id="alike" className="border-b-2 border-plain text-xl">
          Look like one
        </h2>
        {found.length === 0 && <p className="py-2 text-quiet">Nothing in the book looks double.</p>}
        <ul>
          {found.map((d) => (
            <Alike
              key={`${d.entity} ${d.keep.id} ${d.gone.id}`}
              found={d}
              busy={busy}
              onJudge={(verdict) => void judge(d, verdict)}
            />
          ))}
        </ul>
      </section>
      {merged.length > 0 && (
        <Joined
          merged={merged}
          busy={busy}
          onUndo={(mergeId) => void give('shelf.undo-merge', { mergeId })}
        />
      )}
    </div>
  );
}
