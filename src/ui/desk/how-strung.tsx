'use client';

import { Suspense } from 'react';
import type { SetPayer } from '../../core/job/set-payer.ts';
import type { Conditions } from '../../core/readings/conditions.ts';
import { lazyPart } from '../kit/lazy-part.ts';
import { PillChoice } from '../kit/pill-choice.tsx';

const SetPaid = lazyPart(() => import('./set-paid.tsx').then((m) => m.SetPaid));

const STATES: Readonly<Record<Conditions['strings'], string>> = {
  'at-pitch': 'at pitch',
  missing: 'one missing',
  'off-pitch': 'off pitch',
  off: 'none on',
};

/** How its strings are as it comes in, and who pays for a set where it needs one. */
export function HowStrung({
  value,
  error,
  payer,
  onChange,
  onPayer,
}: {
  readonly value: Conditions['strings'] | null;
  readonly error: string | undefined;
  readonly payer: SetPayer | 'not-said';
  readonly onChange: (state: Conditions['strings']) => void;
  readonly onPayer: (payer: SetPayer | 'not-said') => void;
}) {
  return (
    <>
      <PillChoice legend="Strings" value={value} options={STATES} onChange={onChange} />
      {error !== undefined && (
        <p role="alert" className="mt-0.5 text-sm text-rubric">
          ◆ {error}
        </p>
      )}
      {(value === 'off' || value === 'missing') && (
        <Suspense>
          <SetPaid value={payer} onChange={onPayer} />
        </Suspense>
      )}
    </>
  );
}
