'use client';

import { useState } from 'react';
import { byTheHour } from '../../core/money/by-the-hour.ts';
import { formatMoney, readAmount, sayAmount, signOf } from '../../core/money/currency.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { FormField } from '../kit/form-field.tsx';
import { TextField } from '../kit/text-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';
import { Trouble } from '../kit/trouble.tsx';
import type { LeafProps } from '../job/leaf-props.ts';

type Job = LeafProps['job'];
type Line = Job['lines'][number];
const USUAL = 'usual';
const MINUTE = 60_000;

const textsOf = (line: Line, currency: string) => ({
  price: sayAmount(line.price, currency),
  parts: sayAmount(line.parts, currency),
  tax: line.tax ?? USUAL,
  partsTax: line.partsTax ?? USUAL,
  reason: line.priceReason,
});

/** What its minutes come to by the hour: those counted where it is finished, those it usually takes before. */
function HourPrice({
  job,
  line,
  onTake,
}: {
  readonly job: Job;
  readonly line: Line;
  readonly onTake: (text: string) => void;
}) {
  const { hourly, minimum, currency } = job.shop;
  if (hourly === null) return null;
  const counted = Math.round(line.workedMs / MINUTE);
  const minutes = counted > 0 ? counted : line.minutes.likely;
  const comes = byTheHour(minutes, hourly, minimum);
  return (
    <button type="button" className="button" onClick={() => onTake(sayAmount(comes, currency))}>
      {minutes} min by the hour: {formatMoney(comes, currency)}
    </button>
  );
}

/** What is typed of a line's price, and how it is kept. */
function useTypedPrice(job: Job, line: Line) {
  const { currency } = job.shop;
  const { give, busy, trouble } = useSend();
  const edit = useEdit(textsOf(line, currency), line.version, `price:${line.id}`);
  const read = {
    price: readAmount(edit.value.price, currency),
    parts: readAmount(edit.value.parts, currency),
  };
  const own = (id: string) => (id === USUAL ? null : id);
  const keep = (): Promise<boolean> => {
    const { price, parts } = read;
    if (!price.ok || !parts.ok) return Promise.resolve(false);
    const amounts = { priceMinor: price.value ?? 0, partsMinor: parts.value ?? 0 };
    return edit.save((v, version) =>
      give('work.price', {
        lineId: line.id,
        version,
        ...amounts,
        tax: own(v.tax),
        partsTax: own(v.partsTax),
        reason: v.reason,
      }),
    );
  };
  return { edit, read, keep, busy, trouble };
}

type Typed = ReturnType<typeof useTypedPrice>;

/** Labour or parts: what it costs and, where there are several rates, which it has. */
function AmountRow({
  of,
  job,
  typed,
}: {
  readonly of: 'price' | 'parts';
  readonly job: Job;
  readonly typed: Typed;
}) {
  const { currency, tax } = job.shop;
  const { edit, read, trouble } = typed;
  const amount = read[of];
  const rate = of === 'price' ? 'tax' : 'partsTax';
  const rates = [
    { value: USUAL, name: 'as usual' },
    ...tax.rates.map((r) => ({ value: r.id, name: r.name })),
  ];
  return (
    <div className="flex gap-2">
      <TextField
        label={`${of === 'price' ? 'Labour' : 'Parts'}, ${signOf(currency)}`}
        error={amount.ok ? undefined : amount.error}
        className="w-32"
        inputMode="decimal"
        value={edit.value[of]}
        onChange={(text) => edit.set({ [of]: text })}
      />
      {tax.rates.length > 1 && (
        <FormField
          label={of === 'price' ? 'Tax on labour' : 'Tax on parts'}
          className="flex-1"
          error={trouble?.code === 'invalid' ? trouble.fields[rate] : undefined}
        >
          {(w) => (
            <ListChoice
              {...w}
              value={edit.value[rate]}
              items={rates}
              onChange={(id) => edit.set({ [rate]: id })}
            />
          )}
        </FormField>
      )}
    </div>
  );
}

const NAMES = { price: 'Labour', parts: 'Parts', tax: 'Tax', reason: 'Why' };

/** A line's own price, rates and reason. */
function PriceForm({
  job,
  line,
  onDone,
}: {
  readonly job: Job;
  readonly line: Line;
  readonly onDone: () => void;
}) {
  const typed = useTypedPrice(job, line);
  const { edit, read, keep, busy, trouble } = typed;
  return (
    <form
      aria-label={`Price of ${line.title}`}
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep().then((done) => done && onDone());
      }}
    >
      <AmountRow of="price" job={job} typed={typed} />
      <AmountRow of="parts" job={job} typed={typed} />
      <HourPrice job={job} line={line} onTake={(price) => edit.set({ price })} />
      <TextField
        label="Why has it its own price?"
        error={trouble?.code === 'invalid' ? trouble.fields['reason'] : undefined}
        maxLength={200}
        value={edit.value.reason}
        onChange={(text) => edit.set({ reason: text })}
      />
      {line.approval === 'yes' && (
        <p className="text-sm text-quiet">Dearer than they said yes to, and they are asked again.</p>
      )}
      <ConflictChoice edit={edit} names={NAMES} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      <button
        type="submit"
        className="button button-main"
        disabled={busy || !read.price.ok || !read.parts.ok || edit.conflicts.length > 0}
      >
        Keep the price
      </button>
    </form>
  );
}

/** Any line's price, changed with its reason. */
export function LinePrice({ job, onDone }: { readonly job: Job; readonly onDone: () => void }) {
  const lines = job.lines.filter((l) => l.approval !== 'no');
  const [id, setId] = useState(String(lines[0]?.id ?? ''));
  const line = lines.find((l) => String(l.id) === id);
  return (
    <div className="space-y-2 border border-line p-2">
      <FormField label="The price of">
        {(w) => (
          <ListChoice
            {...w}
            value={id}
            items={lines.map((l) => ({
              value: String(l.id),
              name: `${l.title}, ${formatMoney(l.price + l.parts, job.shop.currency)}`,
            }))}
            onChange={setId}
          />
        )}
      </FormField>
      {line && <PriceForm key={line.id} job={job} line={line} onDone={onDone} />}
    </div>
  );
}
