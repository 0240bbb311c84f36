'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { allAssumed } from '../../core/instrument/assumed.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import { gaugeSpan, tuningName } from '../../core/instrument/defaults.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import type { FoundCustomer } from '../../server/desk/find.ts';
import { ScaleSaid } from '../instrument/scale-said.tsx';
import { FormField } from '../kit/form-field.tsx';
import { scalesText } from '../../core/instrument/read-scales.ts';
import { ListChoice } from '../kit/list-choice.tsx';
import { heardTuning, type IntakeForm } from './intake-form.ts';

/** How a known instrument left comes when one is chosen. */
const InstrumentHistory = lazyPart(() =>
  import('../instrument/instrument-history.tsx').then((m) => m.InstrumentHistory),
);

/** What is seldom said at the counter comes when the page stands. */
const MattersFor = lazyPart(() => import('./built-facts.tsx').then((m) => m.MattersFor));
const Facts = lazyPart(() => import('./built-facts.tsx').then((m) => m.BuiltFacts));

interface Props {
  readonly form: UseFormReturn<IntakeForm>;
  readonly kinds: readonly OfferedKind[];
  readonly found: FoundCustomer | null;
  readonly construction: Construction;
  readonly onConstruction: (c: Construction) => void;
}

/** The tuning as it is typed, and as it is heard: its octaves, the number of strings, or which of two it is. */
function Tuning({ form, construction }: Pick<Props, 'form' | 'construction'>) {
  const { register, watch, setValue, formState } = form;
  const [tuningText, gaugesText, scaleText] = watch(['tuningText', 'gaugesText', 'scaleText']);
  const heard = heardTuning({ construction, tuningText, gaugesText, scaleText });
  const found = heard.ok ? heard.value : null;
  const choices = found?.other ? [found.notes, found.other] : [];
  return (
    <>
      <FormField
        label={`Tuning, lowest first (${found?.notes.length ?? construction.strings.length} strings)`}
        error={formState.errors.tuningText?.message}
      >
        {(w) => (
          <input
            {...w}
            className="field"
            placeholder={tuningName(construction.strings)}
            {...register('tuningText')}
          />
        )}
      </FormField>
      {found && choices.length === 0 && (
        <p className="text-sm text-quiet" role="status">
          heard as {found.notes.join(' ')}
        </p>
      )}
      {choices.length > 0 && (
        <p className="flex flex-wrap items-center gap-2 text-sm" role="status">
          Which of the two?
          {choices.map((notes) => (
            <button
              key={notes.join(' ')}
              type="button"
              className="button"
              onClick={() => setValue('tuningText', notes.join(' '), { shouldValidate: true })}
            >
              {notes.join(' ')}
            </button>
          ))}
        </p>
      )}
    </>
  );
}

/** A new one: who made it, its kind with what is usual for it, scale and strings. */
function NewInstrument({ form, kinds, construction, onConstruction }: Omit<Props, 'found'>) {
  const { register, watch, setValue, formState } = form;
  const errors = formState.errors;
  const chooseKind = (id: string) => {
    const usual = kinds.find((k) => k.id === id)?.usual;
    if (!usual) return;
    setValue('kind', id);
    onConstruction(allAssumed(usual));
    form.clearErrors('kind');
  };
  return (
    <>
      <div className="grid grid-cols-[8rem_1fr] gap-3">
        <FormField label="Serial number">
          {(w) => <input {...w} className="field" {...register('serial')} />}
        </FormField>
        <FormField label="Kind" error={errors.kind?.message}>
          {(w) => (
            <ListChoice
              {...w}
              value={watch('kind')}
              items={kinds.map((k) => ({ value: k.id, name: k.name }))}
              onChange={chooseKind}
            />
          )}
        </FormField>
      </div>
      <div className="grid grid-cols-[1fr_1fr_5rem] gap-3">
        <FormField label="Maker">
          {(w) => <input {...w} className="field" {...register('maker')} />}
        </FormField>
        <FormField label="Model" error={errors.model?.message}>
          {(w) => <input {...w} className="field" {...register('model')} />}
        </FormField>
        <FormField label="Year">{(w) => <input {...w} className="field" {...register('year')} />}</FormField>
      </div>
      {watch('kind') !== '' && (
        <HowItIsBuilt form={form} construction={construction} onConstruction={onConstruction} />
      )}
    </>
  );
}

/** Scale, strings and what decides how it is worked on: what nobody says is taken as usual for the kind. */
function HowItIsBuilt({ form, construction, onConstruction }: Omit<Props, 'found' | 'kinds'>) {
  const { register, watch, formState } = form;
  const errors = formState.errors;
  return (
    <>
      <div className="grid grid-cols-[minmax(8rem,1fr)_2fr] gap-3">
        <FormField label="Scale" error={errors.scaleText?.message}>
          {(w) => (
            <input
              {...w}
              className="field"
              placeholder={`usual ${scalesText(construction)}`}
              {...register('scaleText')}
            />
          )}
        </FormField>
        <FormField label="Gauges, lowest first" error={errors.gaugesText?.message}>
          {(w) => (
            <input
              {...w}
              className="field"
              placeholder={`usual ${gaugeSpan(construction.strings)}`}
              {...register('gaugesText')}
            />
          )}
        </FormField>
      </div>
      <ScaleSaid text={watch('scaleText')} />
      <Tuning form={form} construction={construction} />
      <Suspense>
        <Facts construction={construction} onConstruction={onConstruction} />
      </Suspense>
    </>
  );
}

/** What it is: one the shop knows, or a new one with the usual facts of its kind. */
export function InstrumentFields({ form, kinds, found, construction, onConstruction }: Props) {
  const { watch, setValue } = form;
  const known = found?.instruments ?? [];
  const instrumentId = watch('instrumentId');
  return (
    <section aria-labelledby="what" className="space-y-3">
      <h2 id="what" className="text-xl">
        What it is
      </h2>
      {known.length > 0 && (
        <FormField label="An instrument we know, or a new one">
          {(w) => (
            <ListChoice
              {...w}
              value={String(instrumentId ?? '')}
              items={[
                { value: '', name: 'a new one' },
                ...known.map((i) => ({
                  value: String(i.id),
                  name: `${i.name} ${i.serial}${i.openJob === null ? '' : ` (here as ${i.openJob})`}`,
                  disabled: i.openJob !== null,
                })),
              ]}
              onChange={(value) => setValue('instrumentId', value === '' ? null : Number(value))}
            />
          )}
        </FormField>
      )}
      {instrumentId !== null && (
        <Suspense>
          <InstrumentHistory id={instrumentId} />
        </Suspense>
      )}
      {instrumentId === null && (
        <NewInstrument
          form={form}
          kinds={kinds}
          construction={construction}
          onConstruction={onConstruction}
        />
      )}
      <Suspense>
        <MattersFor value={watch('matters')} onChange={(matters) => setValue('matters', matters)} />
      </Suspense>
    </section>
  );
}
