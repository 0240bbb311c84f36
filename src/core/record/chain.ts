import { canonicalJson, type Json } from './canonical.ts';

/** A sealed record of a job, oldest first: its text, the digest it was sealed with, and the digest the text names as the one before. */
export interface ChainedSeal {
  readonly record: string;
  readonly digest: string;
  /** what the text gives since names were withdrawn from it; absent or null where it is as it was sealed */
  readonly kept?: string | null;
}

/** Where a chain of seals does not hold: the place (0 is the oldest) and why. */
export interface BrokenLink {
  readonly at: number;
  readonly why: 'text' | 'chain';
}

/** The digest a sealed record names as the one before it; null for the first, or where it is no record. */
export function previousOf(record: string): string | null {
  try {
    const read = JSON.parse(record) as { readonly previous?: unknown };
    return typeof read.previous === 'string' ? read.previous : null;
  } catch {
    return null;
  }
}

/**
 * Where a job's seals do not hold together: a text that no longer gives its digest, or one that does not name the digest
 * before it. A change to any earlier seal shows at that seal, and if its digest was changed with it, at the next.
 * @param digest SHA-256 of a text, in hex
 */
export function brokenLinks(seals: readonly ChainedSeal[], digest: (text: string) => string): BrokenLink[] {
  return seals.flatMap((s, at) => {
    const broken: BrokenLink[] = [];
    if (digest(s.record) !== (s.kept ?? s.digest)) broken.push({ at, why: 'text' });
    if (previousOf(s.record) !== (at === 0 ? null : (seals[at - 1]?.digest ?? null)))
      broken.push({ at, why: 'chain' });
    return broken;
  });
}

/** The parts of two records that differ, by name. */
export const differing = (
  then: Readonly<Record<string, Json>>,
  now: Readonly<Record<string, Json>>,
): string[] =>
  Object.keys({ ...then, ...now }).filter(
    (k) => canonicalJson(then[k] ?? null) !== canonicalJson(now[k] ?? null),
  );
