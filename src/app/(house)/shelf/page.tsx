import Link from '../../../ui/kit/link.tsx';
import { database } from '../../../server/db/connection.ts';
import { countFloor, loadShelf } from '../../../server/shelf/load-shelf.ts';
import { FindField } from '../../../ui/kit/find-field.tsx';
import { PageHead } from '../../../ui/kit/page-head.tsx';
import { requireActor } from '../../_lib/session.ts';
import { Sideways } from '../../../ui/kit/sideways.tsx';

export const metadata = { title: 'Shelf' };

/** Instruments, a line each. */
function Instruments({ rows }: { readonly rows: Awaited<ReturnType<typeof loadShelf>> }) {
  return (
    <Sideways label="Instruments">
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
    </Sideways>
  );
}

export default async function ShelfPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ find?: string; floor?: string }>;
}) {
  await requireActor();
  const { find = '', floor } = await searchParams;
  const onFloor = floor !== undefined;
  const [rows, hanging] = await Promise.all([loadShelf(database(), find, onFloor), countFloor(database())]);
  return (
    <>
      <PageHead
        title="Shelf"
        note={onFloor ? 'what hangs on the floor to be sold' : 'every instrument the shop has known'}
      >
        {onFloor ? (
          <Link href="/shelf" className="button">
            The whole shelf
          </Link>
        ) : (
          hanging > 0 && (
            <Link href="/shelf?floor" className="button">
              On the floor: {hanging}
            </Link>
          )
        )}
        <Link href="/shelf/jobs" className="button">
          Every job
        </Link>
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
            {onFloor
              ? 'Nothing hangs on the floor. New stock comes here when its check ends in “ready for the floor”.'
              : find === ''
                ? 'The shelf is empty yet.'
                : `Nothing here is called “${find}”.`}
          </p>
        ) : (
          <Instruments rows={rows} />
        )}
      </div>
    </>
  );
}
