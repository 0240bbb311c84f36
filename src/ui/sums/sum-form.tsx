'use client';

import { Plus, X } from 'lucide-react';
import type { KeyboardEvent, ReactNode } from 'react';
import type { FormField } from '../../contracts/sums/form-fields.ts';
import { unitAt, type Typed } from '../../contracts/sums/typed-form.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { FormField as FormBox } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';

export interface SumFormProps {
  readonly fields: readonly FormField[];
  readonly typed: Typed;
  readonly unit: LengthUnit;
  readonly errors: Readonly<Record<string, string>>;
  readonly readsBack: Readonly<Record<string, string>>;
  readonly onType: (path: string, text: string) => void;
  readonly onRemoveRow: (path: string, index: number) => void;
}

/** The unit a bare number has at a field, as it is shown beside the label. */
function unitWords(field: FormField, unit: LengthUnit): string {
  if (field.kind !== 'number' && field.kind !== 'numbers') return '';
  if (field.unit === 'mm') return unitAt(field.measure, unit);
  return ['count', 'fret', 'share'].includes(field.unit)
    ? ''
    : field.unit === 'Hz'
      ? 'note or Hz'
      : field.unit;
}

/** Enter goes on to the next field, Shift+Enter back: a gauge in the other hand needs no Tab. */
export function enterGoesOn(e: KeyboardEvent<HTMLElement>): void {
  if (e.key !== 'Enter' || !(e.target instanceof HTMLInputElement)) return;
  e.preventDefault();
  const all = [...e.currentTarget.querySelectorAll<HTMLInputElement>('input[data-sum-field]')];
  const next = all[all.indexOf(e.target) + (e.shiftKey ? -1 : 1)];
  next?.focus();
  next?.select();
}

interface OneProps {
  readonly path: string;
  readonly label: string;
  readonly hint: string;
  readonly text: string;
  readonly error: string | undefined;
  readonly says: string | undefined;
  readonly optional: boolean;
  readonly inTable?: boolean;
  readonly onType: (path: string, text: string) => void;
}

function TextField({ path, label, hint, text, error, says, optional, inTable = false, onType }: OneProps) {
  const id = `sum-${path}`;
  const describedBy = error || says ? `${id}-says` : undefined;
  return (
    <div className="min-w-0">
      <label className={inTable ? 'sr-only' : 'label truncate'} htmlFor={id} title={hint}>
        {label}
      </label>
      <input
        id={id}
        data-sum-field
        className="field"
        value={text}
        autoComplete="off"
        spellCheck={false}
        maxLength={400}
        placeholder={!optional ? '' : inTable ? '–' : 'not said'}
        aria-invalid={error ? true : undefined}
        aria-describedby={describedBy}
        onChange={(e) => onType(path, e.target.value)}
        onFocus={(e) => e.target.select()}
      />
      {(error ?? says) && (
        <p
          id={`${id}-says`}
          role={error ? 'alert' : undefined}
          className={`mt-0.5 text-sm ${error ? 'text-rubric' : 'text-quiet'}`}
        >
          {error ? `◆ ${error}` : `= ${says ?? ''}`}
        </p>
      )}
    </div>
  );
}

/** Choices with more letters than this stand in a list. */
const SHORT_CHOICE = 24;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const withUnit = (label: string, unit: string): string => (unit === '' ? label : `${label} · ${unit}`);

function Rows({
  field,
  path,
  form,
}: {
  readonly field: FormField & { kind: 'rows' };
  readonly path: string;
  readonly form: SumFormProps;
}) {
  const indexes = Object.keys(form.typed)
    .filter((k) => k.startsWith(`${path}.`))
    .map((k) => Number(k.slice(path.length + 1).split('.')[0]))
    .filter(Number.isInteger);
  const count = Math.max(field.least, indexes.length === 0 ? 0 : Math.max(...indexes) + 1);
  const first = field.fields[0]?.key ?? '';
  const add = () => {
    form.onType(`${path}.${count}.${first}`, ' ');
    requestAnimationFrame(() => document.getElementById(`sum-${path}.${count}.${first}`)?.focus());
  };
  return (
    <fieldset className="col-span-full min-w-0">
      <legend className="label" title={field.description}>
        {capital(field.description)}
      </legend>
      <div
        className="grid items-start gap-x-1.5 gap-y-1"
        style={{
          gridTemplateColumns: `${field.fields.map((f) => (f.kind === 'choice' ? 'minmax(0, 1.5fr)' : 'minmax(0, 1fr)')).join(' ')} 44px`,
        }}
      >
        {count > 0 &&
          field.fields.map((f) => (
            <span
              key={f.key}
              aria-hidden
              className="self-end text-sm leading-tight text-quiet"
              title={f.description}
            >
              {withUnit(f.label, unitWords(f, form.unit))}
            </span>
          ))}
        {count > 0 && <span />}
        {Array.from({ length: count }, (_, i) => (
          <Row key={i} field={field} path={path} index={i} form={form} />
        ))}
      </div>
      {form.errors[path] && (
        <p role="alert" className="text-sm text-rubric">
          ◆ {form.errors[path]}
        </p>
      )}
      <button type="button" className="button no-print mt-1" onClick={add}>
        <Plus aria-hidden size={16} /> Add a line
      </button>
    </fieldset>
  );
}

function Row({
  field,
  path,
  index,
  form,
}: {
  readonly field: FormField & { kind: 'rows' };
  readonly path: string;
  readonly index: number;
  readonly form: SumFormProps;
}) {
  return (
    <>
      {field.fields.map((f) => {
        const full = `${path}.${index}.${f.key}`;
        const label = `${field.label} ${index + 1}: ${withUnit(f.label, unitWords(f, form.unit))}`;
        if (f.kind === 'choice') {
          const id = `sum-${full}`;
          return (
            <div key={f.key} className="min-w-0">
              <label id={`${id}-label`} htmlFor={id} className="sr-only">
                {label}
              </label>
              <ListChoice
                id={id}
                value={form.typed[full] ?? ''}
                items={f.options.map((o) => ({ value: o, name: o }))}
                onChange={(v) => form.onType(full, v)}
              />
            </div>
          );
        }
        return (
          <TextField
            key={f.key}
            inTable
            path={full}
            label={label}
            hint={f.description}
            text={(form.typed[full] ?? '').trimStart()}
            error={form.errors[full]}
            says={form.readsBack[full]}
            optional={f.optional}
            onType={form.onType}
          />
        );
      })}
      <button
        type="button"
        className="no-print flex h-11 w-11 cursor-pointer items-center justify-center"
        aria-label={`Take line ${index + 1} of ${field.label.toLowerCase()} out`}
        onClick={() => form.onRemoveRow(path, index)}
      >
        <X aria-hidden size={16} />
      </button>
    </>
  );
}

function Choice({
  field,
  path,
  form,
}: {
  readonly field: FormField & { kind: 'choice' };
  readonly path: string;
  readonly form: SumFormProps;
}) {
  const wide = field.options.join('').length <= SHORT_CHOICE;
  const value = form.typed[path] ?? '';
  const choose = (v: string) => form.onType(path, v);
  if (wide) {
    return (
      <div className="col-span-full">
        <PillChoice
          legend={capital(field.description)}
          value={value}
          options={Object.fromEntries(field.options.map((o) => [o, o]))}
          onChange={choose}
        />
        {form.errors[path] && <p className="text-sm text-rubric">◆ {form.errors[path]}</p>}
      </div>
    );
  }
  return (
    <FormBox label={field.label} error={form.errors[path]}>
      {(w) => (
        <ListChoice
          {...w}
          value={value}
          items={field.options.map((o) => ({ value: o, name: o }))}
          onChange={choose}
        />
      )}
    </FormBox>
  );
}

function Field({
  field,
  path,
  form,
}: {
  readonly field: FormField;
  readonly path: string;
  readonly form: SumFormProps;
}): ReactNode {
  switch (field.kind) {
    case 'group':
      return (
        <fieldset className="col-span-full min-w-0">
          <legend className="label">
            {capital(field.description)}
            {field.optional ? ' (may stay empty)' : ''}
          </legend>
          <div className="grid grid-cols-3 gap-x-3 gap-y-2">
            {field.fields.map((f) => (
              <Field key={f.key} field={f} path={`${path}.${f.key}`} form={form} />
            ))}
          </div>
        </fieldset>
      );
    case 'rows':
      return <Rows field={field} path={path} form={form} />;
    case 'choice':
      return <Choice field={field} path={path} form={form} />;
    case 'yes-no':
      return (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="h-5 w-5"
            checked={form.typed[path] === 'yes'}
            onChange={(e) => form.onType(path, e.target.checked ? 'yes' : 'no')}
          />
          {field.description}
        </label>
      );
    default: {
      const one = (
        <TextField
          path={path}
          label={withUnit(field.label, unitWords(field, form.unit))}
          hint={field.description}
          text={form.typed[path] ?? ''}
          error={form.errors[path]}
          says={form.readsBack[path]}
          optional={field.optional}
          onType={form.onType}
        />
      );
      return field.kind === 'numbers' ? <div className="col-span-full">{one}</div> : one;
    }
  }
}

/** The form of a sum, made from its fields. */
export function SumForm(form: SumFormProps) {
  return (
    <div
      className="grid grid-cols-3 items-start gap-x-3 gap-y-2.5 max-sm:grid-cols-2"
      onKeyDown={enterGoesOn}
    >
      {form.fields.map((f) => (
        <Field key={f.key} field={f} path={f.key} form={form} />
      ))}
    </div>
  );
}
