'use client';

import { useEffect, useId, useState } from 'react';
import { DATE_FORMS, sayShort, type DateForm } from '../../core/days/say-days.ts';
import { formatMoney } from '../../core/money/currency.ts';
import type { ShopInfo } from '../../core/job/shop.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { freeRate, moneyOf, NUMBER_FORMS, signOrNone, type ShopTexts } from './shop-texts.ts';

export interface ShopPart {
  readonly typed: ShopTexts;
  readonly set: (some: Partial<ShopTexts>) => void;
  readonly may: boolean;
  readonly wrong: Readonly<Record<string, string>>;
}

const HEIGHTS: Readonly<Record<ShopInfo['heights'], string>> = { '64ths': '64ths', thou: 'thou', mm: 'mm' };
const PAPERS: Readonly<Record<ShopInfo['paper'], string>> = { A4: 'A4', LETTER: 'Letter' };
const WEEKDAYS: Readonly<Record<ShopInfo['firstWeekday'], string>> = {
  monday: 'Monday',
  sunday: 'Sunday',
  saturday: 'Saturday',
};
const DAYS = Object.fromEntries(DATE_FORMS.map((f) => [f, sayShort('2026-12-02', f)])) as Record<
  DateForm,
  string
>;
const SAMPLE = 1_234_567_50;

/** A field with what it may say listed as one types; the lists are the browser’s own. */
function Listed({
  label,
  value,
  error,
  readOnly,
  className,
  list,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly error: string | undefined;
  readonly readOnly: boolean;
  readonly className: string;
  readonly list: () => readonly (readonly [value: string, name: string])[];
  readonly onChange: (to: string) => void;
}) {
  const id = useId();
  const [items, setItems] = useState<readonly (readonly [string, string])[]>([]);
  // Browsers know more zones and currencies than each other: the list is made where it is shown.
  useEffect(() => setItems(list()), [list]);
  return (
    <FormField label={label} className={className} error={error}>
      {(w) => (
        <>
          <input
            {...w}
            className="field"
            list={id}
            autoComplete="off"
            readOnly={readOnly}
            value={value}
            onChange={(e) => onChange(e.target.value)}
          />
          <datalist id={id}>
            {items.map(([v, name]) => (
              <option key={v} value={v}>
                {name}
              </option>
            ))}
          </datalist>
        </>
      )}
    </FormField>
  );
}

const currencies = (): readonly (readonly [string, string])[] => {
  const names = new Intl.DisplayNames('en', { type: 'currency' });
  return Intl.supportedValuesOf('currency').map((c) => [c, names.of(c) ?? c]);
};
const zones = (): readonly (readonly [string, string])[] =>
  Intl.supportedValuesOf('timeZone').map((z) => [z, z.replace(/_/g, ' ')]);

/** An amount, a number or a name of the form. */
export function ShopText({
  name,
  label,
  className = 'w-40',
  part: { typed, set, may, wrong },
}: {
  readonly name: 'roundTo' | 'hourly' | 'minimum' | 'firstNumber';
  readonly label: string;
  readonly className?: string;
  readonly part: ShopPart;
}) {
  return (
    <TextField
      label={label}
      error={wrong[name]}
      className={className}
      inputMode="decimal"
      readOnly={!may}
      value={typed[name]}
      onChange={(text) => set({ [name]: text })}
    />
  );
}

/** How days are written, which one a week begins with, heights and paper. */
function Habits({ typed, set, may }: ShopPart) {
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-3">
      <PillChoice
        legend="Days are written"
        value={typed.dates}
        options={DAYS}
        onChange={(dates) => set({ dates })}
        disabled={!may}
      />
      <PillChoice
        legend="A week begins with"
        value={typed.firstWeekday}
        options={WEEKDAYS}
        onChange={(firstWeekday) => set({ firstWeekday })}
        disabled={!may}
      />
      <PillChoice
        legend="Heights are shown in"
        value={typed.heights}
        options={HEIGHTS}
        onChange={(heights) => set({ heights })}
        disabled={!may}
      />
      <PillChoice
        legend="Paper"
        value={typed.paper}
        options={PAPERS}
        onChange={(paper) => set({ paper })}
        disabled={!may}
      />
    </div>
  );
}

/** Money, days, zone, paper and the unit of heights: what follows from where the shop is. */
export function CountryFields(part: ShopPart) {
  const { typed, set, may, wrong } = part;
  return (
    <fieldset className="space-y-3">
      <legend className="font-serif text-xl">Where it is</legend>
      <div className="flex flex-wrap gap-3">
        <Listed
          label="Currency"
          className="w-32"
          value={typed.code}
          error={wrong['currency']}
          readOnly={!may}
          list={currencies}
          onChange={(code) => set({ code: /^[a-z]{3}$/.test(code) ? code.toUpperCase() : code })}
        />
        <FormField label="Amounts are written" className="w-56">
          {(w) => (
            <ListChoice
              {...w}
              value={typed.numbers}
              disabled={!may || moneyOf(typed) === typed.code}
              items={NUMBER_FORMS.map((n) => ({
                value: n,
                name: formatMoney(SAMPLE, moneyOf({ code: typed.code, numbers: n }) || 'XXX'),
              }))}
              onChange={(numbers) => set({ numbers })}
            />
          )}
        </FormField>
        <Listed
          label="Time zone"
          className="w-64"
          value={typed.zone}
          error={wrong['zone']}
          readOnly={!may}
          list={zones}
          onChange={(zone) => set({ zone })}
        />
      </div>
      <Habits {...part} />
    </fieldset>
  );
}

/** One rate of tax: its name, its share, and its way out. */
function Rate({ at, part }: { readonly at: number; readonly part: ShopPart }) {
  const { typed, set, may, wrong } = part;
  const rate = typed.rates[at];
  if (!rate) return null;
  const change = (some: Partial<typeof rate>) =>
    set({ rates: typed.rates.map((r, i) => (i === at ? { ...r, ...some } : r)) });
  const used = typed.labour === rate.id || typed.parts === rate.id;
  return (
    <li className="flex items-start gap-2">
      <TextField
        label={`Rate ${at + 1}, its name`}
        error={wrong[`name.${at}`]}
        className="w-56"
        maxLength={40}
        readOnly={!may}
        value={rate.name}
        onChange={(text) => change({ name: text })}
      />
      <TextField
        label="Per cent"
        error={wrong[`rate.${at}`]}
        className="w-40"
        inputMode="decimal"
        readOnly={!may}
        value={rate.percent}
        onChange={(text) => change({ percent: text })}
      />
      {may && typed.rates.length > 1 && (
        <button
          type="button"
          className="button mt-6"
          disabled={used}
          title={used ? 'Labour or parts have it' : undefined}
          aria-label={`Take out ${rate.name}`}
          onClick={() => set({ rates: typed.rates.filter((_, i) => i !== at) })}
        >
          Take it out
        </button>
      )}
    </li>
  );
}

const INCLUDED = { on: 'on top of prices', in: 'in the prices' } as const;

/** Rates of tax, what has which, and how what is to pay is rounded; the hour and its least. */
export function TaxFields(part: ShopPart) {
  const { typed, set, may } = part;
  const sign = signOrNone(moneyOf(typed));
  const rates = typed.rates.map((r) => ({ value: r.id, name: `${r.name} ${r.percent} %` }));
  return (
    <fieldset className="space-y-3">
      <legend className="font-serif text-xl">Tax and prices</legend>
      <ul className="space-y-2">
        {typed.rates.map((r, at) => (
          <Rate key={r.id} at={at} part={part} />
        ))}
      </ul>
      {may && typed.rates.length < 8 && (
        <button
          type="button"
          className="button"
          onClick={() =>
            set({ rates: [...typed.rates, { id: freeRate(typed.rates), name: '', percent: '' }] })
          }
        >
          One more rate
        </button>
      )}
      <div className="flex flex-wrap gap-3">
        {(['labour', 'parts'] as const).map((key) => (
          <FormField key={key} label={key === 'labour' ? 'Labour has' : 'Parts have'} className="w-48">
            {(w) => (
              <ListChoice
                {...w}
                value={typed[key]}
                disabled={!may}
                items={rates}
                onChange={(id) => set({ [key]: id })}
              />
            )}
          </FormField>
        ))}
        <PillChoice
          legend="Tax is"
          value={typed.included ? 'in' : 'on'}
          options={INCLUDED}
          onChange={(to) => set({ included: to === 'in' })}
          disabled={!may}
        />
      </div>
      <div className="flex flex-wrap gap-3">
        <ShopText name="roundTo" label={`Rounded to a multiple of${sign}`} className="w-56" part={part} />
        <ShopText name="hourly" label={`An hour’s work${sign}`} part={part} />
        <ShopText name="minimum" label={`At least${sign}`} part={part} />
        <ShopText name="firstNumber" label="First job’s number" part={part} />
      </div>
    </fieldset>
  );
}
