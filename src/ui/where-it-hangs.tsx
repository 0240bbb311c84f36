'use client';

import { useState } from 'react';
import { WAIT_NAMES, WAITS, type Wait } from '../core/job/waiting.ts';
import type { LeafJob } from './leaves/leaf-props.ts';
import { FormField } from './form-field.tsx';
import { ListChoice } from './list-choice.tsx';
import { Trouble } from './trouble.tsx';
import { useSend } from './use-send.ts';

/** Place, holder, and what the instrument waits for. */
export function WhereItHangs({ job }: { readonly job: LeafJob }) {
  const { give, busy, trouble } = useSend();
  const [edit, setEdit] = useState<{
    placeId: string;
    holderId: string;
    waitingFor: Wait;
    waitingNote: string;
  } | null>(null);
  const now = edit ?? {
    placeId: String(job.placeId ?? ''),
    holderId: String(job.holderId ?? ''),
    waitingFor: job.waitingFor,
    waitingNote: job.waitingNote,
  };
  const set = (part: Partial<typeof now>) => setEdit({ ...now, ...part });
  const id = (text: string) => (text === '' ? null : Number(text));
  const move = async () => {
    const done = await give('rack.move', {
      jobId: job.id,
      version: job.version,
      placeId: id(now.placeId),
      holderId: id(now.holderId),
      waitingFor: now.waitingFor,
      waitingNote: now.waitingNote,
    });
    if (done) setEdit(null);
  };
  return (
    <form
      aria-label="Where it hangs"
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void move();
      }}
    >
      <h2 className="text-xl">Where it hangs</h2>
      <div className="grid grid-cols-2 gap-3">
        <FormField label="Place">
          {(w) => (
            <ListChoice
              {...w}
              value={now.placeId}
              items={[
                { value: '', name: 'no place' },
                ...job.places.map((p) => ({ value: String(p.id), name: p.name })),
              ]}
              onChange={(placeId) => set({ placeId })}
            />
          )}
        </FormField>
        <FormField label="Who has it">
          {(w) => (
            <ListChoice
              {...w}
              value={now.holderId}
              items={[
                { value: '', name: 'nobody yet' },
                ...job.people.map((p) => ({ value: String(p.id), name: p.name })),
              ]}
              onChange={(holderId) => set({ holderId })}
            />
          )}
        </FormField>
        <FormField label="Waits for">
          {(w) => (
            <ListChoice
              {...w}
              value={now.waitingFor}
              items={WAITS.map((wait) => ({
                value: wait,
                name: `${WAIT_NAMES[wait].name.toLowerCase()}: ${WAIT_NAMES[wait].hint}`,
              }))}
              onChange={(value) => set({ waitingFor: value as Wait })}
            />
          )}
        </FormField>
        <FormField label="Note">
          {(w) => (
            <input
              {...w}
              className="field"
              value={now.waitingNote}
              onChange={(e) => set({ waitingNote: e.target.value })}
            />
          )}
        </FormField>
      </div>
      <Trouble trouble={trouble} />
      <button type="submit" className="button" disabled={busy || edit === null}>
        Hang it there
      </button>
    </form>
  );
}
