'use client';

import { useState } from 'react';
import { careFor, cautionsOf, mayUse, TASKS, type ShopCare, type TaskId } from '../../core/care/care.ts';
import { sayPart, SURFACE_IDS, SURFACES, type CaredPart, type SurfaceId } from '../../core/care/surfaces.ts';
import { VERDICTS } from '../../core/care/verdicts.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { CareSaid, Cautions } from './care-answer.tsx';
import { HazardDesk } from './hazard-desk.tsx';

/** “May I use … on this?” */
function Question({ care, surface }: { readonly care: ShopCare; readonly surface: SurfaceId }) {
  const [text, setText] = useState('');
  const answer = text.trim() === '' ? null : mayUse(care, surface, text);
  return (
    <section aria-labelledby="may-i" className="space-y-2">
      <h2 id="may-i" className="text-xl">
        May I use it on this?
      </h2>
      <TextField
        label="What have you in your hand?"
        placeholder="lighter fluid, lemon oil, a damp cloth"
        className="max-w-md"
        maxLength={120}
        value={text}
        onChange={setText}
      />
      <p role="status" className="text-lg">
        {answer?.known === true && (
          <>
            <span className={answer.verdict === 'never' ? 'text-rubric' : ''}>
              {answer.verdict === 'never' && '◆ '}
              {SURFACES[surface].name}, {answer.name}: {VERDICTS[answer.verdict]}.
            </span>{' '}
            {answer.why}
            {(answer.verdict === 'usual' || answer.verdict === 'care') && (
              <span className="text-quiet">
                {' '}
                Try it first {answer.first}; the product’s own sheet comes first.
              </span>
            )}
          </>
        )}
        {answer?.known === false && (
          <span className="text-rubric">
            ◆ Nobody here knows what that is. Look at its sheet for silicone, alcohol, ammonia and solvents;
            until then it touches nothing.
          </span>
        )}
      </p>
      {answer?.known === true && (answer.verdict === 'usual' || answer.verdict === 'care') && (
        <Cautions all={cautionsOf([answer.means])} />
      )}
    </section>
  );
}

/** What may touch what: of this instrument, or of any surface; the question anyone may ask; what is dangerous, by material and act. */
export function CareDesk({
  care,
  instrument,
  parts,
}: {
  readonly care: ShopCare;
  /** null: of no instrument in particular */
  readonly instrument: string | null;
  readonly parts: readonly CaredPart[];
}) {
  const own = parts.map((p) => ({ value: p.surface, name: sayPart(p) }));
  const others = SURFACE_IDS.filter((s) => !own.some((o) => o.value === s)).map((s) => ({
    value: s,
    name: SURFACES[s].name as string,
  }));
  const all = [...own, ...others];
  const [surface, setSurface] = useState<SurfaceId>(all[0]?.value ?? 'unknown');
  const [task, setTask] = useState<TaskId>('clean');
  return (
    <div className="max-w-4xl space-y-6 px-5 py-4">
      {instrument !== null && <p className="text-ink">{instrument}</p>}
      <FormField label="On what" className="max-w-md">
        {(w) => (
          <ListChoice {...w} value={surface} items={all} onChange={(s) => setSurface(s as SurfaceId)} />
        )}
      </FormField>
      <Question care={care} surface={surface} />
      <section aria-labelledby="how" className="space-y-2">
        <h2 id="how" className="text-xl">
          How it is done
        </h2>
        <PillChoice legend="What is to be done" value={task} options={TASKS} onChange={setTask} />
        <CareSaid answer={careFor(care, surface, task)} />
      </section>
      <HazardDesk />
    </div>
  );
}
