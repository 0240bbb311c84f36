/** A value at a moment, ms since the epoch. */
export interface At {
  readonly at: number;
  readonly value: number;
}

/** How something goes up and down over a year. */
export interface Season {
  readonly mean: number;
  readonly cos: number;
  readonly sin: number;
  /** what single values lie off it, one standard deviation */
  readonly sd: number;
  /** how likely so much would be seen where there is no season at all */
  readonly byChance: number;
}

const YEAR_MS = 365.2425 * 86_400_000;
const angle = (at: number): number => (2 * Math.PI * at) / YEAR_MS;

/** Less than one in twenty: more likely than that by chance is no season. */
const CHANCE = 0.04;
const FEWEST_POINTS = 6;
const FEWEST_STEPS = 5;
/** What nobody read for more than half a year is not told by the other half. */
const WIDEST_GAP = 0.52 * 2 * Math.PI;

/** Whether moments are spread over the year, so that none of it is only guessed. */
function coversTheYear(times: readonly number[]): boolean {
  const turn = 2 * Math.PI;
  const phases = times.map((at) => ((angle(at) % turn) + turn) % turn).sort((a, b) => a - b);
  return phases.every((p, i) => (phases[i + 1] ?? (phases[0] ?? 0) + turn) - p <= WIDEST_GAP);
}

/** Solves small normal equations by elimination; null where they say nothing. */
function solve(rows: readonly (readonly number[])[]): number[] | null {
  const m = rows.map((r) => [...r]);
  for (let i = 0; i < m.length; i++) {
    const pivot = m.findIndex(
      (r, k) => k >= i && Math.abs(r[i] ?? 0) === Math.max(...m.slice(i).map((x) => Math.abs(x[i] ?? 0))),
    );
    [m[i], m[pivot]] = [m[pivot] ?? [], m[i] ?? []];
    const p = m[i]?.[i] ?? 0;
    if (Math.abs(p) < 1e-9) return null;
    for (let r = 0; r < m.length; r++) {
      if (r === i) continue;
      const f = (m[r]?.[i] ?? 0) / p;
      m[r] = (m[r] ?? []).map((x, c) => x - f * (m[i]?.[c] ?? 0));
    }
  }
  return m.map((r, i) => (r.at(-1) ?? 0) / (r[i] ?? 1));
}

/** Least squares of values on some terms each. */
function fit(terms: readonly (readonly number[])[], values: readonly number[]): number[] | null {
  const n = terms[0]?.length ?? 0;
  return solve(
    Array.from({ length: n }, (_, i) => [
      ...Array.from({ length: n }, (_2, j) => terms.reduce((s, t) => s + (t[i] ?? 0) * (t[j] ?? 0), 0)),
      terms.reduce((s, t, k) => s + (t[i] ?? 0) * (values[k] ?? 0), 0),
    ]),
  );
}

const squares = (of: readonly number[]): number => of.reduce((s, x) => s + x * x, 0);

/** How likely two more terms explain so much by chance: F with two and `free` degrees of freedom. */
const byChance = (without: number, withThem: number, free: number): number =>
  withThem <= 0 ? 0 : (1 + Math.max(0, without - withThem) / withThem) ** (-free / 2);

/** The season of values that are read over years; null where they are too few or all of one time of the year. */
export function seasonOf(points: readonly At[]): Season | null {
  if (points.length < FEWEST_POINTS || !coversTheYear(points.map((p) => p.at))) return null;
  const values = points.map((p) => p.value);
  const terms = points.map(({ at }) => [1, Math.cos(angle(at)), Math.sin(angle(at))]);
  const found = fit(terms, values);
  if (!found) return null;
  const [mean = 0, cos = 0, sin = 0] = found;
  const off = squares(
    values.map((v, k) => v - mean - cos * (terms[k]?.[1] ?? 0) - sin * (terms[k]?.[2] ?? 0)),
  );
  const middle = values.reduce((a, b) => a + b, 0) / values.length;
  const free = points.length - 3;
  return {
    mean,
    cos,
    sin,
    sd: Math.sqrt(off / free),
    byChance: byChance(squares(values.map((v) => v - middle)), off, free),
  };
}

/** What moved between two moments while nobody touched it. */
export interface Drift {
  readonly from: number;
  readonly to: number;
  readonly by: number;
}

/**
 * The season of something that is set anew at every visit, from what it moved between them: each is what the year did from one
 * moment to the other. Its mean is nothing that could be known so.
 */
export function seasonOfDrifts(drifts: readonly Drift[]): Season | null {
  if (drifts.length < FEWEST_STEPS) return null;
  const values = drifts.map((d) => d.by);
  const terms = drifts.map(({ from, to }) => [
    Math.cos(angle(to)) - Math.cos(angle(from)),
    Math.sin(angle(to)) - Math.sin(angle(from)),
  ]);
  const found = fit(terms, values);
  if (!found) return null;
  const [cos = 0, sin = 0] = found;
  const off = squares(values.map((v, k) => v - cos * (terms[k]?.[0] ?? 0) - sin * (terms[k]?.[1] ?? 0)));
  const free = drifts.length - 2;
  return { mean: 0, cos, sin, sd: Math.sqrt(off / free), byChance: byChance(squares(values), off, free) };
}

/** Whether it is one: so much would hardly be seen by chance. */
export const isSeason = (s: Season | null): s is Season => s !== null && s.byChance < CHANCE;

/** What a season says for a moment. */
export const atMoment = ({ mean, cos, sin }: Season, at: number): number =>
  mean + cos * Math.cos(angle(at)) + sin * Math.sin(angle(at));
