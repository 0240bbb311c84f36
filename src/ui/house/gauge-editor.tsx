'use client';

import { useState } from 'react';
import { checkDue, isOverdue, tellsApart, uncertainty } from '../../core/readings/gauge.ts';
import { QUANTITIES, QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { LENGTH_UNITS, type LengthUnit } from '../../core/units/length-units.ts';
import { parseLength } from '../../core/units/parse-length.ts';
import { dayOf } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import type { Fields } from '../data/edit-model.ts';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { GaugeCheckForm, type Kept } from './gauge-check-form.tsx';
import { Sideways } from '../kit/sideways.tsx';

const FRESH: Kept = {
  id: 0,
  name: '',
  quantities: [],
  unit: 'mm',
  resolution: 0.05,
  zeroOffset: 0,
  checkedAt: null,
  checkEveryDays: 180,
  retired: false,
  version: 0,
};
interface Typed extends Fields {
  readonly name: string;
  readonly quantities: readonly Quantity[];
  readonly unit: LengthUnit;
  readonly retired: boolean;
  readonly resolution: string;
  readonly every: string;
}

const typedOf = ({ name, quantities, unit, retired, resolution, checkEveryDays }: Kept): Typed => ({
  name,
  quantities,
  unit,
  retired,
  resolution: formatLength(resolution, unit),
  every: String(checkEveryDays),
});

/** A gauge as it is typed, and how it is kept or left. */
function useGaugeForm(first: Kept, onDone: () => void) {
  const { give, busy, trouble } = useSend();
  const edit = useEdit<Typed>(typedOf(first), first.version, `gauge:${first.id}`);
  const gauge = edit.value;
  const { resolution, every } = gauge;
  const read = parseLength(resolution, gauge.unit);
  const keep = async () => {
    if (!read.ok || !/^\d+$/.test(every)) return;
    const { mm } = read.value;
    const { id, zeroOffset } = first;
    const done = await edit.save(async ({ name, quantities, unit, retired }, version) => {
      const kept = {
        id,
        version,
        name,
        quantities: [...quantities],
        unit,
        resolution: mm,
        zeroOffset,
        retired,
      };
      const did = await give('house.save-gauge', { ...kept, checkEveryDays: Number(every) });
      return did && { version: version + 1 };
    });
    if (done) leave();
  };
  const leave = () => {
    edit.reset();
    onDone();
  };
  return { edit, read, keep, leave, busy, trouble };
}

/** What a gauge is used for. */
function UsedFor({
  quantities,
  onChange,
}: {
  readonly quantities: readonly Quantity[];
  readonly onChange: (quantities: readonly Quantity[]) => void;
}) {
  const toggle = (q: Quantity) =>
    onChange(quantities.includes(q) ? quantities.filter((x) => x !== q) : [...quantities, q]);
  return (
    <fieldset>
      <legend className="label">Used for</legend>
      <div className="flex flex-wrap gap-x-4">
        {QUANTITIES.map((q) => (
          <label key={q} className="inline-flex min-h-11 cursor-pointer items-center gap-1">
            <input type="checkbox" checked={quantities.includes(q)} onChange={() => toggle(q)} />
            {QUANTITY_FACTS[q].name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** The unit of a gauge's scale. */
function ReadsIn({
  unit,
  onChange,
}: {
  readonly unit: LengthUnit;
  readonly onChange: (unit: LengthUnit) => void;
}) {
  return (
    <FormField label="It reads in">
      {(w) => (
        <select
          {...w}
          className="field"
          value={unit}
          onChange={(e) => onChange(e.target.value as LengthUnit)}
        >
          {LENGTH_UNITS.map((u) => (
            <option key={u}>{u}</option>
          ))}
        </select>
      )}
    </FormField>
  );
}

function GaugeForm({ first, onDone }: { readonly first: Kept; readonly onDone: () => void }) {
  const { edit, read, keep, leave, busy, trouble } = useGaugeForm(first, onDone);
  const gauge = edit.value;
  const { resolution, every } = gauge;
  const fields = trouble && 'fields' in trouble ? trouble.fields : {};
  return (
    <section
      aria-label={first.id === 0 ? 'A new gauge' : first.name}
      className="space-y-3 border border-plain p-4"
    >
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Name of the gauge"
          error={fields['name']}
          maxLength={80}
          value={gauge.name}
          onChange={(text) => edit.set({ name: text })}
        />
        <ReadsIn unit={gauge.unit} onChange={(unit) => edit.set({ unit })} />
        <TextField
          label="Smallest step one can read"
          error={read.ok ? undefined : read.error.message}
          value={resolution}
          onChange={(text) => edit.set({ resolution: text })}
        />
        <TextField
          label="Checked every … days"
          error={/^[1-9]\d{0,3}$/.test(every) ? undefined : 'A number of days'}
          value={every}
          onChange={(text) => edit.set({ every: text })}
        />
      </div>
      <UsedFor quantities={gauge.quantities} onChange={(quantities) => edit.set({ quantities })} />
      <label className="inline-flex min-h-11 cursor-pointer items-center gap-1">
        <input
          type="checkbox"
          checked={gauge.retired}
          onChange={(e) => edit.set({ retired: e.target.checked })}
        />
        no longer used
      </label>
      <ConflictChoice edit={edit} />
      <Trouble trouble={edit.conflicts.length > 0 ? null : trouble} />
      <div className="flex gap-3">
        <button
          type="button"
          className="button button-main"
          disabled={busy || edit.conflicts.length > 0}
          onClick={() => void keep()}
        >
          Keep the gauge
        </button>
        <button type="button" className="button" onClick={leave}>
          Leave it
        </button>
      </div>
    </section>
  );
}

/** A gauge: its step, what it tells apart, its zero, when it is due. */
function GaugeRow({
  gauge: g,
  now,
  onCheck,
  onEdit,
}: {
  readonly gauge: Kept;
  readonly now: number;
  /** absent where one may not */
  readonly onCheck: (() => void) | null;
  readonly onEdit: (() => void) | null;
}) {
  const [due, late] = [checkDue(g), isOverdue(g, now) && !g.retired];
  const button = (words: string, onClick: () => void) => (
    <button type="button" className="button" aria-label={`${words} ${g.name}`} onClick={onClick}>
      {words}
    </button>
  );
  return (
    <tr className={`border-b border-line ${g.retired ? 'text-quiet' : ''}`}>
      <th scope="row" className="py-1 pr-4 font-semibold">
        {g.name}
        <span className="block font-normal text-quiet">
          {g.retired
            ? 'no longer used'
            : g.quantities.map((q) => QUANTITY_FACTS[q].name.toLowerCase()).join(', ')}
        </span>
      </th>
      <td className="pr-4">{formatLength(g.resolution, g.unit)}</td>
      <td className="pr-4">± {formatLength(tellsApart(uncertainty(g.resolution, late, null)), 'mm')}</td>
      <td className="pr-4">{g.zeroOffset === 0 ? 'true' : formatLength(g.zeroOffset, 'mm')}</td>
      <td className="pr-4">{g.checkedAt === null ? 'never' : dayOf(g.checkedAt)}</td>
      <td className={`pr-4 ${late ? 'text-rubric' : ''}`}>
        {late && '◆ '}
        {due === null ? 'now' : dayOf(due)}
        {late && ': believed half as well'}
      </td>
      <td className="py-1">
        <span className="flex gap-2">
          {onCheck && button('Check', onCheck)}
          {onEdit && button('Change', onEdit)}
        </span>
      </td>
    </tr>
  );
}

/** The shop's gauges: what each can tell, its zero, when it is due. */
export function GaugeEditor({
  gauges,
  now,
  mayEdit,
  mayCheck,
}: {
  readonly gauges: readonly Kept[];
  /** ms since the epoch */
  readonly now: number;
  readonly mayEdit: boolean;
  readonly mayCheck: boolean;
}) {
  const [open, setOpen] = useState<{ readonly what: 'edit' | 'check'; readonly gauge: Kept } | null>(null);
  const done = () => setOpen(null);
  const newest = (g: Kept): Kept => gauges.find((x) => x.id === g.id) ?? g;
  return (
    <div className="space-y-4 px-5 py-3">
      <Sideways label="The shop’s gauges">
        <table className="w-full text-left text-sm">
          <caption className="sr-only">The shop’s gauges</caption>
          <thead>
            <tr className="border-b-2 border-plain">
              {['Gauge', 'Smallest step', 'Tells apart', 'Zero', 'Checked', 'Due', ''].map((h) => (
                <th key={h} scope="col" className="pr-4">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {gauges.map((g) => (
              <GaugeRow
                key={g.id}
                gauge={g}
                now={now}
                onCheck={mayCheck ? () => setOpen({ what: 'check', gauge: g }) : null}
                onEdit={mayEdit ? () => setOpen({ what: 'edit', gauge: g }) : null}
              />
            ))}
          </tbody>
        </table>
      </Sideways>
      {gauges.length === 0 && <p>No gauge is named yet: readings carry what such a gauge usually tells.</p>}
      {mayEdit && open === null && (
        <button
          type="button"
          className="button button-main"
          onClick={() => setOpen({ what: 'edit', gauge: FRESH })}
        >
          Add a gauge
        </button>
      )}
      {open?.what === 'edit' && <GaugeForm key={open.gauge.id} first={newest(open.gauge)} onDone={done} />}
      {open?.what === 'check' && <GaugeCheckForm key={open.gauge.id} gauge={open.gauge} onDone={done} />}
    </div>
  );
}
