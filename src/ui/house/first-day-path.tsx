'use client';

import { FIRST_STEPS, nextStep, type FirstDay, type FirstStep } from '../../core/people/first-day.ts';
import { useSend } from '../data/use-send.ts';
import Link from '../kit/link.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** The steps of a shop's first day: what each is for, where it is done, and whether it is. */
export function FirstDayPath({
  day,
  version,
  may,
}: {
  readonly day: FirstDay;
  readonly version: number;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const next = nextStep(day);
  const keep = (done: readonly FirstStep[], closed: boolean) =>
    void give('house.first-day', { version, done: [...done], closed });
  return (
    <div className="max-w-3xl space-y-4 px-5 py-3">
      {!may && <p className="text-quiet">A lead or the owner goes this path.</p>}
      <ol>
        {FIRST_STEPS.map((s, i) => {
          const done = day.done.includes(s.key);
          return (
            <li
              key={s.key}
              className={`flex items-center gap-4 border-b border-line py-2 ${s === next ? 'border-l-4 border-l-plain pl-3' : ''}`}
            >
              <span className="w-6 shrink-0 text-right font-serif text-xl text-quiet">{i + 1}</span>
              <div className="min-w-0 flex-1">
                <Link href={s.href} className="inline-flex min-h-8 items-center text-lg underline">
                  {s.name}
                </Link>
                <p className="text-sm text-quiet">{s.why}</p>
              </div>
              <label className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="h-6 w-6 shrink-0"
                  checked={done}
                  disabled={!may || busy}
                  onChange={() =>
                    keep(done ? day.done.filter((k) => k !== s.key) : [...day.done, s.key], day.closed)
                  }
                />
                <span>
                  done<span className="sr-only">: {s.name}</span>
                </span>
              </label>
            </li>
          );
        })}
      </ol>
      <Trouble trouble={trouble} />
      {may && (
        <button type="button" className="button" disabled={busy} onClick={() => keep(day.done, !day.closed)}>
          {day.closed ? 'Show it again in House' : 'Put this path away'}
        </button>
      )}
      <p className="text-sm text-quiet">Everything here stands in House afterwards, each at its own page.</p>
    </div>
  );
}
