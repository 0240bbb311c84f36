'use client';

import { useState } from 'react';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { KeepOrLeave } from './keep-or-leave.tsx';

type Part = Biography['kept'][number];
interface Typed {
  readonly name: string;
  readonly place: string;
  readonly measures: string;
  readonly gone: string;
}
const NOTHING: Typed = { name: '', place: '', measures: '', gone: '' };

/** What is typed of a part that is kept. */
function PartFields({
  typed,
  fields,
  known,
  onChange,
}: {
  readonly typed: Typed;
  readonly fields: Readonly<Record<string, string>>;
  /** it is in the book already: it may also have gone */
  readonly known: boolean;
  readonly onChange: (typed: Typed) => void;
}) {
  const set = (key: keyof Typed) => (text: string) => onChange({ ...typed, [key]: text });
  return (
    <div className="grid gap-2 sm:grid-cols-2">
      <TextField
        label="What it is"
        error={fields['name']}
        maxLength={120}
        value={typed.name}
        onChange={set('name')}
      />
      <TextField
        label="Where it lies"
        error={fields['place']}
        maxLength={120}
        value={typed.place}
        onChange={set('place')}
      />
      <TextField
        label="Its measures, its template"
        maxLength={300}
        value={typed.measures}
        onChange={set('measures')}
      />
      {known && (
        <TextField
          label="Where it went (nothing while it is here)"
          maxLength={200}
          value={typed.gone}
          onChange={set('gone')}
        />
      )}
    </div>
  );
}

/** A form of a part: a new one, or one that is kept. */
export function KeptPartForm({
  instrumentId,
  part,
  onDone,
}: {
  readonly instrumentId: number;
  readonly part: Part | null;
  readonly onDone: () => void;
}) {
  const { give, busy, trouble } = useSend();
  const [typed, setTyped] = useState<Typed>(part ?? NOTHING);
  const { name, place, measures, gone } = typed;
  const keep = async () => {
    const done = part
      ? await give('shelf.change-part', {
          partId: part.id,
          version: part.version,
          name,
          place,
          measures,
          gone,
        })
      : await give('shelf.keep-part', { instrumentId, name, place, measures });
    if (done) onDone();
  };
  return (
    <form
      aria-label={part ? `Kept: ${part.name}` : 'Keep a part of it'}
      className="space-y-2 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <PartFields
        typed={typed}
        fields={trouble?.code === 'invalid' ? trouble.fields : {}}
        known={part !== null}
        onChange={setTyped}
      />
      <KeepOrLeave busy={busy} trouble={trouble} onLeave={onDone} />
    </form>
  );
}
