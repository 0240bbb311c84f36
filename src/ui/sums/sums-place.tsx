'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { usePathname } from 'next/navigation';
import { Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { formFields, hasPitch } from '../../contracts/sums/form-fields.ts';
import { jsonSchema } from '../../contracts/sums/openapi.ts';
import {
  exampleIn,
  fromAddress,
  readForm,
  HAND_KEY,
  isLeftHanded,
  REFERENCE_KEY,
  toAddress,
  withOldUnit,
  type ReadForm,
  type Typed,
} from '../../contracts/sums/typed-form.ts';
import type { FrettedString } from '../../core/intonation/predicted.ts';
import { SUMS } from '../../core/sums/catalogue.ts';
import { sumById, type AnySum } from '../../core/sums/run-sum.ts';
import type { LengthUnit } from '../../core/units/length-units.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { useLateAddress } from './use-late-address.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { SetCompensation, StringPresets } from './presets.tsx';
import { sayFor } from './say.ts';
import { SumForm } from './sum-form.tsx';
import { SumList } from './sum-list.tsx';
import { SumTable } from './sum-table.tsx';

/** It draws what was worked out: it comes with the first answer. */
const SumDrawing = lazyPart(() => import('./sum-drawing.tsx').then((m) => m.SumDrawing));

const UNITS: Readonly<Record<LengthUnit, string>> = {
  mm: 'mm',
  '64ths': '64ths',
  '32nds': '32nds',
  thou: 'thou',
  in: 'inches',
};
const TEMPLATES = new Set(['nut-layout', 'saddle-top']);
const WISHES_EACH = 2;
/** Tables of more columns than this get a wider form. */
const WIDE_ROWS = 4;

interface Open {
  readonly sum: AnySum;
  readonly typed: Typed;
  readonly unit: LengthUnit;
}

/** A sum that is open, and what its address carries or was typed in it; null: nothing yet. */
interface Opened {
  readonly sum: AnySum;
  readonly carried: Omit<Open, 'sum'> | null;
}

function openSum(id: string, query: string): Opened | null {
  const sum = sumById(id);
  return sum ? { sum, carried: fromAddress(new URLSearchParams(query)) } : null;
}

/** A sum as it is shown: as it was typed, else with its worked example in the unit of whoever reads it. */
const shownIn = ({ sum, carried }: Opened, mine: LengthUnit): Open => ({
  sum,
  ...(carried ?? { typed: exampleIn(sum, mine), unit: mine }),
});

function Answer({ open, read }: { readonly open: Open; readonly read: ReadForm }) {
  const { sum, unit } = open;
  const say = sayFor(unit);
  const schema = useMemo(() => jsonSchema(sum.output), [sum]);
  if (!read.result.ok) {
    return (
      <p className="text-lg text-quiet" role="status">
        {Object.values(read.errors)[0] ?? read.result.error.message}
      </p>
    );
  }
  const output = read.result.value as object;
  const [first, ...rest] = sum.words(read.input, output, say);
  return (
    <div className="space-y-3">
      <div role="status" aria-label="The answer">
        <p className="font-serif text-2xl leading-snug">{first}</p>
        {rest.map((w) => (
          <p key={w}>{w}</p>
        ))}
      </div>
      <Suspense>
        <SumDrawing sum={sum} input={read.input} output={output} say={say} left={isLeftHanded(open.typed)} />
      </Suspense>
      <SumTable schema={schema} output={output} say={say} />
    </div>
  );
}

function Explained({ sum }: { readonly sum: AnySum }) {
  return (
    <div className="mt-5 space-y-2 border-t border-line pt-3 text-sm">
      <p>
        <b>Why it holds.</b> {sum.why}
      </p>
      <p>
        <b>Formula.</b> {sum.formula}
      </p>
      <div>
        <b>Limits.</b>
        <ul className="list-disc pl-5">
          {sum.assumptions.map((a) => (
            <li key={a}>{a}</li>
          ))}
        </ul>
      </div>
      <p className="text-quiet">{sum.source}</p>
    </div>
  );
}

/** The numbers a whole set is computed with, when the form's own can be read. */
function neckOf(read: ReadForm): Omit<FrettedString, 'string' | 'compensation'> | null {
  if (!read.result.ok) return null;
  const i = read.input as FrettedString;
  return {
    scale: i.scale,
    nut: i.nut,
    saddle: i.saddle,
    relief: i.relief ?? 0,
    pressDepth: i.pressDepth ?? 0,
  };
}

function takeRowOut(typed: Typed, path: string, index: number): Typed {
  const kept: Record<string, string> = {};
  for (const [key, text] of Object.entries(typed)) {
    const [at, ...rest] = key.startsWith(`${path}.`) ? key.slice(path.length + 1).split('.') : [];
    const row = at === undefined ? Number.NaN : Number(at);
    if (row === index) continue;
    if (row > index) kept[[path, row - 1, ...rest].join('.')] = text;
    else kept[key] = text;
  }
  return kept;
}

/** Prints the sheet, empties it, and draws its template at true size. */
function Tools({
  id,
  address,
  onEmpty,
}: {
  readonly id: string;
  /** what is typed, as an address; null where nothing can be drawn */
  readonly address: string | null;
  readonly onEmpty: () => void;
}) {
  const drawn = (format: 'pdf' | 'svg') => (
    <a className="button" href={`/api/sums/${id}/template?format=${format}&${address ?? ''}`} target="_blank">
      True size ({format.toUpperCase()})
    </a>
  );
  return (
    <div className="no-print mt-4 flex flex-wrap gap-2">
      <button type="button" className="button" onClick={() => window.print()}>
        Print
      </button>
      <button type="button" className="button" onClick={onEmpty}>
        Empty the form
      </button>
      {address !== null && (
        <>
          {drawn('pdf')}
          {drawn('svg')}
        </>
      )}
    </div>
  );
}

function Worksheet({ open, onChange }: { readonly open: Open; readonly onChange: (open: Open) => void }) {
  const { sum, typed, unit } = open;
  const read = useMemo(() => readForm(sum, typed, unit), [sum, typed, unit]);
  const fields = formFields(sum);
  const wide = fields.some((f) => f.kind === 'rows' && f.fields.length > WIDE_ROWS);
  const sheet = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const first = sheet.current?.querySelector<HTMLInputElement>('input[data-sum-field]');
    first?.focus();
  }, [sum]);
  const type = (path: string, text: string) => onChange({ ...open, typed: { ...typed, [path]: text } });
  const speak = (next: LengthUnit) =>
    onChange({ ...open, typed: withOldUnit(sum, typed, unit, next), unit: next });
  const fill = (next: Typed) => onChange({ ...open, typed: next });
  const total = read.result.ok ? ((read.result.value as { total?: number }).total ?? null) : null;
  return (
    <div
      ref={sheet}
      className={`grid min-w-0 flex-1 gap-x-7 gap-y-4 px-5 py-3 ${wide ? 'lg:grid-cols-[minmax(0,32rem)_minmax(0,1fr)]' : 'lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]'}`}
    >
      <section aria-labelledby="sum-title">
        <h2 id="sum-title" className="mb-1 text-2xl">
          {sum.title}
        </h2>
        <div className="no-print mb-3">
          <PillChoice legend="Small heights in" quiet value={unit} options={UNITS} onChange={speak} />
        </div>
        {sum.id === 'string-tension' && <StringPresets typed={typed} total={total} onFill={fill} />}
        <SumForm
          fields={fields}
          typed={typed}
          unit={unit}
          errors={read.errors}
          readsBack={read.readsBack}
          onType={type}
          onRemoveRow={(path, index) => fill(takeRowOut(typed, path, index))}
        />
        {hasPitch(fields) && (
          <TextField
            label="Notes are tuned to A4 at, Hz"
            error={read.errors[REFERENCE_KEY]}
            className="mt-2.5 w-40"
            inputMode="decimal"
            placeholder="440"
            value={typed[REFERENCE_KEY] ?? ''}
            onChange={(text) => type(REFERENCE_KEY, text)}
          />
        )}
        {sum.id === 'predicted-intonation' && (
          <SetCompensation neck={neckOf(read)} say={sayFor(unit)} typed={typed} onFill={fill} />
        )}
        {TEMPLATES.has(sum.id) && (
          <label className="no-print mt-3 flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              checked={isLeftHanded(typed)}
              onChange={(e) => type(HAND_KEY, e.target.checked ? 'left' : '')}
            />
            Drawn for a left-handed instrument
          </label>
        )}
        <Tools
          id={sum.id}
          address={TEMPLATES.has(sum.id) && read.result.ok ? toAddress(typed, unit) : null}
          onEmpty={() => fill({})}
        />
      </section>
      <section aria-label="Result">
        <Answer open={open} read={read} />
        <Explained sum={sum} />
      </section>
    </div>
  );
}

/** What one may want to do; each leads to the sum that does it. */
function Wishes({ onOpen }: { readonly onOpen: (id: string) => void }) {
  return (
    <section aria-labelledby="wishes" className="min-w-0 flex-1 overflow-y-auto px-5 py-4">
      <h2 id="wishes" className="text-2xl">
        What do you want to do?
      </h2>
      <p className="mb-3 text-quiet">
        Tap it, or type it and press Enter. Lengths are typed as the gauge says them: 5/64, .078, 8 thou, 2,1
        mm.
      </p>
      <ul className="flex max-w-4xl flex-wrap gap-2">
        {SUMS.flatMap((s) =>
          s.asks.slice(0, WISHES_EACH).map((ask) => (
            <li key={`${s.id} ${ask}`}>
              <button type="button" className="button" onClick={() => onOpen(s.id)}>
                {ask}
              </button>
            </li>
          )),
        )}
      </ul>
    </section>
  );
}

/** The sum an address names; null: none. */
const idIn = (path: string): string | null => /^\/sums\/([\w-]+)$/.exec(path)?.[1] ?? null;

/** Any of the calculations, without a job: found by what one wants to do, live as one types, kept in the address. */
export function SumsPlace({ id, query }: { readonly id: string | null; readonly query: string }) {
  const [mine] = useDisplayUnit();
  const [open, setOpen] = useState<Opened | null>(() => (id === null ? null : openSum(id, query)));
  const address = useLateAddress();
  useEffect(() => {
    // A page that is shown again was made for the address it had at first: what was typed since stands in the present one.
    const here = idIn(window.location.pathname) === id ? window.location.search : query;
    setOpen(id === null ? null : openSum(id, here));
  }, [id, query]);
  useEffect(() => {
    const back = () => {
      address.drop();
      const at = idIn(window.location.pathname);
      setOpen(at === null ? null : openSum(at, window.location.search));
    };
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, [address]);
  // The places lead back to all sums: the page stays the same one, only its address changes.
  const path = usePathname();
  useEffect(() => {
    const at = idIn(path);
    setOpen((was) => ((was?.sum.id ?? null) === at ? was : at === null ? null : openSum(at, '')));
    // Who has arrived elsewhere is not taken back by what was typed before.
    address.drop();
  }, [path, address]);
  const change = (next: Open) => {
    setOpen({ sum: next.sum, carried: { typed: next.typed, unit: next.unit } });
    address.later(`/sums/${next.sum.id}?${toAddress(next.typed, next.unit)}`);
  };
  const go = (to: string) => {
    address.drop();
    setOpen(openSum(to, ''));
    window.history.pushState(null, '', `/sums/${to}`);
  };
  return (
    <div className="flex h-[calc(100vh-4.1rem)] max-sm:h-auto max-sm:flex-col print:h-auto">
      <SumList here={open?.sum.id ?? null} onOpen={go} />
      {open ? (
        <div className="min-w-0 flex-1 overflow-y-auto print:overflow-visible">
          <Worksheet key={open.sum.id} open={shownIn(open, mine)} onChange={change} />
        </div>
      ) : (
        <Wishes onOpen={go} />
      )}
    </div>
  );
}
