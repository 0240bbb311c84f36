'use client';

import { useState } from 'react';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { KeepOrLeave } from './keep-or-leave.tsx';

type Part = Biography['inside'][number];
type Typed = Pick<Part, 'name' | 'value' | 'wires' | 'note' | 'gone'>;
const NOTHING: Typed = { name: '', value: '', wires: '', note: '', gone: '' };

const FIELDS: readonly { readonly key: keyof Typed; readonly label: string; readonly most: number }[] = [
  { key: 'name', label: 'What it is: a pickup, a pot, a condenser', most: 120 },
  { key: 'value', label: 'Its value: 250 kΩ, 22 nF', most: 80 },
  { key: 'wires', label: 'Which wire goes where', most: 500 },
  { key: 'note', label: 'What else is known: solder never heated, a date', most: 300 },
  { key: 'gone', label: 'By what it was replaced (nothing while it is inside)', most: 200 },
];

/** A form of a part inside: a new one, or one that is written down. */
export function InsideForm({
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
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const keep = async () => {
    const { name, value, wires, note, gone } = typed;
    const said = { name, value, wires, note };
    const done = part
      ? await give('shelf.change-inside', { partId: part.id, version: part.version, ...said, gone })
      : await give('shelf.inside', { instrumentId, ...said });
    if (done) onDone();
  };
  return (
    <form
      aria-label={part ? `Inside: ${part.name}` : 'A part inside'}
      className="space-y-2 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <div className="grid gap-2 sm:grid-cols-2">
        {FIELDS.filter((f) => part !== null || f.key !== 'gone').map(({ key, label, most }) => (
          <TextField
            key={key}
            label={label}
            error={fields[key]}
            maxLength={most}
            value={typed[key]}
            onChange={(text) => setTyped({ ...typed, [key]: text })}
          />
        ))}
      </div>
      <KeepOrLeave busy={busy} trouble={trouble} onLeave={onDone} />
    </form>
  );
}
