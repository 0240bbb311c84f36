'use client';

import { useState } from 'react';
import { SORTS } from '../../core/stock/sorts.ts';
import type { LoadedItem } from '../../server/stores/load-stores.ts';
import { useSend } from '../data/use-send.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { readMany } from './typed-item.ts';

const ANYBODY = { received: 'Came in', counted: 'Counted' } as const;
const WORKING = { ...ANYBODY, used: 'Used', broken: 'Broken or spoilt', returned: 'Put back' } as const;
type Kind = keyof typeof WORKING;

const ASKS: Readonly<Record<Kind, string>> = {
  received: 'Where it came from (may be empty)',
  counted: 'Why it is another number',
  used: 'For what (may be empty)',
  broken: 'What happened to it',
  returned: 'From where (may be empty)',
};

/** What is typed of a move, and how it is written down. */
function useMove(item: LoadedItem) {
  const { give, busy, trouble } = useSend();
  const [kind, setKind] = useState<Kind>('received');
  const [many, setMany] = useState('');
  const [reason, setReason] = useState('');
  const [said, setSaid] = useState('');
  const keep = async () => {
    setSaid('');
    const quantity = many.trim() === '' ? Number.NaN : readMany(many);
    const done = await give('stores.move', {
      itemId: item.id,
      kind,
      quantity,
      jobId: null,
      lineId: null,
      reason,
    });
    if (!done) return;
    setSaid(`Written down: ${done.onHand} there, ${done.free} free.`);
    setMany('');
    setReason('');
  };
  return { kind, setKind, many, setMany, reason, setReason, said, keep, busy, trouble };
}

/** Says what happened to an item: it came in, was used, broke, went back, or was counted. */
export function MoveForm({ item, working }: { readonly item: LoadedItem; readonly working: boolean }) {
  const { kind, setKind, many, setMany, reason, setReason, said, keep, busy, trouble } = useMove(item);
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  return (
    <form
      aria-label="What happened to it"
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <PillChoice
        legend="What happened"
        value={kind}
        options={working ? WORKING : (ANYBODY as typeof WORKING)}
        onChange={setKind}
      />
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField
          label={
            kind === 'counted'
              ? `So many ${SORTS[item.sort].unit[1]} are there`
              : `How many ${SORTS[item.sort].unit[1]}`
          }
          error={fields['quantity']}
          inputMode="decimal"
          value={many}
          onChange={setMany}
        />
        <TextField
          label={ASKS[kind]}
          error={fields['reason']}
          maxLength={200}
          value={reason}
          onChange={setReason}
        />
      </div>
      <button type="submit" className="button button-main" disabled={busy}>
        Write it down
      </button>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
      <p role="status">{said}</p>
    </form>
  );
}
