'use client';

import { ClosedDay } from '../kit/closed-day.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';

/** The day of the next check. */
function NextCheck({
  value,
  error,
  readOnly,
  onChange,
}: {
  readonly value: string;
  readonly error: string | undefined;
  readonly readOnly: boolean;
  readonly onChange: (day: string) => void;
}) {
  return (
    <div>
      <TextField
        label="Next check"
        error={error}
        type="date"
        readOnly={readOnly}
        value={value}
        onChange={onChange}
      />
      <ClosedDay day={value} />
    </div>
  );
}

/** Advice in the bench's own words, and the day of the next check. */
export function Advice({ job, may }: { readonly job: LeafProps<'sheet'>['job']; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const { content } = job.sheet;
  const edit = useEdit(
    { advice: content.advice.join('\n'), nextCheck: content.nextCheck ?? '' },
    job.handOver.version,
    `advice:${job.id}`,
  );
  const keep = () =>
    void edit.save(({ advice, nextCheck }, version) =>
      give('hand-over.advice', { jobId: job.id, version, advice, nextCheck: nextCheck || null }),
    );
  return (
    <form
      aria-label="Advice"
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <TextField
        label={job.handOver.adviceWritten === null ? 'Advice (Rubrica’s words; change them)' : 'Advice'}
        rows={4}
        readOnly={!may}
        value={edit.value.advice}
        onChange={(text) => edit.set({ advice: text })}
      />
      <div className="flex flex-wrap items-end gap-2">
        <NextCheck
          value={edit.value.nextCheck}
          error={trouble?.code === 'invalid' ? trouble.fields['nextCheck'] : undefined}
          readOnly={!may}
          onChange={(nextCheck) => edit.set({ nextCheck })}
        />
        <a className="button" href={`/api/job/${job.number}/check`} download={`check-${job.number}.ics`}>
          In the calendar
        </a>
        {may && (
          <button
            type="submit"
            className="button"
            disabled={busy || !edit.changed || edit.conflicts.length > 0}
          >
            Keep it
          </button>
        )}
      </div>
      <ConflictChoice edit={edit} names={{ advice: 'Advice', nextCheck: 'Next check' }} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
    </form>
  );
}
