'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import { Adding, Changing } from './changing.tsx';

const KeptPartForm = lazyPart(() => import('./kept-part-form.tsx').then((m) => m.KeptPartForm));

type Part = Biography['kept'][number];

const PartWords = ({ part }: { readonly part: Part }) => (
  <p className={part.gone === '' ? '' : 'text-quiet'}>
    <b className="text-ink">{part.name}</b>, <span className="text-ink">{part.place}</span>
    {part.measures !== '' && <span className="text-ink">; {part.measures}</span>}{' '}
    <span className="text-quiet">
      {part.by}, {sayDate(dayOf(part.at))}
    </span>
    {part.gone !== '' && <span className="text-ink">; gone: {part.gone}</span>}
  </p>
);

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
  if (kept.length === 0 && !may) return null;
  const form = (part: Part | null) => (done: () => void) => (
    <KeptPartForm instrumentId={instrumentId} part={part} onDone={done} />
  );
  return (
    <section aria-labelledby="kept-parts">
      <h2 id="kept-parts" className="text-xl">
        Parts kept
      </h2>
      <Adding
        label="Keep a part"
        may={may}
        empty={
          kept.length === 0
            ? 'None. An old nut, a tuner, a template: with its place it is found again.'
            : null
        }
        form={form(null)}
      >
        <ul className="divide-y divide-line text-sm">
          {kept.map((p) => (
            <li key={p.id}>
              <Changing name={p.name} may={may} form={form(p)}>
                <PartWords part={p} />
              </Changing>
            </li>
          ))}
        </ul>
      </Adding>
    </section>
  );
}
