/** A finding that wanted work at a visit, by instrument. */
export interface FoundAtVisit {
  readonly instrument: number;
  readonly job: number;
  /** when the visit was taken in, ms */
  readonly at: number;
  /** the item of the checklist */
  readonly item: string;
}

/** How often what was found at an item was found again within a year. */
export interface CameBack {
  readonly item: string;
  /** findings whose year is over, or that came back sooner */
  readonly found: number;
  readonly again: number;
}

const YEAR = 365 * 86_400_000;

/**
 * Of the findings that wanted work, how many wanted it again at the same instrument within a year. A finding whose year is not over and
 * that has not come back says nothing yet.
 * @param now ms
 */
export function cameBack(findings: readonly FoundAtVisit[], now: number): readonly CameBack[] {
  const places = new Map<string, FoundAtVisit[]>();
  for (const f of findings) {
    const key = `${f.instrument} ${f.item}`;
    places.set(key, [...(places.get(key) ?? []), f]);
  }
  const items = new Map<string, { found: number; again: number }>();
  for (const own of places.values()) {
    const sorted = [...own].sort((a, b) => a.at - b.at);
    for (const [i, f] of sorted.entries()) {
      const next = sorted.slice(i + 1).find((g) => g.job !== f.job);
      const again = next !== undefined && next.at - f.at <= YEAR;
      if (!again && now - f.at <= YEAR) continue;
      const so = items.get(f.item) ?? { found: 0, again: 0 };
      items.set(f.item, { found: so.found + 1, again: so.again + (again ? 1 : 0) });
    }
  }
  return [...items]
    .map(([item, n]) => ({ item, ...n }))
    .sort((a, b) => b.again / b.found - a.again / a.found || b.found - a.found);
}
