'use client';

import { useEffect, useState } from 'react';
import type { loadInstrument } from '../../server/shelf/load-shelf.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { sayMoment } from '../kit/dates.ts';
import { sayValue } from '../../core/targets/say-values.ts';

type Known = NonNullable<Awaited<ReturnType<typeof loadInstrument>>>;

const NAMES = { relief: 'relief', action: 'action' } as const;

/** How it left the last time: relief, and action on the outer strings. */
function lastAsLeft(known: Known, unit: DisplayUnit): string {
  const strings = known.construction.strings.length;
  const visit = known.visits.find((v) => v.readings.some((r) => r.round === 'as-left'));
  const place = (r: { quantity: string; string: number }): number =>
    r.quantity === 'relief' ? -99 : -r.string;
  return (visit?.readings ?? [])
    .toSorted((a, b) => place(a) - place(b))
    .filter(
      (r) => r.round === 'as-left' && (r.quantity === 'relief' || r.string === 1 || r.string === strings),
    )
    .map((r) => {
      const quantity = r.quantity === 'relief' ? 'relief' : 'action';
      const which = quantity === 'relief' ? '' : r.string === 1 ? ', highest' : ', lowest';
      return `${NAMES[quantity]}${which} ${sayValue(r.value, quantity, unit)}`;
    })
    .join(' · ');
}

/** What the shop knows of an instrument that comes back: its visits and its last readings as left. */
export function InstrumentHistory({ id, brief = false }: { readonly id: number; readonly brief?: boolean }) {
  const [unit] = useDisplayUnit();
  const [known, setKnown] = useState<Known | null>(null);
  useEffect(() => {
    let gone = false;
    setKnown(null);
    void fetch(`/api/instrument/${id}`)
      .then(async (a) => (a.ok ? ((await a.json()) as Known) : null))
      .catch(() => null)
      .then((k) => !gone && setKnown(k));
    return () => {
      gone = true;
    };
  }, [id]);
  if (!known) return null;
  const left = lastAsLeft(known, unit);
  const said = left !== '' && (
    <p>
      As it left the last time: <span className="text-ink">{left}</span>
    </p>
  );
  if (brief) return said;
  return (
    <section aria-label="Here before" className="space-y-2 border border-line p-3 text-sm">
      <p>
        {known.kindName}
        {known.year && `, ${known.year}`}. {known.visits.length === 0 && 'Never worked on here yet.'}
      </p>
      {said}
      <ol>
        {known.visits.slice(0, 4).map((v) => (
          <li key={v.number}>
            <b>{v.number}</b>, {sayMoment(v.takenInAt).split(',')[0]} {v.takenInAt.slice(0, 4)}:{' '}
            <span className="text-ink">{v.complaint}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
