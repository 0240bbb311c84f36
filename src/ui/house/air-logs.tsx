'use client';

import type { LoadedAir } from '../../server/air/load-air.ts';
import { useSend } from '../data/use-send.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

const days = (log: LoadedAir['logs'][number]): string =>
  `${sayDate(dayOf(Date.parse(log.from)))} to ${sayDate(dayOf(Date.parse(log.to)))}`;

/** The files of the logger; each can be taken out again. */
export function AirLogs({ logs }: Pick<LoadedAir, 'logs'>) {
  const { give, busy, trouble } = useSend();
  if (logs.length === 0) return null;
  return (
    <section aria-labelledby="air-logs" className="space-y-2">
      <h2 id="air-logs" className="text-xl">
        Taken in
      </h2>
      <Trouble trouble={trouble} />
      <ul className="divide-y divide-line border-y border-line">
        {logs.map((log) => (
          <li key={log.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
            <span className="min-w-0 flex-1 basis-96 break-words">
              {log.name}: {log.hours} hours, {days(log)}{' '}
              <span className="text-quiet">
                ({log.by}, {sayDate(dayOf(Date.parse(log.at)))})
              </span>
            </span>
            <button
              type="button"
              className="button"
              disabled={busy}
              aria-label={`Take it out again: ${log.name}`}
              onClick={() => void give('house.take-back-air', { logId: log.id })}
            >
              Take it out again
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
