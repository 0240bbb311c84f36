'use client';

import { WAIT_NAMES, WAITS, type Wait } from '../../core/job/waiting.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { OneOf } from '../kit/one-of.tsx';
import { sayPlace } from '../kit/say-place.ts';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

const NAMES = { placeId: 'Place', holderId: 'Who has it', waitingFor: 'Waits for', waitingNote: 'Note' };

type Hangs = Pick<LeafJob, 'placeId' | 'holderId' | 'waitingFor' | 'waitingNote'>;

const idOf = (text: string): number | null => (text === '' ? null : Number(text));

function Fields({
  job,
  now,
  taken,
  onChange,
}: {
  readonly job: LeafJob;
  readonly now: Hangs;
  /** why the place cannot be had */
  readonly taken: string | undefined;
  readonly onChange: (part: Partial<Hangs>) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <OneOf
        label="Place"
        error={taken}
        value={String(now.placeId ?? '')}
        none="no place"
        others={job.places.map((p) => ({ value: String(p.id), name: sayPlace(p, job.number) }))}
        onChange={(id) => onChange({ placeId: idOf(id) })}
      />
      <OneOf
        label="Who has it"
        value={String(now.holderId ?? '')}
        none="nobody yet"
        others={job.people.map((p) => ({ value: String(p.id), name: p.name }))}
        onChange={(id) => onChange({ holderId: idOf(id) })}
      />
      <FormField label="Waits for">
        {(w) => (
          <ListChoice
            {...w}
            value={now.waitingFor}
            items={WAITS.map((wait) => ({
              value: wait,
              name: `${WAIT_NAMES[wait].name.toLowerCase()}: ${WAIT_NAMES[wait].hint}`,
            }))}
            onChange={(value) => onChange({ waitingFor: value as Wait })}
          />
        )}
      </FormField>
      <TextField label="Note" value={now.waitingNote} onChange={(waitingNote) => onChange({ waitingNote })} />
    </div>
  );
}

/** Place, holder, and what the instrument waits for. */
export function WhereItHangs({ job }: { readonly job: LeafJob }) {
  const { give, busy, trouble } = useSend();
  const { placeId, holderId, waitingFor, waitingNote } = job;
  const edit = useEdit({ placeId, holderId, waitingFor, waitingNote }, job.version, `hangs:${job.id}`);
  const move = (together = false) =>
    edit.save((value, version) => give('rack.move', { jobId: job.id, version, ...value, together }));
  const taken = trouble?.code === 'invalid' ? trouble.fields['placeId'] : undefined;
  const say = (field: string, value: unknown): string => {
    if (field === 'placeId') return job.places.find((p) => p.id === value)?.name ?? 'no place';
    if (field === 'holderId') return job.people.find((p) => p.id === value)?.name ?? 'nobody yet';
    if (field === 'waitingFor') return WAIT_NAMES[value as Wait].name.toLowerCase();
    return String(value) || 'nothing';
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
      <Fields job={job} now={edit.value} taken={taken} onChange={edit.set} />
      <ConflictChoice edit={edit} names={NAMES} say={say} />
      <Trouble trouble={edit.conflicts.length > 0 || taken !== undefined ? null : trouble} />
      {taken !== undefined && (
        <button type="button" className="button" disabled={busy} onClick={() => void move(true)}>
          Both hang there
        </button>
      )}{' '}
      <button type="submit" className="button" disabled={busy || !edit.changed || edit.conflicts.length > 0}>
        Hang it there
      </button>
    </form>
  );
}
