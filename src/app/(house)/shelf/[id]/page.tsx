import Link from '../../../../ui/kit/link.tsx';
import { notFound } from 'next/navigation';
import { database } from '../../../../server/db/connection.ts';
import { loadInstrument } from '../../../../server/shelf/load-shelf.ts';
import { sayDate } from '../../../../core/days/say-days.ts';
import type { Construction } from '../../../../core/instrument/construction.ts';
import { dayIn } from '../../../../core/days/zone.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { may, type Role } from '../../../../core/people/roles.ts';
import { OnTheFloor } from '../../../../ui/shelf/on-the-floor.tsx';
import { requireActor } from '../../../_lib/session.ts';
import { loadLife, type Life as LifeOf } from '../../../../server/shelf/load-life.ts';
import { Life } from '../../../../ui/shelf/life.tsx';
import { loadBiography, type Biography } from '../../../../server/shelf/load-biography.ts';
import { InstrumentFacts } from '../../../../ui/shelf/instrument-facts.tsx';
import { InsideParts } from '../../../../ui/shelf/inside-parts.tsx';
import { KeptParts } from '../../../../ui/shelf/kept-parts.tsx';
import { OriginalityPanel } from '../../../../ui/shelf/originality-panel.tsx';
import { PhotosOfPlaces } from '../../../../ui/shelf/photos-of-places.tsx';
import { SoundsKept } from '../../../../ui/shelf/sounds-kept.tsx';
import { WatchPanel } from '../../../../ui/shelf/watch-panel.tsx';
import { VisitReadings } from '../../../../ui/shelf/visit-readings.tsx';
import { OwnNumbers } from '../../../../ui/shelf/own-numbers.tsx';

export const metadata = { title: 'Instrument' };

type Found = NonNullable<Awaited<ReturnType<typeof loadInstrument>>>;

/** Every visit with what was said and read. */
function Visits({
  found,
  shop,
}: {
  readonly found: Found;
  readonly shop: Awaited<ReturnType<typeof loadShop>>;
}) {
  return (
    <>
      <h2 className="px-5 text-xl">Every visit</h2>
      <ol className="max-w-3xl px-5 py-3">
        {found.visits.length === 0 && <li>It has not been worked on here yet.</li>}
        {found.visits.map((v) => (
          <li key={v.number} className="border-b border-line py-3">
            <h3 className="text-lg">
              <Link
                className="inline-flex min-h-8 items-center underline"
                href={`/job/${v.number}/${v.state === 'closed' ? 'hand-over' : 'arrival'}`}
              >
                {v.number}, {sayDate(dayIn(Date.parse(v.takenInAt), shop.zone), shop.dates)}
              </Link>{' '}
              <span className={v.digest ? 'text-base text-seal' : 'text-base text-quiet'}>
                {v.digest ? '✒ signed' : (v.end ?? 'in the house')}
              </span>
            </h3>
            <p className="text-ink">{v.complaint}</p>
            <p className="text-sm">
              <span className="text-quiet">Papers: </span>
              <a className="inline-flex min-h-8 items-center underline" href={`/api/job/${v.number}/sheet`}>
                customer’s sheet<span className="sr-only"> of {v.number}</span>
              </a>
              {', '}
              <a
                className="inline-flex min-h-8 items-center underline"
                href={`/api/job/${v.number}/readings.csv`}
              >
                readings as CSV<span className="sr-only"> of {v.number}</span>
              </a>
            </p>
            <VisitReadings readings={v.readings} strings={found.construction.strings.length} />
          </li>
        ))}
      </ol>
    </>
  );
}

/** Its life at the left, what is watched, its numbers and its parts at the right. */
function Body({
  id,
  life,
  biography,
  electronics,
  shop,
  role,
}: {
  readonly id: number;
  readonly life: LifeOf | null;
  readonly biography: Biography | null;
  readonly electronics: Construction['electronics'];
  readonly shop: Awaited<ReturnType<typeof loadShop>>;
  readonly role: Role;
}) {
  return (
    <div className="grid gap-x-8 gap-y-4 px-5 py-3 lg:grid-cols-[1fr_26rem]">
      <div className="min-w-0 space-y-4">
        <Life life={life} />
        {biography && <InstrumentFacts of={biography} />}
        {biography && <PhotosOfPlaces places={biography.places} />}
      </div>
      <div className="space-y-4">
        {biography && (
          <WatchPanel
            instrumentId={id}
            watches={biography.watches}
            said={life?.watched ?? []}
            may={may(role, 'inspect')}
          />
        )}
        {life && <OwnNumbers life={life} shop={shop} />}
        {biography && (
          <>
            <OriginalityPanel
              instrumentId={id}
              originality={biography.originality}
              may={may(role, 'inspect')}
            />
            {(biography.inside.length > 0 || electronics !== 'none') && (
              <InsideParts instrumentId={id} inside={biography.inside} may={may(role, 'work')} />
            )}
            <KeptParts instrumentId={id} kept={biography.kept} may={may(role, 'work')} />
            <SoundsKept sounds={biography.sounds} />
          </>
        )}
      </div>
    </div>
  );
}

export default async function InstrumentPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const actor = await requireActor();
  const { id } = await params;
  const shop = await loadShop(database());
  const found = /^\d{1,9}$/.test(id) ? await loadInstrument(database(), Number(id)) : null;
  if (!found) notFound();
  const now = new Date();
  const [life, biography] = await Promise.all([
    loadLife(database(), found.id, now),
    loadBiography(database(), found.id, now),
  ]);
  const here = found.visits.some((v) => v.state === 'open');
  return (
    <>
      <PageHead
        title={found.name}
        note={`${found.kindName}${found.year && `, ${found.year}`} · ${found.serial || 'no serial'} · ${found.customer}`}
      >
        {!here && may(actor.role, 'take-in') && (
          <Link
            href={`/desk/take-in?customer=${found.customerId}&instrument=${found.id}`}
            className="button button-main"
          >
            Take it in
          </Link>
        )}
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
      <Body
        id={found.id}
        life={life}
        biography={biography}
        electronics={found.construction.electronics}
        shop={shop}
        role={actor.role}
      />
      <Visits found={found} shop={shop} />
    </>
  );
}
