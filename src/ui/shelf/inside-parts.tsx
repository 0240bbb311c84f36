'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { dayOf, sayDate } from '../kit/dates.ts';

const InsideForm = lazyPart(() => import('./inside-form.tsx').then((m) => m.InsideForm));

type Part = Biography['inside'][number];

/** One part: its value, its wires, who said so. */
function PartWords({ part }: { readonly part: Part }) {
  const said = [part.wires, part.note].filter((s) => s !== '').join('; ');
  return (
    <p className={part.gone === '' ? '' : 'text-quiet'}>
      <b className="text-ink">{part.name}</b>
      {part.value !== '' && <span className="text-ink">, {part.value}</span>}
      {said !== '' && <span className="text-ink">: {said}</span>}{' '}
      <span className="text-quiet">
        {part.by}, {sayDate(dayOf(part.at))}
      </span>
      {part.gone !== '' && <span className="text-ink">; not inside any more: {part.gone}</span>}
    </p>
  );
}

function Inside({
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
        <InsideForm instrumentId={instrumentId} part={part} onDone={() => setOpen(false)} />
      </Suspense>
    );
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-3 py-1">
      <PartWords part={part} />
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

/** What is inside it: parts with their values, which wire goes where; what was taken out last. */
export function InsideParts({
  instrumentId,
  inside,
  may,
}: {
  readonly instrumentId: number;
  readonly inside: readonly Part[];
  readonly may: boolean;
}) {
  const [adding, setAdding] = useState(false);
  const sorted = [...inside.filter((p) => p.gone === ''), ...inside.filter((p) => p.gone !== '')];
  return (
    <section aria-labelledby="inside">
      <h2 id="inside" className="text-xl">
        Inside
      </h2>
      {inside.length === 0 && !adding && (
        <p className="text-sm text-quiet">
          Nothing is written down. Pickups, pots, condensers with their values, and which wire goes where:
          whoever opens it next need not guess. Photos before and after go with the step.
        </p>
      )}
      <ul className="divide-y divide-line text-sm">
        {sorted.map((p) => (
          <li key={p.id}>
            <Inside instrumentId={instrumentId} part={p} may={may} />
          </li>
        ))}
      </ul>
      {adding ? (
        <Suspense>
          <InsideForm instrumentId={instrumentId} part={null} onDone={() => setAdding(false)} />
        </Suspense>
      ) : (
        may && (
          <button type="button" className="button mt-2" onClick={() => setAdding(true)}>
            Write down a part inside
          </button>
        )
      )}
    </section>
  );
}
