import type { ShelfCustomer } from '../../server/privacy/load-customer.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

/** The instruments that are theirs now. */
export function TheirInstruments({ instruments }: Pick<ShelfCustomer, 'instruments'>) {
  return (
    <section aria-labelledby="theirs">
      <h2 id="theirs" className="text-xl">
        Instruments
      </h2>
      {instruments.length === 0 && <p className="text-quiet">None is theirs now.</p>}
      <ul>
        {instruments.map((i) => (
          <li key={i.id}>
            <Link href={`/shelf/${i.id}`} className="inline-flex min-h-11 items-center underline">
              {i.name} {i.serial}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Every time something of theirs was here. */
export function TheirVisits({ jobs }: Pick<ShelfCustomer, 'jobs'>) {
  return (
    <section aria-labelledby="visits">
      <h2 id="visits" className="text-xl">
        Visits
      </h2>
      {jobs.length === 0 && <p className="text-quiet">Nothing of theirs was ever taken in.</p>}
      <ul>
        {jobs.map((j) => (
          <li key={j.number} className="border-b border-line">
            <Link href={`/job/${j.number}/arrival`} className="inline-flex min-h-11 items-center gap-2">
              <b className="underline">{j.number}</b> {j.instrument} · {sayDate(dayOf(j.takenInAt))}
              {j.closedAt === null ? ', here' : ` to ${sayDate(dayOf(j.closedAt))}`}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
