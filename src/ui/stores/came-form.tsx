'use client';

import { SORTS } from '../../core/stock/sorts.ts';
import type { LoadedOrder } from '../../server/stores/load-orders.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import type { Sender } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';
import { readMany } from './typed-item.ts';

interface Typed {
  readonly [field: string]: unknown;
  readonly came: Readonly<Record<string, string>>;
}

const typedOf = (o: LoadedOrder): Typed => ({
  came: Object.fromEntries(o.rows.map((r) => [String(r.itemId), r.came === 0 ? '' : String(r.came)])),
});

/** So many of each row, as they are typed. */
function Rows({
  order,
  came,
  onChange,
}: {
  readonly order: LoadedOrder;
  readonly came: Typed['came'];
  readonly onChange: (came: Typed['came']) => void;
}) {
  return (
    <ul className="divide-y divide-line">
      {order.rows.map((r) => (
        <li key={r.itemId} className="flex flex-wrap items-center gap-3 py-1">
          <input
            className="field w-28"
            inputMode="decimal"
            aria-label={`So many ${SORTS[r.sort].unit[1]} of ${r.name} came`}
            aria-invalid={Number.isNaN(readMany(came[r.itemId] ?? '')) || undefined}
            value={came[r.itemId] ?? ''}
            onChange={(e) => onChange({ ...came, [r.itemId]: e.target.value })}
          />
          <span className="min-w-0 flex-1 basis-40">
            of {r.quantity} {SORTS[r.sort].unit[r.quantity === 1 ? 0 : 1]} {r.name}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** How many of each row are here so far: all of it with one tap, or what was in the parcel; a wrong number is written over. */
export function CameForm({ order, sender }: { readonly order: LoadedOrder; readonly sender: Sender }) {
  const { give, busy, trouble } = sender;
  const edit = useEdit<Typed>(typedOf(order), order.version, `came:${order.id}`);
  const { came } = edit.value;
  const rows = order.rows.map((r) => ({ itemId: r.itemId, came: readMany(came[r.itemId] ?? '') }));
  const wrong = rows.some((r) => Number.isNaN(r.came));
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  return (
    <form
      aria-label="What came"
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!wrong)
          void edit.save((_, version) => give('stores.order-came', { orderId: order.id, version, rows }));
      }}
    >
      <h2 className="border-b-2 border-plain text-xl">What came</h2>
      <Rows order={order} came={came} onChange={(to) => edit.set({ came: to })} />
      {wrong && (
        <p role="alert" className="text-sm text-rubric">
          ◆ How many? A number, like 2 or 2.5
        </p>
      )}
      {fields['rows'] !== undefined && (
        <p role="alert" className="text-sm text-rubric">
          ◆ {fields['rows']}
        </p>
      )}
      <ConflictChoice edit={edit} />
      <div className="flex flex-wrap gap-3">
        <button
          type="button"
          className="button"
          onClick={() =>
            edit.set({
              came: Object.fromEntries(
                order.rows.map((r) => [String(r.itemId), String(Math.max(r.quantity, r.came))]),
              ),
            })
          }
        >
          All of it
        </button>
        <button type="submit" className="button button-main" disabled={busy}>
          Put it on the shelves
        </button>
      </div>
      <p className="text-sm text-quiet">So many came in all. What waits for it is set aside at once.</p>
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
    </form>
  );
}
