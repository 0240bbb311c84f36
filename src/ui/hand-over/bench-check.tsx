'use client';

import { useState } from 'react';
import { sayPlaces } from '../../core/readings/say-places.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

/** The bench check, ticked off; the last tick puts the name under it. */
export function BenchCheck({ job, may }: { readonly job: LeafProps<'sheet'>['job']; readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const { asked, checks, exception, version, checkedBy, checkedAt } = job.handOver;
  const all = asked.every((c) => checks[c.key] === true);
  const [text, setText] = useState(exception);
  const keep = (next: Record<string, boolean>) =>
    give('hand-over.check', { jobId: job.id, version, checks: next, exception: text });
  return (
    <section aria-labelledby="check">
      <h2 id="check" className="text-xl">
        Bench check
      </h2>
      {asked.map((c) => (
        <label key={c.key} className="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="h-6 w-6 shrink-0"
            checked={checks[c.key] === true}
            disabled={!may || busy || job.state === 'closed'}
            onChange={(e) => void keep({ ...checks, [c.key]: e.target.checked })}
          />
          {c.title}
        </label>
      ))}
      <FormField label="What is out of band or not read, and why that is right">
        {(w) => (
          <textarea
            {...w}
            className="field"
            rows={2}
            value={text}
            readOnly={!may}
            onChange={(e) => setText(e.target.value)}
            onBlur={() => text !== exception && void keep({ ...checks })}
          />
        )}
      </FormField>
      {checkedAt && all && (
        <p className="text-ink">
          Checked by {checkedBy}, {sayMoment(checkedAt)}
        </p>
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}

/** The name of a second person under the bench check, where the shop or the worth asks for it. */
export function SecondName({
  job,
  me,
  may,
}: Pick<LeafProps<'sheet'>, 'job' | 'me'> & { readonly may: boolean }) {
  const { give, busy, trouble } = useSend();
  const { second, checkedAt, checkedBy, version } = job.handOver;
  if (second.at !== null)
    return (
      <p className="text-ink">
        And by {second.by}, {sayMoment(second.at)}
      </p>
    );
  if (!second.wanted) return null;
  if (checkedAt === null)
    return <p className="text-sm text-quiet">A second person puts their name to this check.</p>;
  return (
    <div>
      <p className="text-rubric">◆ A second person’s name is missing under this check.</p>
      {may && (
        <button
          type="button"
          className="button"
          disabled={busy || me === checkedBy}
          onClick={() => void give('hand-over.second', { jobId: job.id, version })}
        >
          {me === checkedBy ? `Somebody else than ${me} looks` : `${me} has looked too`}
        </button>
      )}
      <Trouble trouble={trouble} />
    </div>
  );
}

/** What of the readings as left is not as it should be. */
export function LeftTrouble({ job }: Pick<LeafProps<'sheet'>, 'job'>) {
  const { trouble, exception } = job.handOver;
  if (!trouble) return null;
  if (job.handOver.ending.is !== 'done') return null;
  const lines = (
    [
      ['Not read as left', trouble.missing],
      ['Read before the last work', trouble.stale],
      ['Out of band', trouble.outOfBand],
      ['Not in playing position', trouble.notPlaying],
    ] as const
  ).filter(([, labels]) => labels.length > 0);
  if (lines.length === 0)
    return job.handOver.asked.some((c) => c.key === 'played') ? (
      <p>● All read as left, in playing position, in their bands.</p>
    ) : null;
  return (
    <ul aria-label="Readings as left" className={exception === '' ? 'text-rubric' : 'text-quiet'}>
      {lines.map(([what, labels]) => (
        <li key={what}>
          {exception === '' ? '◆' : '○'} {what}: {sayPlaces(labels)}
          {exception !== '' && ' (explained)'}
        </li>
      ))}
    </ul>
  );
}
