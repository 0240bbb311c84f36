'use client';

import { useState } from 'react';
import type { EarPlan, EarWish } from '../../core/ear/ear-plan.ts';
import { stringName, stringNumber, type Construction } from '../../core/instrument/construction.ts';
import { FormField } from '../kit/form-field.tsx';
import { Tick } from '../kit/tick.tsx';
import type { Ear } from './use-ear.ts';
import { WavFile } from './wav-file.tsx';

/** What somebody says of a round before it begins. */
export type Wish = Pick<EarWish, 'tune' | 'nut' | 'only'>;

/** How a round is wanted, and what it is heard by. */
export function Begin({
  ear,
  construction: c,
  keep,
  plan,
  onKeep,
  onClose,
}: {
  readonly ear: Ear;
  readonly construction: Construction;
  /** whether the last pluck of each place is kept with its reading */
  readonly keep: boolean;
  readonly plan: (wish: Wish) => EarPlan;
  readonly onKeep: (keep: boolean) => void;
  readonly onClose: () => void;
}) {
  const [tune, setTune] = useState(true);
  const [nut, setNut] = useState(false);
  const [string, setString] = useState(0);
  const wish = { tune, nut, only: string === 0 ? null : [string] };
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <button
        type="button"
        className="button button-main"
        disabled={ear.stands.kind === 'opening'}
        onClick={() => void ear.byMicrophone({ kind: 'pitch', plan: plan(wish) })}
      >
        Listen by the microphone
      </button>
      <Tick label="Tune each string first" value={tune} onChange={setTune} />
      <Tick label="Also held at 7, 5, 3 and 1, for the nut" value={nut} onChange={setNut} />
      <Tick label="Keep the plucks with the readings" value={keep} onChange={onKeep} />
      <Which construction={c} value={string} onChange={setString} />
      <WavFile onSound={(sound) => ear.byFile({ kind: 'pitch', plan: plan(wish) }, sound)} />
      <button type="button" className="button ml-auto" onClick={onClose}>
        Leave it
      </button>
    </div>
  );
}

export function Which({
  construction: c,
  value,
  onChange,
}: {
  readonly construction: Construction;
  readonly value: number;
  readonly onChange: (number: number) => void;
}) {
  return (
    <FormField label="Which">
      {(w) => (
        <select {...w} className="field" value={value} onChange={(e) => onChange(Number(e.target.value))}>
          <option value={0}>all strings</option>
          {c.strings.map((_, i) => {
            const number = stringNumber(c, i);
            return (
              <option key={number} value={number}>
                string {stringName(c, number)}
              </option>
            );
          })}
        </select>
      )}
    </FormField>
  );
}
