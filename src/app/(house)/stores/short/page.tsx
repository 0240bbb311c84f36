import { may } from '../../../../core/people/roles.ts';
import { formatMoney } from '../../../../core/money/currency.ts';
import { sayFacts } from '../../../../core/stock/read-facts.ts';
import { shortLists } from '../../../../core/stock/short.ts';
import { sayQuantity } from '../../../../core/stock/sorts.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { loadStores, type ShelfItem } from '../../../../server/stores/load-stores.ts';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { MakeOrder } from '../../../../ui/stores/make-order.tsx';
import { PrintButton } from '../../../../ui/kit/print-button.tsx';
import { requireActor } from '../../../_lib/session.ts';
import { sayDate } from '../../../../ui/kit/dates.ts';

export const metadata = { title: 'What is short' };

type List = ReturnType<typeof shortLists<ShelfItem>>[number];

/** What is short of one thing, and how many are to be ordered. */
function Row({ item: i, order }: { readonly item: ShelfItem; readonly order: number }) {
  return (
    <tr className="border-b border-line align-top">
      <td className="w-32 py-1 pr-4 font-semibold">{sayQuantity(i.sort, order)}</td>
      <td className="pr-4">
        <Link href={`/stores/${i.id}`} className="underline">
          {i.name}
        </Link>{' '}
        <span className="text-sm text-quiet">{sayFacts(i.sort, i.facts, sayDate)}</span>
      </td>
      <td className="pr-4 text-ink">{i.code}</td>
      <td>
        {i.free}, <span className="text-ink">{i.least}</span>
        {i.wanted > 0 && <span className="text-rubric">, ◆ {i.wanted} waited for</span>}
        {i.coming > 0 && <span className="text-quiet">, {i.coming} coming</span>}
      </td>
    </tr>
  );
}

/** What is to be ordered from one supplier. */
function Supplier({
  id,
  list,
  currency,
  may,
}: {
  readonly id: string;
  readonly list: List;
  readonly currency: string;
  /** whether who looks may order */
  readonly may: boolean;
}) {
  const name = list.supplier === '' ? 'Nobody said from whom' : list.supplier;
  return (
    <section aria-labelledby={id} className="break-inside-avoid space-y-1">
      <div className="flex flex-wrap items-center justify-between gap-3 border-b-2 border-plain">
        <h2 id={id} className="text-xl">
          {name}
        </h2>
        <span className="flex flex-wrap gap-3">
          {may && list.supplier !== '' && (
            <MakeOrder
              supplier={list.supplier}
              rows={list.rows.map(({ item, order }) => ({ itemId: item.id, quantity: order }))}
            />
          )}
          <a
            href={`/api/stores?supplier=${encodeURIComponent(list.supplier)}`}
            download
            className="button no-print mb-1"
            aria-label={`As CSV: ${name}`}
          >
            As CSV
          </a>
        </span>
      </div>
      <table className="w-full text-left">
        <thead className="text-sm">
          <tr>
            {['Order', 'What', 'Code', 'Free now, at least'].map((h) => (
              <th key={h} scope="col" className="pr-4 font-normal text-quiet">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {list.rows.map(({ item, order }) => (
            <Row key={item.id} item={item} order={order} />
          ))}
        </tbody>
      </table>
      <p>
        {formatMoney(list.cost, currency)}
        {list.unknown > 0 && `, and ${list.unknown} of which nobody knows the cost`}
      </p>
    </section>
  );
}

export default async function ShortPage() {
  const actor = await requireActor();
  const db = database();
  const [items, shop] = await Promise.all([loadStores(db), loadShop(db)]);
  const lists = shortLists(items);
  return (
    <>
      <PageHead
        title="What is short"
        note="fewer than there should be and on no order yet, a list for each supplier"
      >
        <Link href="/stores/orders" className="button">
          Orders
        </Link>
        <Link href="/stores" className="button">
          Stores
        </Link>
      </PageHead>
      <div className="max-w-4xl space-y-6 px-5 py-4">
        {lists.length === 0 && <p className="text-quiet">Nothing is short that is not on order.</p>}
        {lists.map((l, i) => (
          <Supplier
            key={l.supplier}
            id={`supplier-${i}`}
            list={l}
            currency={shop.currency}
            may={may(actor.role, 'take-in')}
          />
        ))}
        {lists.length > 0 && <PrintButton low={false} />}
      </div>
    </>
  );
}
