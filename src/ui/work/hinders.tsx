'use client';

import { useState } from 'react';
import { sayLeft } from '../../core/days/say-left.ts';
import { useNow } from '../frame/bell.tsx';
import { sayPlaces } from '../../core/readings/say-places.ts';
import type { BenchJob } from '../../server/bench/load-bench-job.ts';
import Link from '../kit/link.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { Line } from './clock.tsx';

type Hinder = Line['hinders'][number];

/** Why it is begun all the same. */
function Without({ line, onWithout }: { readonly line: Line; readonly onWithout: (reason: string) => void }) {
  const [reason, setReason] = useState('');
  return (
    <form
      className="mt-1 flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        onWithout(reason);
      }}
    >
      <TextField
        label="Or why it is begun without"
        className="min-w-[min(15rem,100%)] flex-1"
        maxLength={200}
        value={reason}
        onChange={setReason}
      />
      <button
        type="submit"
        className="button"
        disabled={reason.trim() === ''}
        aria-label={`Begin without: ${line.title}`}
      >
        Begin without
      </button>
    </form>
  );
}

/** What stands between a step and its beginning, with the way to each. */
export function Hinders({
  job,
  line,
  hinders,
  onWithout,
}: {
  readonly job: Pick<BenchJob, 'number'>;
  readonly line: Line;
  readonly hinders: readonly Hinder[];
  readonly onWithout: ((reason: string) => void) | null;
}) {
  const now = useNow();
  return (
    <>
      <ul className="space-y-1" aria-label={`What hinders ${line.title}`}>
        {hinders.map((h) => (
          <li key={h.words} className="text-rubric">
            ◆ {h.words}
            {h.until !== null && now > 0 && <span> {sayLeft(now, h.until)} left.</span>}
            {h.places.length > 0 && (
              <>
                {' '}
                <span className="text-sm">{sayPlaces(h.places.map((p) => p.label))}</span>{' '}
                <Link className="button" href={`/job/${job.number}/readings`}>
                  Read it now
                </Link>
              </>
            )}
          </li>
        ))}
      </ul>
      {onWithout && hinders.every((h) => h.passable) && <Without line={line} onWithout={onWithout} />}
    </>
  );
}
