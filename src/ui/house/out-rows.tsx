'use client';

import type { WeekRules } from '../../contracts/week-rules.ts';
import { STATIONS } from '../../core/catalogue/operation-record.ts';
import { todayIso } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { TextField } from '../kit/text-field.tsx';

type Out = WeekRules['out'][number];

const KINDS = Object.entries(STATIONS)
  .filter(([k]) => k !== 'bench')
  .map(([value, name]) => ({ value, name }));

function OutRow({
  out,
  may,
  onChange,
  onTakeOut,
}: {
  readonly out: Out;
  readonly may: boolean;
  readonly onChange: (to: Partial<Out>) => void;
  readonly onTakeOut: () => void;
}) {
  const day = { type: 'date', className: 'w-40', readOnly: !may } as const;
  return (
    <div className="flex flex-wrap items-end gap-3">
      <FormField label="One of" className="w-56">
        {(w) => (
          <ListChoice
            {...w}
            value={out.place}
            disabled={!may}
            items={KINDS}
            onChange={(place) => onChange({ place: place as Out['place'] })}
          />
        )}
      </FormField>
      <TextField label="From" {...day} value={out.from} onChange={(from) => onChange({ from })} />
      <TextField label="To" {...day} value={out.to} onChange={(to) => onChange({ to })} />
      <TextField
        label="Why"
        className="w-56"
        readOnly={!may}
        maxLength={80}
        value={out.why}
        onChange={(why) => onChange({ why })}
      />
      {may && (
        <button type="button" className="button" onClick={onTakeOut}>
          Take out
        </button>
      )}
    </div>
  );
}

/** Days on which a jig or a place cannot be used. */
export function OutRows({
  out,
  may,
  onChange,
}: {
  readonly out: WeekRules['out'];
  readonly may: boolean;
  readonly onChange: (out: WeekRules['out']) => void;
}) {
  const add = () => onChange([...out, { place: 'neck-jig', from: todayIso(), to: todayIso(), why: '' }]);
  return (
    <fieldset className="space-y-2">
      <legend className="font-serif text-xl font-semibold">What cannot be used</legend>
      {out.length === 0 && <p className="text-sm text-quiet">All of it can be used.</p>}
      {out.map((o, i) => (
        <OutRow
          key={i}
          out={o}
          may={may}
          onChange={(to) => onChange(out.map((x, k) => (k === i ? { ...x, ...to } : x)))}
          onTakeOut={() => onChange(out.filter((_, k) => k !== i))}
        />
      ))}
      {may && (
        <button type="button" className="button" onClick={add}>
          Something cannot be used
        </button>
      )}
    </fieldset>
  );
}
