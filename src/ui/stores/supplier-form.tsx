'use client';

import { useState } from 'react';
import type { LoadedSupplier } from '../../server/stores/load-orders.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

interface Typed {
  readonly [field: string]: unknown;
  readonly email: string;
  readonly days: string;
}

/** How many days, as they are typed; null where nobody says. NaN where it is no number. */
function readDays(typed: string): number | null {
  const text = typed.trim();
  return text === '' ? null : /^\d{1,3}$/.test(text) ? Number(text) : Number.NaN;
}

const sayReached = ({ email, days }: LoadedSupplier): string =>
  `${email || 'no e-mail address yet'}${days === null ? '' : `, ${days} days usually`}`;

/** How a supplier is reached and how long they usually take. */
export function SupplierForm({
  supplier: s,
  open,
}: {
  readonly supplier: LoadedSupplier;
  readonly open: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const [wrong, setWrong] = useState('');
  const now = { email: s.email, days: s.days === null ? '' : String(s.days) };
  const edit = useEdit<Typed>(now, s.version, `supplier:${s.name}`);
  const invalid = trouble?.code === 'invalid';
  const fields = invalid ? trouble.fields : {};
  const keep = () => {
    const number = readDays(edit.value.days);
    setWrong(Number.isNaN(number) ? 'A number of days, like 3' : '');
    if (Number.isNaN(number)) return;
    void edit.save((typed, version) =>
      give('stores.save-supplier', { name: s.name, version, email: typed.email.trim(), days: number }),
    );
  };
  return (
    <details open={open} className="no-print">
      <summary className="min-h-11 cursor-pointer py-2">
        How {s.name} is reached: <span className="text-ink">{sayReached(s)}</span>
      </summary>
      <form
        aria-label={`How ${s.name} is reached`}
        className="space-y-3"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <div className="grid gap-3 sm:grid-cols-[1fr_12rem]">
          <TextField
            label="E-mail address for orders"
            type="email"
            error={fields['email']}
            value={edit.value.email}
            onChange={(to) => edit.set({ email: to })}
          />
          <TextField
            label="Days they usually take"
            inputMode="numeric"
            error={wrong === '' ? fields['days'] : wrong}
            value={edit.value.days}
            onChange={(to) => edit.set({ days: to })}
          />
        </div>
        <ConflictChoice edit={edit} />
        <button type="submit" className="button" disabled={busy}>
          Keep it
        </button>
        <Trouble trouble={invalid || edit.conflicts.length > 0 ? null : trouble} />
      </form>
    </details>
  );
}
