import type { Biography } from '../../server/shelf/load-biography.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

type Place = Biography['places'][number];

function PlaceRow({ place }: { readonly place: Place }) {
  return (
    <li className="border-b border-line py-2">
      <h3>
        {place.title}{' '}
        <span className="text-sm text-quiet">
          {place.visits > 1 ? `over ${place.visits} visits` : 'one visit'}
        </span>
      </h3>
      <ul className="flex gap-2 overflow-x-auto" aria-label={`Photos: ${place.title}`} tabIndex={0}>
        {place.photos.map((p, i) => (
          <li key={p.id} className="shrink-0">
            <a href={`/api/photo/${p.id}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/photo/${p.id}?size=small`}
                alt={`${place.title}, photo ${i + 1}, ${sayDate(dayOf(p.at))}`}
                className="h-36 w-auto min-w-36 border border-line object-cover"
              />
            </a>
            <p className="text-sm text-quiet">
              {sayDate(dayOf(p.at))},{' '}
              <Link href={`/job/${p.job}/arrival`} className="underline">
                {p.job}
              </Link>
            </p>
          </li>
        ))}
      </ul>
    </li>
  );
}

/** Photos of the same place side by side over the years. */
export function PhotosOfPlaces({ places }: { readonly places: readonly Place[] }) {
  if (places.length === 0) return null;
  return (
    <section aria-labelledby="photos-over-years">
      <h2 id="photos-over-years" className="text-xl">
        The same place over the years
      </h2>
      <ul>
        {places.map((p) => (
          <PlaceRow key={p.key} place={p} />
        ))}
      </ul>
    </section>
  );
}
