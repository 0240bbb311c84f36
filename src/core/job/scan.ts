/** What a scanner read: a tag's job, a place, or nothing known. */
export type Scanned =
  | { readonly kind: 'job'; readonly number: number }
  | { readonly kind: 'place'; readonly id: number; readonly name: string }
  | { readonly kind: 'unknown'; readonly text: string };

/**
 * Reads what a scanner typed: the address or the number on a tag, or the name of a place.
 * @example readScan('https://shop.example/job/412', []) → { kind: 'job', number: 412 }; readScan('b2', [{ id: 6, name: 'B2' }]) → { kind: 'place', id: 6 }
 */
export function readScan(
  text: string,
  places: readonly { readonly id: number; readonly name: string }[],
): Scanned {
  const plain = text.trim();
  const place = places.find((p) => p.name.toLowerCase() === plain.toLowerCase());
  if (place) return { kind: 'place', id: place.id, name: place.name };
  const number = /(?:^|\/job\/)(\d{1,9})(?:\/[a-z-]*)?$/.exec(plain)?.[1];
  return number === undefined ? { kind: 'unknown', text: plain } : { kind: 'job', number: Number(number) };
}
