'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense } from 'react';
import { useSend } from '../data/use-send.ts';
import { sayWeekday } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

const AwayForm = lazyPart(() => import('./away-form.tsx').then((m) => m.AwayForm));

interface PersonName {
  readonly id: number;
  readonly name: string;
}

/** Who is not here, and when: said, and taken back. */
export function AwayEditor({
  people,
  away,
  may,
}: {
  readonly people: readonly PersonName[];
  readonly away: readonly {
    readonly id: number;
    readonly personId: number;
    readonly firstDay: string;
    readonly lastDay: string;
    readonly why: string;
  }[];
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const name = (id: number): string => people.find((p) => p.id === id)?.name ?? 'somebody';
  return (
    <section aria-labelledby="away" className="max-w-5xl space-y-3 px-5 py-4">
      <h2 id="away" className="text-xl">
        Who is not here
      </h2>
      {away.length === 0 && <p className="text-quiet">Everybody is, on their own days.</p>}
      <ul>
        {away.map((a) => (
          <li key={a.id} className="flex min-h-11 flex-wrap items-center gap-3 border-b border-line">
            <span className="flex-1">
              {name(a.personId)}, {sayWeekday(a.firstDay)}
              {a.lastDay !== a.firstDay && ` to ${sayWeekday(a.lastDay)}`}
              {a.why && `: ${a.why}`}
            </span>
            {may && (
              <button
                type="button"
                className="button"
                disabled={busy}
                onClick={() => void give('week.back', { id: a.id })}
              >
                Take back
              </button>
            )}
          </li>
        ))}
      </ul>
      <Suspense>{may && <AwayForm people={people} />}</Suspense>
      <Trouble trouble={trouble} />
    </section>
  );
}
