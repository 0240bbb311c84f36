'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense } from 'react';
import type { WeekRules } from '../../contracts/week-rules.ts';
import { STATIONS } from '../../core/catalogue/operation-record.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';

const OutRows = lazyPart(() => import('./out-rows.tsx').then((m) => m.OutRows));

type PlaceKind = keyof WeekRules['places'];

const WEIGHTS: Readonly<Record<keyof WeekRules['weights'], string>> = {
  hard: 'An hour late of a date that stands',
  wished: 'An hour late of a date that was wished for',
  promised: 'An hour later than was promised',
  moved: 'A step that moves though nobody touched it',
  stay: 'An hour an instrument stays',
  hands: 'Another pair of hands on a job',
};

/** What is typed, field by field: `places.clamps`, `weights.hard`; and what cannot be used. */
type Texts = Readonly<Record<`${'places' | 'weights'}.${string}`, string>> & {
  readonly out: WeekRules['out'];
};

const texts = ({ places, weights, out }: WeekRules): Texts => ({
  ...Object.fromEntries(Object.entries(places).map(([k, n]) => [`places.${k}`, String(n)])),
  ...Object.fromEntries(Object.entries(weights).map(([k, n]) => [`weights.${k}`, String(n)])),
  out,
});

const numbers = (t: Texts, group: 'places' | 'weights') =>
  Object.fromEntries(
    Object.entries(t).flatMap(([key, text]) =>
      key.startsWith(`${group}.`) && typeof text === 'string'
        ? [[key.slice(group.length + 1), text.trim() === '' ? NaN : Number(text.replace(',', '.'))]]
        : [],
    ),
  );

const rulesOf = (t: Texts): WeekRules =>
  ({ places: numbers(t, 'places'), weights: numbers(t, 'weights'), out: t.out }) as unknown as WeekRules;

const GRID = 'grid grid-cols-3 gap-x-4 gap-y-2 max-lg:grid-cols-2 max-sm:grid-cols-1';

/** Numbers of one group, side by side. */
function Numbers({
  title,
  says,
  fields,
  value,
  may,
  errorAt,
  onType,
}: {
  readonly title: string;
  readonly says: string;
  readonly fields: readonly { readonly key: keyof Texts & string; readonly label: string }[];
  readonly value: Texts;
  readonly may: boolean;
  readonly errorAt: (key: string) => string | undefined;
  readonly onType: (key: string, text: string) => void;
}) {
  return (
    <fieldset>
      <legend className="font-serif text-xl font-semibold">{title}</legend>
      <p className="mb-1 text-sm text-quiet">{says}</p>
      <div className={GRID}>
        {fields.map(({ key, label }) => (
          <TextField
            key={key}
            label={label}
            error={errorAt(key)}
            inputMode="decimal"
            readOnly={!may}
            value={String(value[key] ?? '')}
            onChange={(text) => onType(key, text)}
          />
        ))}
      </div>
    </fieldset>
  );
}

const PLACE_FIELDS = (places: WeekRules['places']) =>
  (Object.keys(places) as PlaceKind[]).map((k) => ({
    key: `places.${k}` as const,
    label: STATIONS[k].replace(/^(?:an?|the) /, ''),
  }));
const WEIGHT_FIELDS = Object.entries(WEIGHTS).map(([k, label]) => ({ key: `weights.${k}` as const, label }));

/** Of what the shop has few, when some of it cannot be used, and what counts how much in a plan. */
export function WeekEditor({
  rules,
  version,
  may,
}: {
  readonly rules: WeekRules;
  readonly version: number;
  readonly may: boolean;
}) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit(texts(rules), version, 'house:week');
  const refused = trouble?.code === 'invalid' ? trouble.fields : {};
  // What stands at its field is not said again below.
  const atFields =
    trouble?.code === 'invalid' && !Object.keys(refused).some((k) => k.startsWith('rules.out'));
  const group = {
    value: edit.value,
    may,
    errorAt: (key: string) => refused[`rules.${key}`],
    onType: (key: string, text: string) => edit.set({ [key]: text }),
  };
  return (
    <form
      aria-label="The week"
      className="max-w-5xl space-y-5 px-5 py-4"
      onSubmit={(e) => {
        e.preventDefault();
        void edit.save((value, began) => give('house.save-week', { version: began, rules: rulesOf(value) }));
      }}
    >
      {!may && <p className="text-quiet">A lead or the owner changes these.</p>}
      <Numbers
        title="Of what there are few"
        says="How many instruments can be there at the same time. Benches are counted from the places."
        fields={PLACE_FIELDS(rules.places)}
        {...group}
      />
      <Suspense>
        <OutRows out={edit.value.out} may={may} onChange={(out) => edit.set({ out })} />
      </Suspense>
      <Numbers
        title="What counts how much"
        says="The plan with the least of it all is the best one."
        fields={WEIGHT_FIELDS}
        {...group}
      />
      <ConflictChoice edit={edit} />
      <Trouble trouble={atFields || edit.conflicts.length > 0 ? null : trouble} />
      {may && (
        <button type="submit" className="button button-main" disabled={busy || edit.conflicts.length > 0}>
          Keep this
        </button>
      )}
    </form>
  );
}
