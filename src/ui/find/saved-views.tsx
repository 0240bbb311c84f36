'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import type { JobColumn } from '../../core/find/job-query.ts';
import type { LoadedView } from '../../server/find/views.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

/** Keeps how the list is looked at under a name. */
function KeepForm({
  query,
  hidden,
  onDone,
}: {
  readonly query: string;
  readonly hidden: readonly JobColumn[];
  readonly onDone: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [name, setName] = useState('');
  const keep = async () => {
    if (await give('shelf.keep-view', { name, query, hidden: [...hidden] })) onDone();
  };
  return (
    <form
      aria-label="Keep this view"
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <TextField
        label="Its name"
        error={trouble?.code === 'invalid' ? trouble.fields['name'] : undefined}
        className="w-44"
        maxLength={60}
        value={name}
        onChange={setName}
      />
      <button type="submit" className="button button-main" disabled={busy}>
        Keep it
      </button>
    </form>
  );
}

/** Views of the list that this person keeps: opened, kept under a name, dropped. */
export function SavedViews({
  views,
  query,
  hidden,
  onOpen,
}: {
  readonly views: readonly LoadedView[];
  /** how the list is looked at now */
  readonly query: string;
  readonly hidden: readonly JobColumn[];
  readonly onOpen: (view: LoadedView) => void;
}) {
  const { give, busy, trouble } = useSend();
  const [naming, setNaming] = useState(false);
  return (
    <section aria-label="Your views" className="no-print flex flex-wrap items-end gap-2">
      {views.map((v) => (
        <span key={v.id} className="inline-flex">
          <button type="button" className="button" onClick={() => onOpen(v)}>
            {v.name}
          </button>
          <button
            type="button"
            className="button px-2"
            aria-label={`Drop the view ${v.name}`}
            disabled={busy}
            onClick={() => void give('shelf.drop-view', { viewId: v.id })}
          >
            <X aria-hidden size={16} />
          </button>
        </span>
      ))}
      {!naming ? (
        <button type="button" className="button" onClick={() => setNaming(true)}>
          Keep this view
        </button>
      ) : (
        <KeepForm query={query} hidden={hidden} onDone={() => setNaming(false)} />
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}
