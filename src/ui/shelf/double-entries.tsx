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
            <li key={`${d.entity} ${d.keep.id} ${d.gone.id}`} className="space-y-2 border-b border-line py-3">
              <p className="text-sm">
                {KINDS[d.entity]}: {d.why}
              </p>
              <div className="flex flex-wrap items-center gap-4">
                <One side={d.keep} says="kept" />
                <One side={d.gone} says="joined to it" />
                <button
                  type="button"
                  className="button button-main"
                  disabled={busy}
                  aria-label={`They are one: ${d.keep.name} and ${d.gone.name}`}
                  onClick={() => void judge(d, 'same')}
                >
                  They are one
                </button>
                <button
                  type="button"
                  className="button"
                  disabled={busy}
                  aria-label={`They are two: ${d.keep.name} and ${d.gone.name}`}
                  onClick={() => void judge(d, 'apart')}
                >
                  They are two
                </button>
              </div>
            </li>
          ))}
        </ul>
      </section>
      {merged.length > 0 && (
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
                  onClick={() => void give('shelf.undo-merge', { mergeId: m.id })}
                >
                  Take apart again
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
