'use client';

import { useState, type FormEvent } from 'react';
import type { WorkView } from '../../core/practice/bench-view.ts';
import type { Work } from '../../core/practice/acts.ts';
import { bareUnit } from '../../core/units/bare-unit.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { amountUnit } from '../../core/targets/say-values.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { useKept } from './use-kept.ts';
import type { Practice } from './use-practice.ts';

type Typed = Readonly<Partial<Record<'eighths' | 'string' | 'fret' | 'amount' | 'bass' | 'treble', string>>>;
type Errors = Readonly<Record<string, string>>;

const NOTHING: Typed = {};

const LABELS = {
  amount: 'How much',
  bass: 'At the bass',
  treble: 'At the treble',
  fret: 'Fret',
  eighths: 'Eighths of a turn, tighter +, looser −',
} as const;

/** What an amount means for each work, in a few words. */
const MEANS: Readonly<Record<string, string>> = {
  'nut-slots': 'how much deeper',
  'nut-fill': 'how much higher',
  'saddle-lower': 'how much comes off under each side',
  'saddle-raise': 'how much higher under each side',
  'saddle-new': 'how much higher than the old one under each side',
  'saddle-set': 'how far up under each side, − is down',
  intonate: 'how far away from the nut, − is toward it',
  compensate: 'how far away from the nut, − is toward it',
  'neck-reset': 'how far the plane of the frets rises at the saddle',
  shim: 'how far the plane of the frets rises at the saddle',
  tilt: 'how far the plane of the frets rises at the saddle',
  'fret-replace': 'that one and the two after it',
};

const WHOLE = /^[+\-−–]?\d+([.,]5)?$/;
const plain = (text: string): number => Number(text.trim().replace(/[−–]/, '-').replace(',', '.'));

/** Less than this no file takes on purpose: it is a slip of the unit. */
const LEAST_MM = 0.04;

/** How a length may be written where a bare number is in mm, or in thousandths. */
const LIKE = {
  mm: 'Give a length like 0.4, 1/64 or .016 in.',
  thou: 'Give a length like 16, .016, 1/64 or 0.4 mm.',
} as const;

/** Reads what was typed for a work; the errors by field where it cannot be. */
function readTyped(
  work: WorkView,
  typed: Typed,
  unit: 'mm' | 'thou',
): { readonly act: Work } | { readonly errors: Errors } {
  const errors: Record<string, string> = {};
  const act: Record<string, number> = {};
  const length = (field: 'amount' | 'bass' | 'treble'): void => {
    const text = typed[field] ?? '';
    const read = parseLength(text, bareUnit(text, unit));
    const amount = read.ok ? Math.abs(read.value.mm) : 0;
    if (read.ok && amount > 0 && amount < LEAST_MM)
      errors[field] = `That is ${formatLength(amount, unit)}, less than a hand can take. ${LIKE[unit]}`;
    else if (read.ok) act[field] = read.value.mm;
    else errors[field] = text.trim() === '' ? 'How much?' : LIKE[unit];
  };
  for (const asks of work.asks) {
    if (asks === 'string') act['string'] = Number(typed.string ?? 0);
    else if (asks === 'sides') {
      length('bass');
      length('treble');
    } else if (asks === 'amount') length('amount');
    else {
      const text = (typed[asks] ?? '').trim();
      if (WHOLE.test(text)) act[asks] = plain(text);
      else errors[asks] = asks === 'fret' ? 'Which fret?' : 'How many eighths? 2 tightens, −1 loosens.';
    }
  }
  if (Object.keys(errors).length > 0) return { errors };
  return { act: { kind: 'work', operation: work.id, ...act } };
}

interface FormProps {
  readonly sessionId: number;
  readonly work: WorkView;
  readonly strings: readonly string[];
  readonly unit: DisplayUnit;
  readonly money: (minor: number) => string;
  readonly practice: Practice;
}

interface FieldsProps {
  readonly work: WorkView;
  readonly strings: readonly string[];
  readonly typed: Typed;
  readonly unit: 'mm' | 'thou';
  readonly said: Errors;
  readonly set: (field: keyof Typed) => (v: string) => void;
}

function WorkFields({ work, strings, typed, unit, said, set }: FieldsProps) {
  const fields = work.asks.flatMap((a) =>
    a === 'sides' ? (['bass', 'treble'] as const) : a === 'string' ? [] : ([a] as const),
  );
  return (
    <div className="flex flex-wrap items-start gap-3">
      {work.asks.includes('string') && (
        <FormField label="String" className="w-28" error={said['string']}>
          {(w) => (
            <ListChoice
              {...w}
              value={typed.string ?? '0'}
              items={strings.map((name, i) => ({ value: String(i), name })).reverse()}
              onChange={set('string')}
            />
          )}
        </FormField>
      )}
      {fields.map((f) => (
        <TextField
          key={f}
          label={LABELS[f]}
          className={f === 'eighths' ? 'w-72' : 'w-32'}
          value={typed[f] ?? ''}
          onChange={set(f)}
          error={said[f]}
          maxLength={20}
          {...(f !== 'fret' && f !== 'eighths' && { placeholder: unit === 'mm' ? 'mm' : 'thousandths' })}
        />
      ))}
    </div>
  );
}

/** What the house refused, by field. */
const refusedBy = ({ trouble }: Practice): Errors =>
  trouble?.code === 'invalid'
    ? Object.fromEntries(Object.entries(trouble.fields).map(([k, v]) => [k.replace(/^act\./, ''), v]))
    : {};

/** One piece of work: what it wants to know, what to beware of, and the button that does it. */
function WorkForm({ sessionId, work, strings, unit, money, practice }: FormProps) {
  // What was typed stays with the unit it was typed in.
  const amounts = amountUnit(unit);
  const [typed, setTyped, forget] = useKept<Typed>(
    `practice-work:${sessionId}:${work.id}:${amounts}`,
    NOTHING,
  );
  const [errors, setErrors] = useState<Errors>({});
  // What was refused of another piece of work is none of this one's.
  const [asked, setAsked] = useState(false);
  const set = (field: keyof Typed) => (v: string) => {
    setTyped({ ...typed, [field]: v });
    setErrors({});
    setAsked(false);
  };
  const doIt = async (e: FormEvent): Promise<void> => {
    e.preventDefault();
    const read = readTyped(work, typed, amounts);
    if ('errors' in read) return setErrors(read.errors);
    setErrors({});
    setAsked(true);
    if (!(await practice.act(read.act))) return;
    forget();
    // Which string it was stays: it may take two goes.
    if (typed.string !== undefined) setTyped({ string: typed.string });
  };
  return (
    <form onSubmit={(e) => void doIt(e)} className="space-y-2 border-l-2 border-plain pl-4">
      <h3 className="text-lg">{work.name}</h3>
      <p className="text-sm text-quiet">
        about {work.minutes} minutes, {money(work.price)}
        {work.forGood && ' · what is taken does not come back'}
      </p>
      {work.hazards.map((h) => (
        <p key={h} className="text-sm">
          <b>Careful.</b> {h}
        </p>
      ))}
      <WorkFields
        work={work}
        strings={strings}
        typed={typed}
        unit={amounts}
        said={{ ...(asked ? refusedBy(practice) : {}), ...errors }}
        set={set}
      />
      {MEANS[work.id] && <p className="text-sm text-quiet">{MEANS[work.id]}</p>}
      <button type="submit" className="button button-main" disabled={practice.busy}>
        Do it: {work.name}
      </button>
      {asked && practice.trouble?.code !== 'invalid' && <Trouble trouble={practice.trouble} />}
    </form>
  );
}

/** The work that can be done to it, in the order of a setup. */
export function WorkPanel({
  work,
  ...rest
}: Omit<FormProps, 'work'> & { readonly work: readonly WorkView[] }) {
  const [chosen, setChosen] = useState<string | null>(null);
  const one = work.find((w) => w.id === chosen);
  return (
    <div className="grid gap-4 sm:grid-cols-[17rem_1fr]">
      <ul aria-label="Work" className="max-h-120 overflow-y-auto border-r border-line pr-2" tabIndex={-1}>
        {work.map((w) => (
          <li key={w.id}>
            <button
              type="button"
              aria-pressed={w.id === chosen}
              onClick={() => setChosen(w.id)}
              className={`min-h-11 w-full cursor-pointer px-2 text-left text-sm ${w.id === chosen ? 'bg-plain text-paper' : 'hover:bg-shade'}`}
            >
              {w.name}
            </button>
          </li>
        ))}
      </ul>
      {one ? (
        <WorkForm key={`${one.id}:${amountUnit(rest.unit)}`} work={one} {...rest} />
      ) : (
        <p className="text-quiet">Choose what is to be done. What is cut stays cut.</p>
      )}
    </div>
  );
}
