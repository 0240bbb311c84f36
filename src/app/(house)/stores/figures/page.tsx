import { sayDate } from '../../../../core/days/say-days.ts';
import type { ShopInfo } from '../../../../core/job/shop.ts';
import { formatMoney } from '../../../../core/money/currency.ts';
import { SORTS, sayQuantity } from '../../../../core/stock/sorts.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { loadFigures, type StoreFigures } from '../../../../server/stores/load-figures.ts';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'What the shelves come to' };

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** How many of each item every month took. */
function Use({ figures: { use, months } }: { readonly figures: StoreFigures }) {
  return (
    <section aria-labelledby="use" className="space-y-1">
      <h2 id="use" className="text-xl">
        Used each month
      </h2>
      {use.length === 0 ? (
        <p className="text-quiet">Nothing was used within twelve months.</p>
      ) : (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-labelledby="use">
          <table className="w-full text-right text-sm">
            <thead>
              <tr className="border-b-2 border-plain">
                <th scope="col" className="text-left font-normal text-quiet">
                  What
                </th>
                {months.map((m) => (
                  <th key={m} scope="col" className="pl-2 font-normal text-quiet">
                    {MONTHS[Number(m.slice(5)) - 1]}
                  </th>
                ))}
                <th scope="col" className="pl-3 font-normal text-quiet">
                  All
                </th>
              </tr>
            </thead>
            <tbody>
              {use.map((u) => (
                <tr key={u.id} className="border-b border-line">
                  <th scope="row" className="py-1 text-left font-normal">
                    <Link href={`/stores/${u.id}`} className="inline-flex min-h-6 items-center underline">
                      {u.name}
                    </Link>{' '}
                    <span className="text-quiet">{SORTS[u.sort].unit[1]}</span>
                  </th>
                  {u.by.map((n, i) => (
                    <td key={months[i]} className="pl-2 text-ink">
                      {n === 0 ? <span className="text-quiet">·</span> : n}
                    </td>
                  ))}
                  <td className="pl-3 font-semibold">{u.all}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

type Props = { readonly figures: StoreFigures; readonly shop: ShopInfo };

/** What nobody has asked for within a year. */
function Still({ figures, shop }: Props) {
  return (
    <section aria-labelledby="still" className="space-y-1">
      <h2 id="still" className="text-xl">
        Not moved for a year
      </h2>
      {figures.still.length === 0 && <p className="text-quiet">Nothing lies still.</p>}
      <ul>
        {figures.still.map((i) => (
          <li key={i.id} className="border-b border-line py-1">
            <Link href={`/stores/${i.id}`} className="inline-flex min-h-6 items-center underline">
              {i.name}
            </Link>
            , {sayQuantity(i.sort, i.onHand)}
            {i.cost !== null && `, ${formatMoney(Math.round(i.cost * i.onHand), shop.currency)}`}
            <span className="text-quiet">
              {i.last === null ? ', for more than two years' : `, since ${sayDate(i.last, shop.dates)}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is past its day. */
function Past({ figures, shop }: Props) {
  return (
    <section aria-labelledby="past" className="space-y-1">
      <h2 id="past" className="text-xl">
        Past its day
      </h2>
      {figures.past.length === 0 && <p className="text-quiet">Nothing is.</p>}
      <ul>
        {figures.past.map((i) => (
          <li key={i.id} className="border-b border-line py-1 text-rubric">
            ◆{' '}
            <Link href={`/stores/${i.id}`} className="inline-flex min-h-6 items-center underline">
              {i.name}
            </Link>
            , {sayQuantity(i.sort, i.onHand)}, good until {sayDate(i.until, shop.dates)}
          </li>
        ))}
      </ul>
    </section>
  );
}

export default async function FiguresPage() {
  await requireActor();
  const db = database();
  const [figures, shop] = await Promise.all([loadFigures(db, new Date()), loadShop(db)]);
  const money = (n: number): string => formatMoney(n, shop.currency);
  const all = figures.value.reduce((s, v) => s + v.value, 0);
  return (
    <>
      <PageHead title="What the shelves come to" note="by what things cost and by the ledger of a year">
        <Link href="/stores" className="button">
          Stores
        </Link>
      </PageHead>
      <div className="max-w-5xl space-y-6 px-5 py-4">
        <section aria-labelledby="value" className="space-y-1">
          <h2 id="value" className="text-xl">
            What is on the shelves cost {money(all)}
          </h2>
          <ul className="flex flex-wrap gap-x-6">
            {figures.value.map((v) => (
              <li key={v.sort}>
                {SORTS[v.sort].name} <span className="text-ink">{money(v.value)}</span>
                {v.unknown > 0 && <span className="text-quiet">, {v.unknown} of unknown cost</span>}
              </li>
            ))}
          </ul>
        </section>
        <Use figures={figures} />
        <Still figures={figures} shop={shop} />
        <Past figures={figures} shop={shop} />
      </div>
    </>
  );
}
