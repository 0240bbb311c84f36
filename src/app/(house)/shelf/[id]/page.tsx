import Link from '../../../../ui/kit/link.tsx';
import { notFound } from 'next/navigation';
import { roundName, type RoundKind } from '../../../../core/readings/rounds.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadInstrument } from '../../../../server/shelf/load-shelf.ts';
import { sayDate } from '../../../../core/days/say-days.ts';
import { dayIn } from '../../../../core/days/zone.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { sayValue } from '../../../../ui/neck-sheet/units.ts';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { may } from '../../../../core/people/roles.ts';
import { OnTheFloor } from '../../../../ui/shelf/on-the-floor.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Instrument' };

type Visit = NonNullable<Awaited<ReturnType<typeof loadInstrument>>>['visits'][number];

const ROUNDS: readonly RoundKind[] = ['as-found', 'as-left'];

function VisitReadings({ visit, strings }: { readonly visit: Visit; readonly strings: number }) {
  const cell = (round: RoundKind, quantity: 'relief' | 'action', string: number) => {
    const r = visit.readings.find((x) => x.round === round && x.quantity === quantity && x.string === string);
    return <td className="pr-6 font-bold text-ink">{r ? sayValue(r.value, quantity, '64ths') : '–'}</td>;
  };
  return (
    <table className="mt-1 text-left text-sm">
      <thead>
        <tr>
          {['', 'Relief', 'Action 12, bass', 'Action 12, treble'].map((h) => (
            <th key={h} scope="col" className="pr-6 font-normal text-quiet">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ROUNDS.map((round) => (
          <tr key={round}>
            <th scope="row" className="pr-6 font-normal">
              {roundName(round)}
            </th>
            {cell(round, 'relief', 0)}
            {cell(round, 'action', strings)}
            {cell(round, 'action', 1)}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export default async function InstrumentPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const actor = await requireActor();
  const { id } = await params;
  const shop = await loadShop(database());
  const found = /^\d{1,9}$/.test(id) ? await loadInstrument(database(), Number(id)) : null;
  if (!found) notFound();
  return (
    <>
      <PageHead
        title={found.name}
        note={`${found.kindName}${found.year && `, ${found.year}`} · ${found.serial || 'no serial'} · ${found.customer}`}
      >
        <Link href={`/shelf/${found.id}/readings`} className="button">
          What moved
        </Link>
      </PageHead>
      {found.floorSince !== null && (
        <OnTheFloor
          instrument={{ id: found.id, version: found.version, floorSince: found.floorSince }}
          may={may(actor.role, 'hand-over')}
        />
      )}
      <ol className="max-w-3xl px-5 py-3">
        {found.visits.length === 0 && <li>It has not been worked on here yet.</li>}
        {found.visits.map((v) => (
          <li key={v.number} className="border-b border-line py-3">
            <h2 className="text-lg">
              <Link
                className="inline-flex min-h-8 items-center underline"
                href={`/job/${v.number}/${v.state === 'closed' ? 'hand-over' : 'arrival'}`}
              >
                {v.number}, {sayDate(dayIn(Date.parse(v.takenInAt), shop.zone), shop.dates)}
              </Link>{' '}
              <span className={v.digest ? 'text-base text-seal' : 'text-base text-quiet'}>
                {v.digest ? '✒ signed' : (v.end ?? 'in the house')}
              </span>
            </h2>
            <p className="text-ink">{v.complaint}</p>
            <VisitReadings visit={v} strings={found.construction.strings.length} />
          </li>
        ))}
      </ol>
    </>
  );
}
