'use client';

import { Plus, X } from 'lucide-react';
import { FACTS } from '../../core/instrument/construction-facts.ts';
import { KINDS } from '../../core/instrument/kinds.ts';
import {
  CONDITION_FACTS,
  conditionWords,
  type Condition,
  type ConditionFact,
} from '../../core/instrument/condition.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { valueName } from './words.ts';

type Simple = Exclude<Condition, { readonly all: unknown } | { readonly any: unknown }>;

const FACT_NAMES: Readonly<Record<ConditionFact, string>> = {
  kind: 'the kind',
  joint: 'the neck joint',
  rod: 'the truss rod',
  rodNut: 'the rod nut',
  bridge: 'the bridge',
  vibrato: 'the vibrato',
  nut: 'the nut',
  electronics: 'the electronics',
  finish: 'the finish',
  fingerboard: 'the fingerboard',
};

const valuesOf = (fact: ConditionFact): readonly string[] =>
  fact === 'kind' ? KINDS : Object.keys(FACTS[fact]);

const isSimple = (c: Condition): c is Simple => !('all' in c) && !('any' in c);

/** A condition as rows one can choose: all or any of some simple ones. Null when it is nested deeper. */
function rowsOf(c: Condition): { readonly join: 'all' | 'any'; readonly rows: readonly Simple[] } | null {
  if (isSimple(c)) return { join: 'all', rows: [c] };
  const [join, parts] = 'all' in c ? (['all', c.all] as const) : (['any', c.any] as const);
  return parts.every(isSimple) ? { join, rows: parts } : null;
}

function build(join: 'all' | 'any', rows: readonly Simple[]): Condition {
  const [first] = rows;
  if (!first) return { all: [] };
  if (rows.length === 1) return first;
  return join === 'all' ? { all: rows } : { any: rows };
}

/** Which values of a fact a condition names; one at least. */
function Values({
  row,
  values,
  onChoose,
}: {
  readonly row: Simple;
  readonly values: readonly string[];
  readonly onChoose: (chosen: readonly string[]) => void;
}) {
  return (
    <div className="flex flex-wrap gap-x-4">
      {valuesOf(row.fact).map((v) => (
        <label key={v} className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="h-5 w-5"
            checked={values.includes(v)}
            onChange={(e) => {
              const chosen = e.target.checked ? [...values, v] : values.filter((x) => x !== v);
              if (chosen.length > 0) onChoose(chosen);
            }}
          />
          {valueName(row.fact, v)}
        </label>
      ))}
    </div>
  );
}

function Row({
  row,
  onChange,
  onRemove,
}: {
  readonly row: Simple;
  readonly onChange: (row: Simple) => void;
  readonly onRemove: () => void;
}) {
  const is = 'is' in row;
  const values = is ? row.is : row.isNot;
  const make = (fact: ConditionFact, positive: boolean, chosen: readonly string[]): Simple =>
    positive ? { fact, is: chosen } : { fact, isNot: chosen };
  return (
    <fieldset className="space-y-1 border border-line p-2">
      <legend className="sr-only">Condition: {conditionWords(row, valueName)}</legend>
      <div className="flex items-end gap-2">
        <FormField label="When" className="flex-1">
          {(w) => (
            <ListChoice
              {...w}
              value={row.fact}
              items={CONDITION_FACTS.map((f) => ({ value: f, name: FACT_NAMES[f] }))}
              onChange={(f) =>
                onChange(make(f as ConditionFact, is, valuesOf(f as ConditionFact).slice(0, 1)))
              }
            />
          )}
        </FormField>
        <PillChoice
          quiet
          legend="is or is not"
          value={is ? 'is' : 'not'}
          options={{ is: 'is', not: 'is not' }}
          onChange={(v) => onChange(make(row.fact, v === 'is', values))}
        />
        <button
          type="button"
          className="button px-3"
          aria-label={`Remove: ${conditionWords(row, valueName)}`}
          onClick={onRemove}
        >
          <X aria-hidden size={18} />
        </button>
      </div>
      <Values row={row} values={values} onChoose={(chosen) => onChange(make(row.fact, is, chosen))} />
    </fieldset>
  );
}

/** The simple conditions of a condition, each with its way out; another one beside them. */
function Rows({
  join,
  rows,
  onChange,
}: {
  readonly join: 'all' | 'any';
  readonly rows: readonly Simple[];
  readonly onChange: (c: Condition) => void;
}) {
  const put = (to: readonly Simple[]) => onChange(build(join, to));
  return (
    <>
      {rows.map((row, i) => (
        <Row
          // a row has no name of its own but its place
          key={i}
          row={row}
          onChange={(to) => put(rows.map((r, n) => (n === i ? to : r)))}
          onRemove={() => put(rows.filter((_, n) => n !== i))}
        />
      ))}
      <button
        type="button"
        className="button"
        onClick={() => put([...rows, { fact: 'vibrato', isNot: ['none'] }])}
      >
        <Plus aria-hidden size={18} /> A condition
      </button>
    </>
  );
}

/** When an item is asked or an operation offered, built by choosing facts and values; said in words beside it. */
export function ConditionBuilder({
  value,
  says = 'Asked when',
  may = true,
  onChange,
}: {
  readonly value: Condition;
  /** what is done when it holds */
  readonly says?: string;
  readonly may?: boolean;
  readonly onChange: (c: Condition) => void;
}) {
  const shown = rowsOf(value);
  const words = conditionWords(value, valueName);
  const said = `${says}: ${words}`;
  if (!may) return <p className="text-sm">{said}</p>;
  if (!shown) {
    return (
      <div className="space-y-2">
        <p>{said}</p>
        <button type="button" className="button" onClick={() => onChange({ all: [] })}>
          Always instead
        </button>
      </div>
    );
  }
  const { join, rows } = shown;
  return (
    <div className="space-y-2">
      <p role="status" className="text-sm">
        {said}
      </p>
      {rows.length > 1 && (
        <PillChoice
          quiet
          legend="All or any of these"
          value={join}
          options={{ all: 'all of these', any: 'any of these' }}
          onChange={(j) => onChange(build(j, rows))}
        />
      )}
      <Rows join={join} rows={rows} onChange={onChange} />
    </div>
  );
}
