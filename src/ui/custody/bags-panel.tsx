'use client';

import { useState } from 'react';
import type { LeafJob } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

/** Parts taken off, each in its numbered bag, to go back with the instrument. */
export function BagsPanel({ job, may }: { readonly job: LeafJob; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const [name, setName] = useState('');
  const bags = job.items.filter((i) => i.bag !== null);
  const put = async () => {
    if (await give('custody.bag', { jobId: job.id, name, state: '' })) setName('');
  };
  if (bags.length === 0 && !may) return null;
  return (
    <section aria-labelledby="bags" className="space-y-2">
      <h2 id="bags" className="text-xl">
        Parts in bags
      </h2>
      {bags.length > 0 && (
        <ul className="text-sm">
          {bags.map((b) => (
            <li key={b.id}>
              <b className="text-ink">{b.bag}</b> <span className="text-ink">{b.name}</span>
              {b.returned && ' ✓ given back'}
            </li>
          ))}
        </ul>
      )}
      {may && (
        <form
          className="flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            void put();
          }}
        >
          <TextField
            label={`Taken off, into bag ${bags.length + 1}`}
            error={undefined}
            maxLength={120}
            value={name}
            onChange={setName}
          />
          <button type="submit" className="button" disabled={busy || name.trim() === ''}>
            Bag it
          </button>
        </form>
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}
