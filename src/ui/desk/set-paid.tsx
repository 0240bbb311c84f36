'use client';

import { SET_PAYERS, type SetPayer } from '../../core/job/set-payer.ts';
import { PillChoice } from '../kit/pill-choice.tsx';

/** Who pays for the set that goes on before it can be judged: agreed while they are here. */
export function SetPaid({
  value,
  onChange,
}: {
  readonly value: SetPayer | 'not-said';
  readonly onChange: (payer: SetPayer | 'not-said') => void;
}) {
  return (
    <PillChoice
      legend="It needs a set before it can be judged, paid by"
      value={value}
      options={{ ...SET_PAYERS, 'not-said': 'not agreed' }}
      onChange={onChange}
    />
  );
}
