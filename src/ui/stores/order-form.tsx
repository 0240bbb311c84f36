'use client';

import type { MoneyForm } from '../../core/money/currency.ts';
import { formatMoney } from '../../core/money/currency.ts';
import { SORTS } from '../../core/stock/sorts.ts';
import type { LoadedOrder } from '../../server/stores/load-orders.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import type { Sender } from '../data/use-send.ts';
import Link from '../kit/link.tsx';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { readMany } from './typed-item.ts';
import { Sideways } from '../kit/sideways.tsx';

interface Typed {
  readonly [field: string]: unknown;
  readonly expected: string;
  readonly note: string;
  /** how many by item, as they are typed; empty or 0 takes it off the order */
  readonly many: Readonly<Record<string, string>>;
}

const typedOf = (o: LoadedOrder): Typed => ({
  expected: o.expected ?? '',
  note: o.note,
  many: Object.fromEntries(o.rows.map((r) => [String(r.itemId), String(r.quantity)])),
});

function Row({
  row: r,
  typed,
  money,
  onChange,
}: {
  readonly row: LoadedOrder['rows'][number];
  readonly typed: string;
  readonly money: MoneyForm;
  readonly onChange: (many: string) => void;
}) {
  const many = readMany(typed);
  return (
    <tr className="border-b border-line align-top">
      <td className="w-48 py-1 pr-4">
        <input
          className="field w-28"
          inputMode="decimal"
          aria-label={`How many ${SORTS[r.sort].unit[1]} of ${r.name}`}
          aria-invalid={Number.isNaN(many) || undefined}
          value={typed}
          onChange={(e) => onChange(e.target.value)}
        />{' '}
        {SORTS[r.sort].unit[many === 1 ? 0 : 1]}
      </td>
      <td className="min-w-40 py-1 pr-4 wrap-anywhere">
        <Link href={`/stores/${r.itemId}`} className="inline-flex min-h-6 items-center underline">
          {r.name}
        </Link>{' '}
        <span className="text-sm text-quiet">{r.facts}</span>
      </td>
      <td className="min-w-24 py-1 pr-4 wrap-anywhere">{r.code}</td>
      <td className="py-1 text-right">
        {r.cost === null || Number.isNaN(many) ? '' : formatMoney(Math.round(r.cost * many), money)}
      </td>
    </tr>
  );
}

/** Everything that is on it. */
function Rows({
  order,
  money,
  many,
  onChange,
}: {
  readonly order: LoadedOrder;
  readonly money: MoneyForm;
  readonly many: Typed['many'];
  readonly onChange: (many: Typed['many']) => void;
}) {
  return (
    <Sideways label="What is ordered">
      <table className="w-full text-left">
        <thead className="text-sm">
          <tr className="border-b-2 border-plain">
            {['How many', 'What', 'Code', 'Cost'].map((h, i) => (
              <th key={h} scope="col" className={`font-normal text-quiet ${i === 3 ? 'text-right' : ''}`}>
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {order.rows.map((r) => (
            <Row
              key={r.itemId}
              row={r}
              money={money}
              typed={many[r.itemId] ?? ''}
              onChange={(n) => onChange({ ...many, [r.itemId]: n })}
            />
          ))}
        </tbody>
      </table>
    </Sideways>
  );
}

/** When it should come, and a word to them. */
function When({
  value,
  fields,
  onChange,
}: {
  readonly value: Typed;
  readonly fields: Readonly<Record<string, string>>;
  readonly onChange: (part: Partial<Typed>) => void;
}) {
  return (
    <div className="grid gap-3 sm:grid-cols-[12rem_1fr]">
      <TextField
        label="It should come on"
        type="date"
        error={fields['expected']}
        value={value.expected}
        onChange={(expected) => onChange({ expected })}
      />
      <TextField
        label="A word to them (may be empty)"
        maxLength={200}
        error={fields['note']}
        value={value.note}
        onChange={(note) => onChange({ note })}
      />
    </div>
  );
}

/** What is on an order, how many of each, and when it should come: all of it can be changed until it is ended. */
export function OrderForm({
  order,
  money,
  sender,
}: {
  readonly order: LoadedOrder;
  readonly money: MoneyForm;
  readonly sender: Sender;
}) {
  const { give, busy, trouble } = sender;
  const edit = useEdit<Typed>(typedOf(order), order.version, `order:${order.id}`);
  const { value } = edit;
  const rows = order.rows.map((r) => ({ itemId: r.itemId, quantity: readMany(value.many[r.itemId] ?? '') }));
  const wrong = rows.some((r) => Number.isNaN(r.quantity));
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const keep = () =>
    edit.save((typed, version) =>
      give('stores.save-order', {
        orderId: order.id,
        version,
        supplier: order.supplier,
        note: typed.note,
        expected: typed.expected === '' ? null : typed.expected,
        rows: rows.filter((r) => r.quantity > 0),
      }),
    );
  return (
    <form
      aria-label="What is ordered"
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!wrong) void keep();
      }}
    >
      <Rows order={order} money={money} many={value.many} onChange={(many) => edit.set({ many })} />
      {(fields['rows'] ?? (wrong ? 'How many? A number, like 2 or 2.5' : '')) !== '' && (
        <p role="alert" className="text-sm text-rubric">
          ◆ {fields['rows'] ?? 'How many? A number, like 2 or 2.5'}
        </p>
      )}
      <When value={value} fields={fields} onChange={edit.set} />
      <ConflictChoice edit={edit} />
      {order.orderedOn !== null && (
        <p className="no-print text-sm text-quiet">It went out already: tell them what you change here.</p>
      )}
      <button type="submit" className="button no-print" disabled={busy}>
        Keep the order
      </button>
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
    </form>
  );
}
