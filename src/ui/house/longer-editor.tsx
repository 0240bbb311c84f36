'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense } from 'react';
import { sayTime } from '../../core/days/opening.ts';
import { useSend } from '../data/use-send.ts';
import { sayWeekday } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

const LongerForm = lazyPart(() => import('./longer-form.tsx').then((m) => m.LongerForm));

/** Who stays longer or comes on a day off: said, and taken back. */
export function LongerEditor({
  people,
  extra,
  may,
}: {
  readonly people: readonly { readonly id: number; readonly name: string }[];
  readonly extra: readonly {
    readonly id: number;
    readonly personId: number;
    readonly day: string;
    readonly from: number;
    readonly to: number;
  }[];
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const name = (id: number): string => people.find((p) => p.id === id)?.name ?? 'somebody';
  return (
    <section aria-labelledby="longer" className="max-w-5xl space-y-3 px-5 py-4">
      <h2 id="longer" className="text-xl">
        Who stays longer, or comes on a day off
      </h2>
      {extra.length === 0 && <p className="text-quiet">Nobody has said so.</p>}
      <ul>
        {extra.map((e) => (
          <li key={e.id} className="flex min-h-11 flex-wrap items-center gap-3 border-b border-line">
            <span className="flex-1">
              {name(e.personId)}, {sayWeekday(e.day)}, {sayTime(e.from)} to {sayTime(e.to)}
            </span>
            {may && (
              <button
                type="button"
                className="button"
                disabled={busy}
                aria-label={`Take back: ${name(e.personId)}, ${sayWeekday(e.day)}`}
                onClick={() => void give('week.not-longer', { id: e.id })}
              >
                Take back
              </button>
            )}
          </li>
        ))}
      </ul>
      <Suspense>{may && <LongerForm people={people} />}</Suspense>
      <Trouble trouble={trouble} />
    </section>
  );
}
