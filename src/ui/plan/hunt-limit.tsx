'use client';

import { useState } from 'react';
import { minutesOf } from '../../core/hunt/hunt.ts';
import { AGREED_BY, type AgreedBy } from '../../core/hunt/hunt-record.ts';
import type { useSend } from '../data/use-send.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';

type Job = LeafProps<'plan'>['job'];
type Hunt = Job['plan']['hunt'];
type Give = ReturnType<typeof useSend>['give'];

/** How long it may take, and how the customer agreed to that. */
export function Limit({ job, hunt, give }: { readonly job: Job; readonly hunt: Hunt; readonly give: Give }) {
  const [minutes, setMinutes] = useState(hunt.limit === null ? '' : String(hunt.limit));
  const [agreed, setAgreed] = useState<AgreedBy | 'none'>(hunt.agreed ?? 'none');
  const [wrong, setWrong] = useState('');
  const save = async () => {
    const limit = minutes.trim() === '' ? null : Number(minutes.trim());
    if (limit !== null && !(Number.isInteger(limit) && limit >= 5 && limit <= 600))
      return setWrong('Whole minutes, 5 to 600');
    setWrong('');
    await give('hunt.begin', {
      jobId: job.id,
      version: hunt.version,
      limit,
      agreed: agreed === 'none' ? null : agreed,
    });
  };
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TextField
        label="At most, minutes"
        className="w-36"
        inputMode="numeric"
        error={wrong === '' ? undefined : wrong}
        value={minutes}
        onChange={setMinutes}
      />
      <FormField label="The customer agreed" className="w-52">
        {(w) => (
          <ListChoice
            {...w}
            value={agreed}
            items={[
              { value: 'none', name: 'was not asked' },
              ...Object.entries(AGREED_BY).map(([value, name]) => ({ value, name })),
            ]}
            onChange={(v) => setAgreed(v as AgreedBy | 'none')}
          />
        )}
      </FormField>
      <button type="button" className="button" onClick={() => void save()}>
        {hunt.version === 0 ? 'Begin the hunt' : 'Keep'}
      </button>
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
