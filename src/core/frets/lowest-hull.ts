/** A place on the fret tops: along the neck, across it, and its height. */
export interface Place {
  readonly x: number;
  readonly z: number;
  readonly top: number;
}

/** A plane a + b·x + c·z. */
export interface Plane {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

const ROWS = 3;
const ZERO = 1e-11;
const MOST_PIVOTS = 5000;

/** A column of the tableau is a place (its weight in the average) or, at the end, one of three artificial ones. */
interface Tableau {
  readonly rows: Float64Array[];
  readonly basis: number[];
  readonly columns: number;
}

function pivot(t: Tableau, row: number, column: number): void {
  const chosen = t.rows[row] ?? new Float64Array();
  const by = chosen[column] ?? 1;
  for (let j = 0; j <= t.columns; j++) chosen[j] = (chosen[j] ?? 0) / by;
  for (const [i, other] of t.rows.entries()) {
    const factor = other[column] ?? 0;
    if (i === row || factor === 0) continue;
    for (let j = 0; j <= t.columns; j++) other[j] = (other[j] ?? 0) - factor * (chosen[j] ?? 0);
  }
  t.basis[row] = column;
}

/** The first column that lowers the cost (Bland's rule: it cannot cycle), or −1 when none does. */
function entering(t: Tableau, cost: (column: number) => number, allowed: number): number {
  for (let j = 0; j < allowed; j++) {
    let reduced = cost(j);
    for (let i = 0; i < ROWS; i++) reduced -= cost(t.basis[i] ?? 0) * (t.rows[i]?.[j] ?? 0);
    if (reduced < -ZERO) return j;
  }
  return -1;
}

function leaving(t: Tableau, column: number): number {
  let [best, least] = [-1, Infinity];
  for (let i = 0; i < ROWS; i++) {
    const at = t.rows[i]?.[column] ?? 0;
    if (at <= ZERO) continue;
    const ratio = (t.rows[i]?.[t.columns] ?? 0) / at;
    const earlier = ratio === least && (t.basis[i] ?? 0) < (t.basis[best] ?? Infinity);
    if (ratio < least || earlier) [best, least] = [i, ratio];
  }
  return best;
}

function minimise(t: Tableau, cost: (column: number) => number, allowed: number): void {
  for (let i = 0; i < MOST_PIVOTS; i++) {
    const column = entering(t, cost, allowed);
    if (column < 0) return;
    const row = leaving(t, column);
    if (row < 0) return;
    pivot(t, row, column);
  }
  throw new Error('the levelling programme did not end');
}

/**
 * The plane under all places that stands as high as possible on average: the exact optimum of the linear programme
 * “maximise Σ(a + b·x + c·z) with a + b·x + c·z ≤ top everywhere”. Solved in its dual, the lowest weighted mean of tops
 * whose weighted place is the middle of all, by the two-phase simplex method with Bland's rule.
 * @param places at least one
 */
export function highestPlaneUnder(places: readonly Place[]): Plane {
  const xs = places.map((p) => p.x);
  const [from, span] = [Math.min(...xs), Math.max(...xs) - Math.min(...xs) || 1];
  const n = places.length;
  const scaled = places.map((p) => [1, (p.x - from) / span, p.z + 1] as const);
  const middle = [0, 1, 2].map((k) => scaled.reduce((s, p) => s + (p[k] ?? 0), 0) / n);
  const columns = n + ROWS;
  const rows = [0, 1, 2].map((k) => {
    const row = new Float64Array(columns + 1);
    for (const [j, p] of scaled.entries()) row[j] = p[k] ?? 0;
    row[n + k] = 1;
    row[columns] = middle[k] ?? 0;
    return row;
  });
  const t: Tableau = { rows, basis: [n, n + 1, n + 2], columns };
  minimise(t, (j) => (j < n ? 0 : 1), n);
  const cost = (j: number) => (j < n ? (places[j]?.top ?? 0) : 0);
  minimise(t, cost, n);
  // The multipliers of the three rows are the plane's coefficients in the scaled coordinates.
  const [a = 0, b = 0, c = 0] = [0, 1, 2].map((k) =>
    t.basis.reduce((s, column, i) => s + cost(column) * (t.rows[i]?.[n + k] ?? 0), 0),
  );
  const plane = { a: a - (b * from) / span + c, b: b / span, c };
  const over = Math.max(0, ...places.map((p) => planeAt(plane, p) - p.top));
  return { ...plane, a: plane.a - over };
}

/** Height of a plane at a place. */
export const planeAt = (plane: Plane, at: { readonly x: number; readonly z: number }): number =>
  plane.a + plane.b * at.x + plane.c * at.z;
