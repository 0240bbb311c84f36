'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { ORIGINAL_PARTS, PART_STATES, type OriginalPart } from '../../core/learn/originality.ts';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { dayOf, sayDate } from '../kit/dates.ts';

const PartForm = lazyPart(() => import('./originality-form.tsx').then((m) => m.PartForm));

type Said = Biography['originality'][number];
const PARTS = Object.keys(ORIGINAL_PARTS) as OriginalPart[];

function PartRow({
  instrumentId,
  part,
  said,
  may,
}: {
  readonly instrumentId: number;
  readonly part: OriginalPart;
  readonly said: Said | undefined;
  readonly may: boolean;
}) {
  const [open, setOpen] = useState(false);
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <p>
          {ORIGINAL_PARTS[part]}:{' '}
          {said ? (
            <>
              <b className="text-ink">{PART_STATES[said.state]}</b>
              {said.knownBy !== '' && <span className="text-ink">, by {said.knownBy}</span>}
              {said.lookedUp !== '' && <span className="text-ink">; looked up: {said.lookedUp}</span>}{' '}
              <span className="text-quiet">
                {said.by}, {sayDate(dayOf(said.at))}
              </span>
            </>
          ) : (
            <span className="text-quiet">not said</span>
          )}
        </p>
        {may && !open && (
          <button
            type="button"
            className="button min-h-8 px-3"
            aria-label={`${said ? 'Change' : 'Say'} whether it is original: ${ORIGINAL_PARTS[part]}`}
            onClick={() => setOpen(true)}
          >
            {said ? 'Change' : 'Say'}
          </button>
        )}
      </div>
      {open && (
        <Suspense>
          <PartForm instrumentId={instrumentId} part={part} said={said} onDone={() => setOpen(false)} />
        </Suspense>
      )}
    </li>
  );
}

/** Part by part: original, replaced, not known; from what that is known. */
export function OriginalityPanel({
  instrumentId,
  originality,
  may,
}: {
  readonly instrumentId: number;
  readonly originality: readonly Said[];
  readonly may: boolean;
}) {
  const [all, setAll] = useState(false);
  const shown = all ? PARTS : PARTS.filter((p) => originality.some((o) => o.part === p));
  if (originality.length === 0 && !may) return null;
  return (
    <section aria-labelledby="originality">
      <h2 id="originality" className="text-xl">
        What is original
      </h2>
      {originality.length === 0 && !all && <p className="text-sm text-quiet">Nothing is said of it yet.</p>}
      <ul className="divide-y divide-line text-sm">
        {shown.map((p) => (
          <PartRow
            key={p}
            instrumentId={instrumentId}
            part={p}
            said={originality.find((o) => o.part === p)}
            may={may}
          />
        ))}
      </ul>
      {may && !all && (
        <button type="button" className="button mt-2" onClick={() => setAll(true)}>
          {originality.length === 0 ? 'Say what is original' : 'Say more'}
        </button>
      )}
    </section>
  );
}
