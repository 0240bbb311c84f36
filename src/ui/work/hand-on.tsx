'use client';

import { useState } from 'react';
import type { BenchJob } from '../../server/bench/load-bench-job.ts';
import { sayPlaces } from '../../core/readings/say-places.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import type { LeafProps } from '../job/leaf-props.ts';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useSend } from '../data/use-send.ts';

/** What the one before said when the job came into these hands. */
export function HandedOn({ job }: { readonly job: Pick<BenchJob, 'handOns' | 'state' | 'holder'> }) {
  const last = job.handOns.at(-1);
  if (!last || job.state !== 'open' || last.to !== job.holder) return null;
  return (
    <section aria-label="Handed on" className="border border-ink p-3">
      <p className="text-sm text-quiet">
        {last.from} handed it to {last.to}, {sayMoment(last.at)}
      </p>
      <p className="text-ink">{last.state}</p>
      {last.tried && <p className="text-ink">Tried: {last.tried}</p>}
      {last.beware && <p className="text-ink">Beware: {last.beware}</p>}
      {last.stale.length > 0 && <p className="text-sm">Stale then: {sayPlaces(last.stale)}</p>}
    </section>
  );
}

/** Gives the job into a colleague's hands. What is stale goes along by itself. */
export function HandOn({ job, me }: Pick<LeafProps, 'job' | 'me'>) {
  const { give, busy, trouble } = useSend();
  const [open, setOpen] = useState(false);
  const [to, setTo] = useState('');
  const [words, setWords] = useState({ state: '', tried: '', beware: '' });
  if (!open)
    return (
      <button type="button" className="button" onClick={() => setOpen(true)}>
        Hand it on
      </button>
    );
  const field = (name: string) => (trouble?.code === 'invalid' ? trouble.fields[name] : undefined);
  const stale = job.readings.stations.filter((s) => job.proposal.stale.includes(s.key)).map((s) => s.label);
  const text = (key: keyof typeof words, label: string) => (
    <TextField
      label={label}
      error={field(key)}
      rows={2}
      value={words[key]}
      onChange={(text) => setWords({ ...words, [key]: text })}
    />
  );
  return (
    <form
      aria-label="Hand it on"
      className="space-y-2 border border-plain p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void give('work.hand-on', {
          jobId: job.id,
          version: job.version,
          toPerson: Number(to),
          ...words,
        }).then((done) => done && setOpen(false));
      }}
    >
      <FormField label="To whom" error={field('toPerson')}>
        {(w) => (
          <ListChoice
            {...w}
            value={to}
            items={job.people
              .filter((p) => p.name !== me)
              .map((p) => ({ value: String(p.id), name: p.name }))}
            onChange={setTo}
          />
        )}
      </FormField>
      {text('state', 'How it stands')}
      {text('tried', 'What was tried')}
      {text('beware', 'What to beware of')}
      <p className="text-sm text-quiet">
        {stale.length === 0 ? 'Nothing is stale.' : `Goes along as stale: ${sayPlaces(stale)}.`}
      </p>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <div className="flex gap-2">
        <button type="submit" className="button button-main" disabled={busy || to === ''}>
          Hand it on
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          Keep it
        </button>
      </div>
    </form>
  );
}
