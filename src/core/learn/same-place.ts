import type { View } from '../instrument/outline.ts';

/** A photo of an instrument, with what of it is on it. */
export interface PlacedPhoto {
  readonly id: number;
  readonly job: number;
  /** ms */
  readonly at: number;
  /** the item of a checklist, `line:3` for a step; null for the whole or a mark */
  readonly item: string | null;
  readonly mark: {
    readonly view: View;
    readonly x: number;
    readonly y: number;
    readonly words: string;
  } | null;
}

/** Photos of one place, the oldest first. */
export interface PhotosOfPlace {
  readonly key: string;
  /** the item, or the words of the newest mark; null for the whole instrument */
  readonly item: string | null;
  readonly words: string | null;
  readonly photos: readonly PlacedPhoto[];
  /** how many visits they are from */
  readonly visits: number;
}

/** Marks of two visits so near on one side are of one place, shares of the drawing. */
const NEAR = 0.06;

const isNear = (a: NonNullable<PlacedPhoto['mark']>, b: NonNullable<PlacedPhoto['mark']>): boolean =>
  a.view === b.view && Math.hypot(a.x - b.x, a.y - b.y) <= NEAR;

/**
 * Photos by the place they show, over all visits: an item of the checklist, a mark on the drawing, the whole. Places seen at several
 * visits come first. Photos of steps are of the work, not of a place, and are left out.
 */
export function photosByPlace(photos: readonly PlacedPhoto[]): readonly PhotosOfPlace[] {
  const places: { readonly first: PlacedPhoto; readonly own: PlacedPhoto[] }[] = [];
  const sorted = photos
    .filter((p) => p.item === null || !p.item.includes(':'))
    .sort((a, b) => a.at - b.at || a.id - b.id);
  for (const p of sorted) {
    const place = places.find(({ first, own }) => {
      if (first.item !== p.item) return false;
      const last = own.at(-1)?.mark ?? null;
      return p.mark === null || last === null ? p.mark === last : isNear(p.mark, last);
    });
    if (place) place.own.push(p);
    else places.push({ first: p, own: [p] });
  }
  return places
    .map(({ first, own }) => ({
      key: `${first.item ?? ''} ${first.id}`,
      item: first.item,
      words: own.at(-1)?.mark?.words ?? null,
      photos: own,
      visits: new Set(own.map((p) => p.job)).size,
    }))
    .sort((a, b) => b.visits - a.visits || (b.photos.at(-1)?.at ?? 0) - (a.photos.at(-1)?.at ?? 0));
}
