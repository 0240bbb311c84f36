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

interface Typed {
  readonly to: string;
  readonly state: string;
  readonly tried: string;
  readonly beware: string;
}

/** Gives the job into a colleague's hands. What is stale goes along by itself. */
export function HandOn({ job, me }: Pick<LeafProps, 'job' | 'me'>) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<Typed>({ to: '', state: '', tried: '', beware: '' });
  return open ? (
    <Giving job={job} me={me} typed={typed} onType={setTyped} onClose={() => setOpen(false)} />
  ) : (
    <button type="button" className="button" onClick={() => setOpen(true)}>
      Hand it on
    </button>
  );
}

function ToWhom({
  people,
  error,
  to,
  onChoose,
}: {
  readonly people: LeafProps['job']['people'];
  readonly error: string | undefined;
  readonly to: string;
  readonly onChoose: (person: string) => void;
}) {
  return (
    <FormField label="To whom" error={error}>
      {(w) => (
        <ListChoice
          {...w}
          value={to}
          items={people.map((p) => ({ value: String(p.id), name: p.name }))}
          onChange={onChoose}
        />
      )}
    </FormField>
  );
}

function Ends({ ready, onKeep }: { readonly ready: boolean; readonly onKeep: () => void }) {
  return (
    <div className="flex gap-2">
      <button type="submit" className="button button-main" disabled={!ready}>
        Hand it on
      </button>
      <button type="button" className="button" onClick={onKeep}>
        Keep it
      </button>
    </div>
  );
}

/** The places whose readings are stale, which goes along by itself. */
const staleOf = ({ readings, proposal }: LeafProps['job']): readonly string[] =>
  readings.stations.filter((s) => proposal.stale.includes(s.key)).map((s) => s.label);

function Giving({
  job,
  me,
  typed,
  onType,
  onClose,
}: Pick<LeafProps, 'job' | 'me'> & {
  readonly typed: Typed;
  readonly onType: (typed: Typed) => void;
  readonly onClose: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const { to, ...words } = typed;
  const hand = async () => {
    const to = { toPerson: Number(typed.to), ...words };
    if (await give('work.hand-on', { jobId: job.id, version: job.version, ...to })) onClose();
  };
  const field = (name: string) => (trouble?.code === 'invalid' ? trouble.fields[name] : undefined);
  const stale = staleOf(job);
  const text = (key: keyof typeof words, label: string) => (
    <TextField
      label={label}
      error={field(key)}
      rows={2}
      value={words[key]}
      onChange={(text) => onType({ ...typed, [key]: text })}
    />
  );
  return (
    <form
      aria-label="Hand it on"
      className="space-y-2 border border-plain p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void hand();
      }}
    >
      <ToWhom
        people={job.people.filter((p) => p.name !== me)}
        error={field('toPerson')}
        to={to}
        onChoose={(person) => onType({ ...typed, to: person })}
      />
      {text('state', 'How it stands')}
      {text('tried', 'What was tried')}
      {text('beware', 'What to beware of')}
      <p className="text-sm text-quiet">
        {stale.length === 0 ? 'Nothing is stale.' : `Goes along as stale: ${sayPlaces(stale)}.`}
      </p>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <Ends ready={!busy && to !== ''} onKeep={onClose} />
    </form>
  );
}
