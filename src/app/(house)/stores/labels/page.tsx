import encodeBars from 'jsbarcode';
import { sayFacts } from '../../../../core/stock/read-facts.ts';
import { codeOf } from '../../../../core/stock/short.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadStores, type ShelfItem } from '../../../../server/stores/load-stores.ts';
import Link from '../../../../ui/kit/link.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { PrintButton } from '../../../../ui/kit/print-button.tsx';
import { requireActor } from '../../../_lib/session.ts';
import { sayDate } from '../../../../ui/kit/dates.ts';

export const metadata = { title: 'Labels' };

/** The bars of a code, one and nought for a module each. */
function barsOf(code: string): string {
  const into: { encodings?: readonly { readonly data: string }[] } = {};
  encodeBars(into, code, { format: 'CODE128' });
  return (into.encodings ?? []).map((e) => e.data).join('');
}

const QUIET = 10;

/** A label as it is stuck on a drawer: what it is, and its code to be scanned. */
function Label({ item }: { readonly item: ShelfItem }) {
  const code = codeOf(item);
  const bars = barsOf(code);
  const dark = [...bars].flatMap((b, i) => (b === '1' ? [i] : []));
  return (
    <li
      aria-label={`Label of ${item.name}`}
      className="flex h-[30mm] w-[62mm] break-inside-avoid flex-col border border-line bg-white p-[2mm] text-black"
    >
      <span className="truncate text-sm font-bold">{item.name}</span>
      <span className="truncate text-xs">{sayFacts(item.sort, item.facts, sayDate)}</span>
      <svg
        role="img"
        aria-label={`Code ${code}`}
        className="mt-auto h-[11mm] w-full"
        preserveAspectRatio="none"
        shapeRendering="crispEdges"
        viewBox={`${-QUIET} 0 ${bars.length + 2 * QUIET} 10`}
      >
        <path d={dark.map((i) => `M${i} 0h1v10h-1z`).join('')} fill="#000" />
      </svg>
      <span className="flex justify-between text-xs">
        <span className="shrink-0">{code}</span>
        <span className="truncate pl-2">{item.place}</span>
      </span>
    </li>
  );
}

/** Labels of what is on the shelves: all of it, one place of them, or one thing. */
export default async function LabelsPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ readonly place?: string; readonly item?: string }>;
}) {
  await requireActor();
  const { place, item } = await searchParams;
  const all = (await loadStores(database())).filter((i) => !i.retired);
  const places = [...new Set(all.map((i) => i.place))].filter((p) => p !== '').sort();
  const shown = all.filter(
    (i) => (place === undefined || i.place === place) && (item === undefined || String(i.id) === item),
  );
  return (
    <>
      <PageHead title="Labels" note="to stick where things lie; their codes open them when scanned">
        <Link href="/stores" className="button">
          Stores
        </Link>
      </PageHead>
      <div className="space-y-4 px-5 py-4">
        <nav aria-label="Places" className="no-print flex flex-wrap gap-x-4">
          <Link href="/stores/labels" className="inline-flex min-h-11 items-center underline">
            All of it
          </Link>
          {places.map((p) => (
            <Link
              key={p}
              href={`/stores/labels?place=${encodeURIComponent(p)}`}
              className="inline-flex min-h-11 max-w-full items-center underline"
              aria-current={p === place ? 'page' : undefined}
            >
              <span className="min-w-0">{p}</span>
            </Link>
          ))}
        </nav>
        {shown.length === 0 && <p className="text-quiet">Nothing lies there.</p>}
        <ul className="flex flex-wrap gap-[3mm]">
          {shown.map((i) => (
            <Label key={i.id} item={i} />
          ))}
        </ul>
        {shown.length > 0 && <PrintButton />}
      </div>
    </>
  );
}
