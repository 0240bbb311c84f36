'use client';

import { useState } from 'react';
import { useSend } from '../data/use-send.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

type Thing = LeafJob['items'][number];

/** Something that was forgotten at the counter, misnamed, or never there. */
function ThingForm({
  job,
  thing,
  onDone,
}: {
  readonly job: LeafJob;
  readonly thing: Thing | null;
  readonly onDone: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [typed, setTyped] = useState({ name: thing?.name ?? '', state: thing?.state ?? '', why: '' });
  const [item] = useState(thing && { id: thing.id, version: thing.version });
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const keep = async (removed: boolean) => {
    if (await give('custody.thing', { jobId: job.id, item, ...typed, removed })) onDone();
  };
  const line = (key: keyof typeof typed, label: string) => (
    <TextField
      label={label}
      error={fields[key]}
      maxLength={120}
      value={typed[key]}
      onChange={(text) => setTyped({ ...typed, [key]: text })}
    />
  );
  return (
    <form
      aria-label={thing ? `Correct ${thing.name}` : 'Something forgotten'}
      className="space-y-2 border border-line p-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep(false);
      }}
    >
      {line('name', 'What it is')}
      {line('state', 'How it is')}
      {line('why', 'Why it is corrected')}
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="button button-main" disabled={busy}>
          Keep
        </button>
        {thing && (
          <button type="button" className="button" disabled={busy} onClick={() => void keep(true)}>
            It was never there
          </button>
        )}
        <button type="button" className="button" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  );
}

/** What came with the instrument, as it was said at the counter; corrected until it is signed. */
export function ThingsThatCame({ job, may }: { readonly job: LeafJob; readonly may: boolean }) {
  const [open, setOpen] = useState<Thing | 'new' | null>(null);
  const came = job.items.filter((i) => i.bag === null);
  return (
    <>
      {came.length === 0 && <p className="text-quiet">Nothing but the instrument.</p>}
      <ul className="list-disc pl-5 text-ink">
        {came.map((i) => (
          <li key={i.id}>
            {i.name}
            {i.state && `, ${i.state}`}{' '}
            {may && (
              <button
                type="button"
                className="min-h-8 cursor-pointer text-sm text-quiet underline"
                aria-label={`Correct ${i.name}`}
                onClick={() => setOpen(i)}
              >
                correct
              </button>
            )}
          </li>
        ))}
      </ul>
      {may && open === null && (
        <button type="button" className="button" onClick={() => setOpen('new')}>
          Something was forgotten
        </button>
      )}
      {open !== null && (
        <ThingForm
          key={open === 'new' ? 0 : open.id}
          job={job}
          thing={open === 'new' ? null : open}
          onDone={() => setOpen(null)}
        />
      )}
    </>
  );
}
