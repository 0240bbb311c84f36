'use client';

import { useState } from 'react';
import type { CommandInput } from '../../contracts/commands/commands.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

type Item = LeafProps<'sheet'>['job']['items'][number];

/** One thing that came with the instrument: given back, or why it is not there. */
function Thing({
  item,
  may,
  onGive,
}: {
  readonly item: Item;
  readonly may: boolean;
  readonly onGive: (input: CommandInput<'hand-over.return'>) => void;
}) {
  const [why, setWhy] = useState(item.absence);
  const { id: itemId, version } = item;
  return (
    <div className="grid grid-cols-2 items-center gap-3 border-b border-line py-1">
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6 shrink-0"
          checked={item.returned}
          disabled={!may}
          onChange={(e) => onGive({ itemId, version, returned: e.target.checked, absence: item.absence })}
        />
        {item.bag !== null && <b className="shrink-0 text-sm font-normal text-quiet">bag {item.bag}</b>}
        {item.name}
      </label>
      {!item.returned && (
        <input
          className="field"
          aria-label={`Why ${item.name} is not given back`}
          placeholder="or why it is not here"
          maxLength={200}
          value={why}
          readOnly={!may}
          onChange={(e) => setWhy(e.target.value)}
          onBlur={() => {
            if (why.trim() !== item.absence)
              onGive({ itemId, version, returned: false, absence: why.trim() });
          }}
        />
      )}
    </div>
  );
}

/** What came with the instrument and what was taken off it: given back, or why not. */
export function Things({ job, may }: { readonly job: LeafProps<'sheet'>['job']; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  if (job.items.length === 0) return null;
  return (
    <section aria-labelledby="back">
      <h2 id="back" className="text-xl">
        Given back
      </h2>
      {job.items.map((i) => (
        <Thing
          key={i.id}
          item={i}
          may={may && !busy}
          onGive={(input) => void give('hand-over.return', input)}
        />
      ))}
      <Trouble trouble={trouble} />
    </section>
  );
}
