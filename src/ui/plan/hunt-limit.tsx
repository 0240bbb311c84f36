'use client';

import { useState } from 'react';
import { minutesOf } from '../../core/hunt/hunt.ts';
import { AGREED_BY, type AgreedBy } from '../../core/hunt/hunt-record.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import type { useSend } from '../data/use-send.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';

type Job = LeafProps<'plan'>['job'];
type Hunt = Job['plan']['hunt'];
type Give = ReturnType<typeof useSend>['give'];
type Agreed = AgreedBy | 'none';

const AGREED: Readonly<Record<Agreed, string>> = { none: 'was not asked', ...AGREED_BY };
const LEAST = 5;
const MOST = 600;

/** Whole minutes as typed, none where nothing is agreed; `wrong` where it is no such number. */
function readMinutes(text: string): number | null | 'wrong' {
  if (text.trim() === '') return null;
  const minutes = Number(text.trim());
  return Number.isInteger(minutes) && minutes >= LEAST && minutes <= MOST ? minutes : 'wrong';
}

/** How long it may take, and how the customer agreed to that. */
export function Limit({ job, hunt, give }: { readonly job: Job; readonly hunt: Hunt; readonly give: Give }) {
  const edit = useEdit<{ minutes: string; agreed: Agreed }>(
    { minutes: hunt.limit === null ? '' : String(hunt.limit), agreed: hunt.agreed ?? 'none' },
    hunt.version,
    `hunt-limit:${job.id}`,
  );
  const [asked, setAsked] = useState(false);
  const { minutes, agreed } = edit.value;
  const limit = readMinutes(minutes);
  const save = async () => {
    setAsked(true);
    if (limit === 'wrong') return;
    const kept = { limit, agreed: agreed === 'none' ? null : agreed };
    if (await edit.save((_, version) => give('hunt.begin', { jobId: job.id, version, ...kept })))
      setAsked(false);
  };
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TextField
        label="At most, minutes"
        className="w-36"
        inputMode="numeric"
        error={asked && limit === 'wrong' ? `Whole minutes, ${LEAST} to ${MOST}` : undefined}
        value={minutes}
        onChange={(typed) => edit.set({ minutes: typed })}
      />
      <FormField label="The customer agreed" className="w-52">
        {(w) => (
          <ListChoice
            {...w}
            value={agreed}
            items={Object.entries(AGREED).map(([value, name]) => ({ value, name }))}
            onChange={(v) => edit.set({ agreed: v as Agreed })}
          />
        )}
      </FormField>
      <button
        type="button"
        className="button"
        disabled={edit.conflicts.length > 0}
        onClick={() => void save()}
      >
        {hunt.version === 0 ? 'Begin the hunt' : 'Keep'}
      </button>
      <ConflictChoice
        edit={edit}
        names={{ minutes: 'At most, minutes', agreed: 'The customer agreed' }}
        say={(field, value) =>
          field === 'agreed' ? AGREED[value as Agreed] : value === '' ? 'no limit' : String(value)
        }
      />
    </div>
  );
}

/** The time that was agreed against what the tries are likely to have taken. */
export function Spent({ hunt }: { readonly hunt: Hunt }) {
  const spent = minutesOf(hunt.trail);
  if (hunt.limit === null) return spent === 0 ? null : <p>About {spent} min of tries so far.</p>;
  const over = spent >= hunt.limit;
  return (
    <p className={over ? 'text-rubric' : ''}>
      {over ? '◆ ' : ''}About {spent} of {hunt.limit} min
      {hunt.agreed ? `, agreed ${AGREED_BY[hunt.agreed]}` : ', not agreed with the customer'}.
      {over && ' Ask before going on, or leave it.'}
    </p>
  );
}
