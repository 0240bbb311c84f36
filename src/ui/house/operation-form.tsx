'use client';

import { useState } from 'react';
import type { Operation } from '../../core/catalogue/operation.ts';
import { SKILLS, STATIONS, type Skill, type WorkPlace } from '../../core/catalogue/operation-record.ts';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { QUANTITIES, QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import { readAmount, sayAmount, type MoneyForm } from '../../core/money/currency.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { OperationTraitsFields } from './operation-traits.tsx';
import { PickList } from '../kit/pick-list.tsx';

const WHOLE = /^\d{1,6}$/;

const items = <K extends string>(of: Readonly<Record<K, string>>) =>
  (Object.entries(of) as [K, string][]).map(([value, name]) => ({ value, name }));
const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((t) => t.trim())
    .filter((t) => t !== '');

/** A number typed as text: what cannot be read stays in the field, and what was before stays in force. */
function NumberField({
  label,
  value,
  money = null,
  may,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  /** how the shop writes money, where it is an amount */
  readonly money?: MoneyForm | null;
  readonly may: boolean;
  readonly onChange: (value: number) => void;
}) {
  const [text, setText] = useState(money === null ? String(value) : sayAmount(value, money));
  const read = (typed: string): number | null => {
    if (money === null) return WHOLE.test(typed.trim()) ? Number(typed.trim()) : null;
    const amount = readAmount(typed, money);
    return amount.ok ? amount.value : null;
  };
  const fine = read(text) !== null;
  return (
    <TextField
      label={label}
      error={fine ? undefined : money === null ? 'A whole number' : 'An amount'}
      inputMode="decimal"
      readOnly={!may}
      value={text}
      onChange={(text) => {
        const typed = text;
        setText(typed);
        const n = read(typed);
        if (n !== null) onChange(n);
      }}
    />
  );
}

/** How long it may rest instead of its wait. Days of a clamped neck are told from a look, not from a clock. */
function RestRange({
  operation: o,
  may,
  onChange,
}: {
  readonly operation: Operation;
  readonly may: boolean;
  readonly onChange: (to: Operation) => void;
}) {
  if (o.wait === 0) return null;
  const { low, high } = o.waitRange ?? { low: o.wait, high: o.wait };
  const put = (some: { readonly low?: number; readonly high?: number }) =>
    onChange({ ...o, waitRange: { low, high, ...some } });
  return (
    <>
      <div className="grid grid-cols-3 gap-2">
        <NumberField label="It may rest, minutes" value={low} may={may} onChange={(v) => put({ low: v })} />
        <NumberField label="to" value={high} may={may} onChange={(v) => put({ high: v })} />
      </div>
      {low > high && <p className="text-sm text-rubric">◆ The least it rests is more than the most.</p>}
    </>
  );
}

/** Everything the shop knows of one kind of work. */
export function OperationForm({
  operation: o,
  list,
  currency,
  may,
  onChange,
  onLeave,
}: {
  readonly operation: Operation;
  readonly currency: MoneyForm;
  readonly list: readonly Operation[];
  readonly may: boolean;
  readonly onChange: (to: Operation) => void;
  readonly onLeave: () => void;
}) {
  const falls = !(o.minutes.low <= o.minutes.likely && o.minutes.likely <= o.minutes.high);
  const minutes = (k: keyof Operation['minutes']) => (v: number) =>
    onChange({ ...o, minutes: { ...o.minutes, [k]: v } });
  return (
    <div className="space-y-3">
      <TextField
        label="Name"
        error={o.name.trim() === '' ? 'What is it called?' : undefined}
        maxLength={120}
        readOnly={!may}
        value={o.name}
        onChange={(text) => onChange({ ...o, name: text })}
      />
      <div className="grid grid-cols-3 gap-2">
        <NumberField label="Minutes, low" value={o.minutes.low} may={may} onChange={minutes('low')} />
        <NumberField label="likely" value={o.minutes.likely} may={may} onChange={minutes('likely')} />
        <NumberField label="high" value={o.minutes.high} may={may} onChange={minutes('high')} />
        <NumberField
          label="Wait after, minutes"
          value={o.wait}
          may={may}
          onChange={(wait) => onChange({ ...o, wait })}
        />
        <NumberField
          label="Price"
          money={currency}
          value={o.price}
          may={may}
          onChange={(price) => onChange({ ...o, price })}
        />
        <NumberField
          label="Parts"
          money={currency}
          value={o.parts}
          may={may}
          onChange={(parts) => onChange({ ...o, parts })}
        />
      </div>
      <RestRange operation={o} may={may} onChange={onChange} />
      {falls && <p className="text-sm text-rubric">◆ Low, likely and high must not fall.</p>}
      <div className="grid grid-cols-2 gap-2">
        <FormField label="Who may do it">
          {(w) => (
            <ListChoice
              {...w}
              value={o.skill}
              items={items(SKILLS)}
              onChange={(v) => may && onChange({ ...o, skill: v as Skill })}
            />
          )}
        </FormField>
        <FormField label="Where">
          {(w) => (
            <ListChoice
              {...w}
              value={o.place}
              items={items(STATIONS)}
              onChange={(v) => may && onChange({ ...o, place: v as WorkPlace })}
            />
          )}
        </FormField>
      </div>
      <PickList
        title="Done before it"
        gone="No more before it"
        picked={o.needs}
        items={list.filter((x) => x.id !== o.id).map((x) => ({ value: x.id, name: x.name }))}
        may={may}
        onChange={(needs) => onChange({ ...o, needs: needs as readonly OperationId[] })}
      />
      <FormField label="Materials, one a line">
        {(w) => (
          <textarea
            {...w}
            className="field"
            rows={2}
            readOnly={!may}
            defaultValue={o.materials.join('\n')}
            onChange={(e) => onChange({ ...o, materials: lines(e.target.value) })}
          />
        )}
      </FormField>
      <FormField label="Cautions, one a line: short, and what the safety sheet says comes first">
        {(w) => (
          <textarea
            {...w}
            className="field"
            rows={3}
            readOnly={!may}
            defaultValue={o.hazards.join('\n')}
            onChange={(e) => onChange({ ...o, hazards: lines(e.target.value) })}
          />
        )}
      </FormField>
      <fieldset>
        <legend className="label">Must be read again after it</legend>
        <div
          className="grid max-h-40 grid-cols-2 gap-x-3 overflow-auto text-sm"
          tabIndex={0}
          role="group"
          aria-label="Readings"
        >
          {QUANTITIES.map((q: Quantity) => (
            <label key={q} className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                disabled={!may}
                checked={o.stale.includes(q)}
                onChange={(e) =>
                  onChange({
                    ...o,
                    stale: QUANTITIES.filter((x) => (x === q ? e.target.checked : o.stale.includes(x))),
                  })
                }
              />
              {QUANTITY_FACTS[q].name}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          disabled={!may}
          checked={o.reversible}
          onChange={(e) => onChange({ ...o, reversible: e.target.checked })}
        />
        It can be undone
      </label>
      <OperationTraitsFields operation={o} list={list} may={may} onChange={onChange} />
      {may && (
        <button type="button" className="button" onClick={onLeave}>
          Do not offer it any more
        </button>
      )}
    </div>
  );
}
