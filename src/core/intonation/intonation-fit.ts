import { fail, ok, type Result } from '../result.ts';
import { fretPosition } from '../neck/fret-position.ts';
import type { Cents, Mm } from '../units/unit-types.ts';

/** A pitch error in cents at a fret, with the weight it is given (1 when not said). */
export interface PitchReading {
  readonly fret: number;
  readonly cents: Cents;
  readonly weight?: number | undefined;
}

export interface IntonationFit {
  /** mm away from the nut */
  readonly saddleMove: Mm;
  /** mm toward the saddle */
  readonly nutMove: Mm;
  /** how far one cent of error in every reading would shift the nut's contact, mm; 0 where the nut stays */
  readonly nutSpread: Mm;
  readonly residuals: ReadonlyArray<{
    readonly fret: number;
    readonly before: Cents;
    readonly after: Cents;
  }>;
  readonly rmsBefore: Cents;
  readonly rmsAfter: Cents;
}

const CENTS = 1200 / Math.LN2;
const ROUNDS = 60;
const STILL_MM = 1e-10;
/** A cent of reading error may not shift the nut by more than this, mm: beyond it the readings tell nothing. */
const NUT_SPREAD_MM = 0.3;

/**
 * The error left at a fret after saddle move m and nut move u:
 * e_n + 1200·log2[((x_s + m − u)/(x_s − x_n + m))·((x_s − x_n)/x_s)].
 */
export function errorAfter(xs: Mm, xn: Mm, cents: Cents, m: Mm, u: Mm): Cents {
  return cents + CENTS * Math.log(((xs + m - u) / (xs - xn + m)) * ((xs - xn) / xs));
}

interface Row {
  readonly xn: Mm;
  readonly cents: Cents;
  readonly weight: number;
}

const cost = (rows: readonly Row[], xs: Mm, m: Mm, u: Mm): number =>
  rows.reduce((s, r) => s + r.weight * errorAfter(xs, r.xn, r.cents, m, u) ** 2, 0);

interface Normal {
  readonly mm: number;
  readonly mu: number;
  readonly uu: number;
  readonly gm: number;
  readonly gu: number;
}

function normalEquations(rows: readonly Row[], xs: Mm, m: Mm, u: Mm): Normal {
  const n = { mm: 0, mu: 0, uu: 0, gm: 0, gu: 0 };
  const du = -CENTS / (xs + m - u);
  for (const r of rows) {
    const dm = CENTS / (xs + m - u) - CENTS / (xs - r.xn + m);
    const e = errorAfter(xs, r.xn, r.cents, m, u);
    n.mm += r.weight * dm * dm;
    n.mu += r.weight * dm * du;
    n.uu += r.weight * du * du;
    n.gm += r.weight * dm * e;
    n.gu += r.weight * du * e;
  }
  return n;
}

/** One damped step; with `nut` off only the saddle moves. */
function step(n: Normal, damping: number, nut: boolean): readonly [number, number] {
  const a = n.mm * (1 + damping);
  if (!nut) return [-n.gm / a, 0];
  const d = n.uu * (1 + damping);
  const det = a * d - n.mu * n.mu;
  return [(-n.gm * d + n.gu * n.mu) / det, (-n.gu * a + n.gm * n.mu) / det];
}

function solve(rows: readonly Row[], xs: Mm, nut: boolean): readonly [number, number] {
  let [m, u] = [0, 0];
  let now = cost(rows, xs, m, u);
  let damping = 1e-6;
  const shortest = Math.min(...rows.map((r) => xs - r.xn));
  for (let i = 0; i < ROUNDS; i++) {
    const [dm, du] = step(normalEquations(rows, xs, m, u), damping, nut);
    const inside = m + dm > -shortest / 2 && Math.abs(u + du) < xs / 2;
    const next = inside ? cost(rows, xs, m + dm, u + du) : Infinity;
    if (next <= now) {
      [m, u, now, damping] = [m + dm, u + du, next, damping / 10];
      if (Math.abs(dm) + Math.abs(du) < STILL_MM) break;
    } else damping = Math.max(damping, 1e-9) * 20;
  }
  return [m, u];
}

/**
 * How far an error of one cent in each reading, each by itself, would shift the nut's contact, mm (1 sd of the least-squares
 * answer). What the readings weigh together does not count, only how they weigh against each other.
 */
export function nutSpread(scale: Mm, readings: readonly PitchReading[], compensation: Mm = 0): Mm {
  const xs = scale + compensation;
  const rows = toRows(scale, readings);
  const n = normalEquations(rows, xs, 0, 0);
  const det = n.mm * n.uu - n.mu * n.mu;
  if (det <= 1e-12 * n.mm * n.uu) return Infinity;
  const du = -CENTS / xs;
  const shifts = rows.map((r) => {
    const dm = CENTS / xs - CENTS / (xs - r.xn);
    return (r.weight * (n.mm * du - n.mu * dm)) / det;
  });
  return Math.hypot(...shifts);
}

const toRows = (scale: Mm, readings: readonly PitchReading[]): Row[] =>
  readings.map((r) => ({ xn: fretPosition(scale, r.fret), cents: r.cents, weight: r.weight ?? 1 }));

/**
 * The saddle move, and with `nut` the nut move too, that leave the least squared pitch error: damped Gauss–Newton on
 * the exact expression.
 * @param scale mm
 * @param readings cents at frets, sharp positive
 * @param nut solve the nut's contact too
 * @returns moves in mm and what is left in cents; `cannot-tell` when the frets read cannot tell nut from saddle
 * @example 648 mm, one reading of +10 cents at the 12th → saddleMove 3.75
 */
export function intonationFit(
  scale: Mm,
  readings: readonly PitchReading[],
  nut: boolean,
  compensation: Mm = 0,
): Result<IntonationFit, { readonly code: 'cannot-tell'; readonly message: string }> {
  const xs = scale + compensation;
  const rows = toRows(scale, readings);
  const weight = rows.reduce((s, r) => s + r.weight, 0);
  const spread = nut && weight > 0 ? nutSpread(scale, readings, compensation) : 0;
  if (weight <= 0 || spread > NUT_SPREAD_MM) {
    const message =
      weight <= 0
        ? 'No reading has any weight.'
        : `These frets cannot tell the nut from the saddle: one cent of error would shift the nut by ${spread === Infinity ? 'any amount' : `${spread.toFixed(2)} mm`}. Read low frets (1 to 5) and the 12th.`;
    return fail({ code: 'cannot-tell', message });
  }
  const [saddleMove, nutMove] = solve(rows, xs, nut);
  return ok({
    saddleMove,
    nutMove,
    nutSpread: spread,
    residuals: readings.map((r, i) => ({
      fret: r.fret,
      before: r.cents,
      after: errorAfter(xs, rows[i]?.xn ?? 0, r.cents, saddleMove, nutMove),
    })),
    rmsBefore: Math.sqrt(cost(rows, xs, 0, 0) / weight),
    rmsAfter: Math.sqrt(cost(rows, xs, saddleMove, nutMove) / weight),
  });
}
