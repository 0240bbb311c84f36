'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { useRouter } from 'next/navigation';
import { Suspense, useMemo, useRef, useState } from 'react';
import type { TaxRate } from '../../core/money/tax.ts';
import type { MoneyForm } from '../../core/money/currency.ts';
import { sayFacts } from '../../core/stock/read-facts.ts';
import { SORTS, SORT_IDS, type SortId } from '../../core/stock/sorts.ts';
import type { ShelfItem } from '../../server/stores/load-stores.ts';
import Link from '../kit/link.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { useSlash } from '../kit/use-slash.ts';
import { isNamed, isPast, isShort } from '../../core/stock/short.ts';
import { sayDate } from '../kit/dates.ts';

const BringStock = lazyPart(() => import('./bring-stock.tsx').then((m) => m.BringStock));
const ItemForm = lazyPart(() => import('./item-form.tsx').then((m) => m.ItemForm));

const SHOWN = { kept: 'All of it', short: 'Short', past: 'Past its day', retired: 'Kept no longer' } as const;
type Shown = keyof typeof SHOWN;

function Rows({
  sort,
  items,
  today,
}: {
  readonly sort: SortId;
  readonly items: readonly ShelfItem[];
  readonly today: string;
}) {
  return (
    <section aria-labelledby={`sort-${sort}`}>
      <h2 id={`sort-${sort}`} className="pt-3 text-lg font-semibold">
        {SORTS[sort].name}
      </h2>
      <table className="w-full table-fixed text-left">
        <colgroup>
          <col className="w-1/2" />
          <col />
          <col />
          <col />
        </colgroup>
        <thead className="sr-only">
          <tr>
            {['Name', 'Where it lies', 'Free', 'There'].map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {items.map((i) => (
            <tr key={i.id} className="border-b border-line">
              <td className="py-0.5">
                <Link
                  href={`/stores/${i.id}`}
                  className="inline-flex min-h-11 max-w-full items-center underline"
                >
                  <span className="min-w-0">{i.name}</span>
                </Link>{' '}
                <span className="text-sm break-words text-quiet">{sayFacts(sort, i.facts, sayDate)}</span>
                {isPast(i, today) && <span className="text-sm text-rubric"> ◆ past its day</span>}
              </td>
              <td className="text-ink">{i.place}</td>
              <td className={isShort(i) ? 'text-rubric' : ''}>
                {isShort(i) ? `◆ ${i.free} free, short` : `${i.free} free`}
              </td>
              <td className="text-quiet">
                {i.onHand} {SORTS[sort].unit[i.onHand === 1 ? 0 : 1]} there
                {i.coming > 0 && `, ${i.coming} coming`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const isShown = (i: ShelfItem, { typed, shown }: Narrowed, today: string): boolean =>
  i.retired === (shown === 'retired') &&
  (shown !== 'short' || isShort(i)) &&
  (shown !== 'past' || isPast(i, today)) &&
  isNamed(i, `${SORTS[i.sort].name} ${sayFacts(i.sort, i.facts, sayDate)}`, typed);

interface Narrowed {
  readonly typed: string;
  readonly shown: Shown;
}

/** What the list is narrowed to. */
function Narrow({
  value,
  only,
  onChange,
}: {
  readonly value: Narrowed;
  /** the one that is left, which Enter opens: a scanner ends with it */
  readonly only: ShelfItem | null;
  readonly onChange: (to: Narrowed) => void;
}) {
  const router = useRouter();
  const field = useRef<HTMLInputElement>(null);
  useSlash(field);
  return (
    <form
      role="search"
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (only) router.push(`/stores/${only.id}`);
      }}
    >
      <input
        ref={field}
        type="search"
        aria-label="Find"
        placeholder="name, gauge, place, supplier, code"
        className="field w-80 max-sm:w-full"
        value={value.typed}
        onChange={(e) => onChange({ ...value, typed: e.target.value })}
      />
      <PillChoice
        quiet
        legend="Which"
        value={value.shown}
        options={SHOWN}
        onChange={(shown) => onChange({ ...value, shown })}
      />
    </form>
  );
}

/** What stands on the shelves, by what it is: found by words or a scanned code, short, past its day. */
export function StoresList({
  items,
  money,
  rates,
  today,
  working,
}: {
  readonly items: readonly ShelfItem[];
  readonly money: MoneyForm;
  readonly rates: readonly TaxRate[];
  readonly today: string;
  readonly working: boolean;
}) {
  const [by, setBy] = useState<Narrowed>({ typed: '', shown: 'kept' });
  const [adding, setAdding] = useState<'one' | 'list' | null>(null);
  const found = useMemo(() => items.filter((i) => isShown(i, by, today)), [items, by, today]);
  return (
    <div className="max-w-5xl space-y-3 px-5 py-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <Narrow value={by} only={found.length === 1 ? (found[0] ?? null) : null} onChange={setBy} />
        {working && adding === null && (
          <span className="flex gap-3">
            <button type="button" className="button" onClick={() => setAdding('list')}>
              From a list
            </button>
            <button type="button" className="button button-main" onClick={() => setAdding('one')}>
              Something new
            </button>
          </span>
        )}
        {adding === 'list' && (
          <button type="button" className="button" onClick={() => setAdding(null)}>
            Done with the list
          </button>
        )}
      </div>
      <Suspense>
        {adding === 'one' && (
          <ItemForm item={null} money={money} rates={rates} onDone={() => setAdding(null)} />
        )}
        {adding === 'list' && <BringStock money={money} rates={rates} />}
      </Suspense>
      {items.length === 0 && adding === null && (
        <p className="text-quiet">
          Nothing is on the shelves yet. Strings, blanks, wire and parts that stand here are set aside for
          jobs and counted as they are used.
        </p>
      )}
      {items.length > 0 && found.length === 0 && (
        <p className="text-quiet">Nothing like that is on the shelves.</p>
      )}
      {SORT_IDS.filter((sort) => found.some((i) => i.sort === sort)).map((sort) => (
        <Rows key={sort} sort={sort} items={found.filter((i) => i.sort === sort)} today={today} />
      ))}
    </div>
  );
}
