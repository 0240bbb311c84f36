import Link from '../../../ui/kit/link.tsx';
import { database } from '../../../server/db/connection.ts';
import { loadShelf } from '../../../server/shelf/load-shelf.ts';
import { FindField } from '../../../ui/kit/find-field.tsx';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { requireActor } from '../../_lib/session.ts';

export const metadata = { title: 'Shelf' };

export default async function ShelfPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ find?: string }>;
}) {
  await requireActor();
  const { find = '' } = await searchParams;
  const rows = await loadShelf(database(), find);
  return (
    <>
      <PageHead title="Shelf" note="every instrument the shop has known">
        <Link href="/shelf/double" className="button">
          Double entries
        </Link>
        <Link href="/shelf/exchange" className="button">
          In and out
        </Link>
        <FindField action="/shelf" value={find} hint="/ maker, serial, customer" />
      </PageHead>
      <div className="px-5 py-3">
        {rows.length === 0 ? (
          <p className="text-lg">
            {find === '' ? 'The shelf is empty yet.' : `Nothing here is called “${find}”.`}
          </p>
        ) : (
          <table className="w-full text-left">
            <thead>
              <tr className="border-b-2 border-plain">
                {['Instrument', 'Kind', 'Serial', 'Customer', 'Visits', 'Here as'].map((h) => (
                  <th key={h} scope="col" className="py-1 font-serif">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.id} className="border-b border-line hover:bg-shade">
                  <td>
                    <Link className="inline-flex min-h-11 items-center underline" href={`/shelf/${r.id}`}>
                      {r.name}
                    </Link>
                  </td>
                  <td>{r.kindName}</td>
                  <td>{r.serial}</td>
                  <td>{r.customer}</td>
                  <td>{r.visits}</td>
                  <td>
                    {r.openJob !== null && (
                      <Link
                        className="inline-flex min-h-11 items-center underline"
                        href={`/job/${r.openJob}/arrival`}
                      >
                        {r.openJob}
                      </Link>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
    </>
  );
}
