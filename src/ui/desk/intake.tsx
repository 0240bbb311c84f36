'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { useRouter } from 'next/navigation';
import { Suspense, useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { RELATIVE_WISHES, type RelativeWish } from '../../core/targets/target.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { FoundCustomer } from '../../server/desk/find.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import { CustomerField } from './customer-field.tsx';
import { commandIdFor, dropDraft, readDraft, saveDraft } from '../data/draft.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { sayPlace } from '../kit/say-place.ts';
import { InstrumentFields } from './instrument-fields.tsx';
import type { MoneyForm } from '../../core/money/currency.ts';
import { intakeCommand, NOTHING_SAID, type IntakeForm } from './intake-form.ts';
import { send } from '../data/send.ts';
import { PillChoice } from '../kit/pill-choice.tsx';
import { HowStrung } from './how-strung.tsx';
import { usePromised } from './use-promised.ts';

const LOWER: ReadonlySet<string> = new Set(['much-lower', 'little-lower']);
/** What a hand makes of a height is worked out only where the two contradict each other. */
const PromiseDates = lazyPart(() => import('./promise-dates.tsx').then((m) => m.default));
const LowAndHard = lazyPart(() => import('./low-and-hard.tsx').then((m) => m.default));
const DRAFT = 'intake';
const DRAFT_CUSTOMER = 'intake-customer';
const DRAFT_COMMAND = 'intake-command';

/** The intake conversation on one screen: who, what, why, when, what came with it. */
export function Intake({
  places,
  kinds,
  currency,
  begin,
}: {
  readonly currency: MoneyForm;
  readonly kinds: readonly OfferedKind[];
  readonly places: readonly { id: number; name: string; holds: number | null }[];
  /** what was found, or looked for in vain, before this page */
  readonly begin: {
    readonly customer: FoundCustomer | null;
    readonly instrumentId: number | null;
    readonly serial: string;
    readonly name: string;
  };
}) {
  const router = useRouter();
  const { promise, promisedBy } = usePromised((day) => setValue('neededBy', day));
  const [found, setFound] = useState<FoundCustomer | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const form = useForm<IntakeForm>({ defaultValues: NOTHING_SAID });
  const {
    register,
    handleSubmit,
    watch,
    getValues,
    setValue,
    setError,
    reset,
    subscribe,
    clearErrors,
    formState,
  } = form;
  const errors = formState.errors;
  useEffect(() => {
    const draft = readDraft<IntakeForm>(DRAFT);
    if (draft) {
      const customer = readDraft<FoundCustomer>(DRAFT_CUSTOMER);
      const same = customer !== null && customer.id === draft.customerId;
      if (same) setFound(customer);
      reset({ ...NOTHING_SAID, ...draft, ...(!same && { customerId: null, instrumentId: null }) });
    }
    if (begin.customer) {
      const { customer } = begin;
      setFound(customer);
      saveDraft(DRAFT_CUSTOMER, customer);
      setValue('customerId', customer.id);
      setValue('customerName', customer.name);
      setValue('phone', customer.phone);
      setValue('email', customer.email);
      setValue('instrumentId', begin.instrumentId);
    }
    if (begin.serial) setValue('serial', begin.serial);
    if (begin.name) setValue('customerName', begin.name);
    // From here on it is the draft's: a reload must not put it over what was typed since.
    if (begin.customer || begin.serial || begin.name) {
      saveDraft(DRAFT, getValues());
      window.history.replaceState(null, '', window.location.pathname);
    }
    return subscribe({ formState: { values: true }, callback: ({ values }) => saveDraft(DRAFT, values) });
    // Only what this page was opened with: what is typed afterwards is the form's own.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [reset, subscribe]);
  const chooseCustomer = (customer: FoundCustomer | null, name: string) => {
    setFound(customer);
    if (customer) saveDraft(DRAFT_CUSTOMER, customer);
    else dropDraft(DRAFT_CUSTOMER);
    setValue('customerId', customer?.id ?? null);
    setValue('customerName', customer?.name ?? name);
    setValue('phone', customer?.phone ?? '');
    setValue('email', customer?.email ?? '');
    setValue('instrumentId', null);
  };
  const takeIn = async (values: IntakeForm, together: boolean) => {
    setTrouble(null);
    const command = intakeCommand(values, currency);
    if (!command.ok) {
      for (const [field, message] of Object.entries(command.error))
        setError(field as keyof IntakeForm, { message }, { shouldFocus: true });
      return;
    }
    const input = { ...command.value, ...(together && { together }), ...promisedBy(values.neededBy) };
    const done = await send('desk.take-in', input, commandIdFor(DRAFT_COMMAND, input));
    if (done.ok) {
      dropDraft(DRAFT_CUSTOMER);
      dropDraft(DRAFT_COMMAND);
      reset(NOTHING_SAID);
      dropDraft(DRAFT);
      router.push(`/job/${done.value.number}/arrival`);
      return;
    }
    setTrouble(done.error.message);
    if (done.error.code !== 'invalid') return;
    for (const [path, message] of Object.entries(done.error.fields)) {
      const field = path.split('.').at(-1) === 'name' ? 'customerName' : (path.split('.').at(-1) ?? path);
      setError(field as keyof IntakeForm, { message });
    }
  };
  const submit = handleSubmit((values) => takeIn(values, false));
  const known = found?.instruments.find((i) => i.id === watch('instrumentId'));
  // What was wrong before is looked at anew, also where a choice is no field of its own.
  const takeItIn = (e: React.FormEvent) => {
    clearErrors();
    void submit(e);
  };
  const construction = watch('construction');
  const setConstruction = (c: Construction) => setValue('construction', c);
  return (
    <form onSubmit={takeItIn} noValidate className="grid gap-x-8 gap-y-4 px-5 py-4 lg:grid-cols-3">
      <section aria-labelledby="who" className="space-y-3">
        <h2 id="who" className="text-xl">
          Who brings it
        </h2>
        <CustomerField
          value={watch('customerName')}
          chosen={found}
          error={errors.customerName?.message}
          onChoose={chooseCustomer}
        />
        <div className="grid grid-cols-2 gap-3">
          <FormField label="Telephone" error={errors.phone?.message}>
            {(w) => (
              <input
                {...w}
                className="field"
                inputMode="tel"
                readOnly={found !== null}
                {...register('phone')}
              />
            )}
          </FormField>
          <FormField label="E-mail" error={errors.email?.message}>
            {(w) => (
              <input
                {...w}
                className="field"
                inputMode="email"
                readOnly={found !== null}
                {...register('email')}
              />
            )}
          </FormField>
        </div>
        <FormField label="What brings it here, in their own words" error={errors.complaint?.message}>
          {(w) => <textarea {...w} rows={3} className="field" {...register('complaint')} />}
        </FormField>
        <div className="grid grid-cols-[3fr_2fr] gap-3">
          <FormField label="What they like or dislike: action, feel" error={errors.wish?.message}>
            {(w) => <textarea {...w} rows={2} className="field" {...register('wish')} />}
          </FormField>
          <FormField label="Action they would like">
            {(w) => (
              <ListChoice
                {...w}
                value={watch('actionWish')}
                items={[
                  { value: '', name: 'not said' },
                  ...Object.entries(RELATIVE_WISHES).map(([value, { says }]) => ({ value, name: says })),
                ]}
                onChange={(wish) => setValue('actionWish', wish as RelativeWish | '')}
              />
            )}
          </FormField>
        </div>
      </section>
      <InstrumentFields
        form={form}
        kinds={kinds}
        found={found}
        construction={construction}
        onConstruction={setConstruction}
      />
      <section aria-labelledby="how" className="space-y-3">
        <h2 id="how" className="text-xl">
          How it is played, and when
        </h2>
        <PillChoice
          legend="Touch"
          value={watch('touch')}
          options={{ light: 'light', medium: 'medium', heavy: 'heavy', 'not-said': 'not said' }}
          onChange={(touch) => setValue('touch', touch)}
        />
        {(known || watch('kind') !== '') && watch('touch') === 'heavy' && LOWER.has(watch('actionWish')) && (
          <Suspense>
            <LowAndHard
              kind={known?.construction.kind ?? construction.kind}
              onAnswer={(says) => {
                const wish = getValues('wish').trim();
                if (!wish.includes(says)) setValue('wish', wish === '' ? says : `${wish} ${says}`);
              }}
            />
          </Suspense>
        )}
        <FormField label="Plays: style, bends, strums, fingerstyle" error={errors.plays?.message}>
          {(w) => <input {...w} className="field" {...register('plays')} />}
        </FormField>
        <div className="grid grid-cols-2 gap-3">
          <FormField label="Needed by" error={errors.neededBy?.message}>
            {(w) => <input {...w} type="date" className="field" {...register('neededBy')} />}
          </FormField>
          <FormField label="Money limit" error={errors.limit?.message}>
            {(w) => (
              <input
                {...w}
                className="field"
                inputMode="decimal"
                placeholder="none said"
                {...register('limit')}
              />
            )}
          </FormField>
        </div>
        <Suspense>
          <PromiseDates
            about={{
              said: `${watch('complaint')} ${watch('wish')}`.trim(),
              kind: watch('kind'),
              strings: watch('stringsState'),
              instrumentId: watch('instrumentId'),
            }}
            chosen={watch('neededBy')}
            onChoose={promise}
          />
        </Suspense>
        <div className="grid grid-cols-2 items-end gap-3">
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" className="h-5 w-5" {...register('hardDate')} /> A hard date
          </label>
          <FormField label="Why" error={errors.hardReason?.message}>
            {(w) => (
              <input {...w} className="field" placeholder="concert, exam …" {...register('hardReason')} />
            )}
          </FormField>
        </div>
        <HowStrung
          value={watch('stringsState')}
          error={errors.stringsState?.message}
          payer={watch('setPaidBy')}
          onChange={(s) => {
            setValue('stringsState', s);
            clearErrors('stringsState');
          }}
          onPayer={(payer) => setValue('setPaidBy', payer)}
        />
        <FormField label="What came with it, one thing a line" error={errors.cameWith?.message}>
          {(w) => (
            <textarea
              {...w}
              rows={2}
              className="field"
              placeholder="hard case, one latch loose"
              {...register('cameWith')}
            />
          )}
        </FormField>
        <FormField label="Place in the rack" error={errors.placeId?.message}>
          {(w) => (
            <ListChoice
              {...w}
              value={watch('placeId')}
              items={[
                { value: '', name: 'no place yet' },
                ...places.map((p) => ({ value: String(p.id), name: sayPlace(p) })),
              ]}
              onChange={(value) => setValue('placeId', value)}
            />
          )}
        </FormField>
        {errors.placeId && (
          <button type="button" className="button" onClick={() => void takeIn(getValues(), true)}>
            Both hang there: take it in
          </button>
        )}
        {trouble && (
          <p role="alert" className="text-rubric">
            ◆ {trouble}
          </p>
        )}
        <button type="submit" className="button button-main w-full" disabled={formState.isSubmitting}>
          Take it in
        </button>
      </section>
    </form>
  );
}
