'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { dayOf, sayDate } from '../kit/dates.ts';

const KeptPartForm = lazyPart(() => import('./kept-part-form.tsx').then((m) => m.KeptPartForm));

type Part = Biography['kept'][number];
function Kept({
  instrumentId,
  part,
  may,
}: {
  readonly instrumentId: number;
  readonly part: Part;
  readonly may: boolean;
}) {
  const [open, setOpen] = useState(false);
  if (open)
    return (
      <Suspense>
        <KeptPartForm instrumentId={instrumentId} part={part} onDone={() => setOpen(false)} />
      </Suspense>
    );
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-3 py-1">
      <p className={part.gone === '' ? '' : 'text-quiet'}>
        <b className="text-ink">{part.name}</b>, <span className="text-ink">{part.place}</span>
        {part.measures !== '' && <span className="text-ink">; {part.measures}</span>}{' '}
        <span className="text-quiet">
          {part.by}, {sayDate(dayOf(part.at))}
        </span>
        {part.gone !== '' && <span className="text-ink">; gone: {part.gone}</span>}
      </p>
      {may && (
        <button
          type="button"
          className="button min-h-8 px-3"
          aria-label={`Change: ${part.name}`}
          onClick={() => setOpen(true)}
        >
          Change
        </button>
      )}
    </div>
  );
}

/** Parts of it that are kept, with their place and measures. */
export function KeptParts({
  instrumentId,
  kept,
  may,
}: {
  readonly instrumentId: number;
  readonly kept: readonly Part[];
  readonly may: boolean;
}) {
  const [adding, setAdding] = useState(false);
  if (kept.length === 0 && !may) return null;
  return (
    <section aria-labelledby="kept-parts">
      <h2 id="kept-parts" className="text-xl">
        Parts kept
      </h2>
      {kept.length === 0 && !adding && (
        <p className="text-sm text-quiet">
          None. An old nut, a tuner, a template: with its place it is found again.
        </p>
      )}
      <ul className="divide-y divide-line text-sm">
        {kept.map((p) => (
          <li key={p.id}>
            <Kept instrumentId={instrumentId} part={p} may={may} />
          </li>
        ))}
      </ul>
      {adding ? (
        <Suspense>
          <KeptPartForm instrumentId={instrumentId} part={null} onDone={() => setAdding(false)} />
        </Suspense>
      ) : (
        may && (
          <button type="button" className="button mt-2" onClick={() => setAdding(true)}>
            Keep a part
          </button>
        )
      )}
    </section>
  );
}
