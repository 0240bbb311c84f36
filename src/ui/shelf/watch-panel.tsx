'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, useState } from 'react';
import { sayLimit, sayReach, sayWatched } from '../../core/learn/say-reach.ts';
import { WATCHED } from '../../core/learn/watched.ts';
import type { LoadedWatch } from '../../server/shelf/load-watches.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { sayingIn } from '../kit/saying.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';

const ChangeLimit = lazyPart(() => import('./watch-forms.tsx').then((m) => m.ChangeLimit));
const NewWatch = lazyPart(() => import('./watch-forms.tsx').then((m) => m.NewWatch));

function Watched({
  watch,
  unit,
  may,
}: {
  readonly watch: LoadedWatch;
  readonly unit: DisplayUnit;
  readonly may: boolean;
}) {
  const [open, setOpen] = useState(false);
  const say = sayingIn(unit);
  const { what, side, note, reach } = watch;
  const limit = sayWatched(what, watch.limit, say);
  return (
    <li className="py-1.5">
      <p>
        {reach.state === 'reached' && <span className="text-rubric">◆ </span>}
        <b>{WATCHED[what].name}</b>, <span className="text-ink">{sayLimit(watch, say)}</span>
      </p>
      <p className={reach.state === 'reached' ? 'text-rubric' : 'text-quiet'}>{sayReach(what, reach, say)}</p>
      {note !== '' && <p className="text-ink">“{note}”</p>}
      {may && !open && (
        <button
          type="button"
          className="button mt-1"
          aria-label={`Change the limit of ${WATCHED[what].name}`}
          onClick={() => setOpen(true)}
        >
          Change
        </button>
      )}
      {open && (
        <Suspense>
          <ChangeLimit
            watch={watch}
            now={{ what, side, limit, note }}
            unit={unit}
            onDone={() => setOpen(false)}
          />
        </Suspense>
      )}
    </li>
  );
}

/** What is watched on an instrument, with its limit and when that will probably be reached; and what its last inspection said. */
export function WatchPanel({
  instrumentId,
  watches,
  said,
  may,
}: {
  readonly instrumentId: number;
  readonly watches: readonly LoadedWatch[];
  /** what the last inspection said to watch */
  readonly said: readonly { readonly title: string; readonly note: string }[];
  readonly may: boolean;
}) {
  const [unit] = useDisplayUnit();
  const [adding, setAdding] = useState(false);
  if (watches.length + said.length === 0 && !may) return null;
  return (
    <section aria-labelledby="watched">
      <h2 id="watched" className="text-xl">
        What is watched
      </h2>
      {watches.length + said.length === 0 && (
        <p className="text-sm text-quiet">
          Nothing. With a limit it is said here when that will probably be reached, and at the desk in time.
        </p>
      )}
      <ul className="divide-y divide-line border-line text-sm">
        {watches.map((w) => (
          <Watched key={w.id} watch={w} unit={unit} may={may} />
        ))}
        {said.map((w) => (
          <li key={w.title} className="py-1.5">
            {w.title} <span className="text-quiet">at its last inspection</span>
            {w.note !== '' && <span className="text-ink"> “{w.note}”</span>}
          </li>
        ))}
      </ul>
      {may && !adding && (
        <button type="button" className="button mt-2" onClick={() => setAdding(true)}>
          Watch something
        </button>
      )}
      {adding && (
        <Suspense>
          <NewWatch instrumentId={instrumentId} unit={unit} onDone={() => setAdding(false)} />
        </Suspense>
      )}
    </section>
  );
}
