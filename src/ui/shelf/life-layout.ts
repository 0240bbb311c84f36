/** A point of a life: when (ms since the epoch), what, and whether it was found or left. */
export interface LifePoint {
  readonly at: number;
  readonly value: number;
  readonly job: number;
  readonly left: boolean;
}

/** A value to come, with what is open on both sides. */
export interface LifeAhead {
  readonly at: number;
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** A band of the picture: one quantity over all visits. */
export interface LifeBand {
  readonly name: string;
  readonly points: readonly LifePoint[];
  readonly ahead: LifeAhead | null;
  /** what went on between the points, as a thin line behind them */
  readonly behind?: readonly Pick<LifePoint, 'at' | 'value'>[];
  /** how a value is said at the side */
  readonly say: (value: number) => string;
}

export interface LaidPoint {
  readonly x: number;
  readonly y: number;
  readonly left: boolean;
}

/** A band as it is drawn. */
export interface LaidBand {
  readonly name: string;
  readonly top: number;
  readonly height: number;
  readonly points: readonly LaidPoint[];
  /** the points of the thin line behind, as a polyline has them */
  readonly behind: string;
  /** what was done at a visit: from its first to its last point */
  readonly done: readonly (readonly [LaidPoint, LaidPoint])[];
  /** what moved by itself from one visit to the next */
  readonly between: readonly (readonly [LaidPoint, LaidPoint])[];
  readonly ahead: {
    readonly x: number;
    readonly y: number;
    readonly low: number;
    readonly high: number;
  } | null;
  /** said at its side, highest first */
  readonly ticks: readonly { readonly y: number; readonly says: string }[];
}

/** A visit as it is marked under the bands. */
export interface LaidVisit {
  readonly job: number;
  readonly x: number;
  /** whether its number has room beside its neighbour's */
  readonly named: boolean;
}

export interface LaidLife {
  readonly bands: readonly LaidBand[];
  readonly visits: readonly LaidVisit[];
  readonly years: readonly { readonly year: number; readonly x: number }[];
  readonly height: number;
}

export const LIFE_WIDTH = 760;
const LEFT = 64;
const RIGHT = 16;
const GAP = 22;
const HEIGHTS = [150, 110, 80] as const;
const SMALLEST = 80;
const FOOT = 40;
const NAME_WIDTH = 34;
/** Room over and under what was read, as a part of its span. */
const ROOM = 0.12;

function span(values: readonly number[]): readonly [number, number] {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const room = Math.max(ROOM * (high - low), 0.02 * Math.max(Math.abs(high), Math.abs(low), 1e-6));
  return [low - room, high + room];
}

/** Lays the bands of a life under each other over one time: nothing collides, whatever was read when. */
export function layLife(bands: readonly LifeBand[]): LaidLife {
  const all = bands.filter((b) => b.points.length > 0);
  const times = all.flatMap((b) => [...b.points.map((p) => p.at), ...(b.ahead ? [b.ahead.at] : [])]);
  const [from, to] = times.length === 0 ? [0, 1] : [Math.min(...times), Math.max(...times)];
  const x = (at: number): number =>
    LEFT + ((LIFE_WIDTH - LEFT - RIGHT) * (at - from)) / Math.max(1, to - from);
  let top = GAP;
  const laid = all.map((band, i): LaidBand => {
    const height = HEIGHTS[i] ?? SMALLEST;
    const [own, begin] = [band, top];
    top += height + GAP;
    const trace = (own.behind ?? []).filter((p) => p.at >= from && p.at <= to);
    const values = [
      ...[...own.points, ...trace].map((p) => p.value),
      ...(own.ahead ? [own.ahead.low, own.ahead.high] : []),
    ];
    const [low, high] = span(values);
    const y = (value: number): number => begin + (height * (high - value)) / (high - low);
    const points = own.points.map((p) => ({ ...p, x: x(p.at), y: y(p.value) }));
    const pairs = points.slice(1).map((p, k) => [points[k] ?? p, p] as const);
    const [least, most] = [
      Math.min(...own.points.map((p) => p.value)),
      Math.max(...own.points.map((p) => p.value)),
    ];
    return {
      name: own.name,
      top: begin,
      height,
      points,
      behind: trace.map((p) => `${x(p.at).toFixed(1)},${y(p.value).toFixed(1)}`).join(' '),
      done: pairs.filter(([a, b]) => a.job === b.job),
      between: pairs.filter(([a, b]) => a.job !== b.job),
      ahead: own.ahead && {
        x: x(own.ahead.at),
        y: y(own.ahead.value),
        low: y(own.ahead.low),
        high: y(own.ahead.high),
      },
      ticks: [...new Set([most, least])].map((v) => ({ y: y(v), says: own.say(v) })),
    };
  });
  return { bands: laid, visits: visitsOf(all, x), years: yearsOf(from, to, x), height: top + FOOT };
}

function visitsOf(bands: readonly LifeBand[], x: (at: number) => number): readonly LaidVisit[] {
  const firsts = new Map<number, number>();
  for (const p of bands.flatMap((b) => b.points))
    firsts.set(p.job, Math.min(firsts.get(p.job) ?? Infinity, p.at));
  let free = -Infinity;
  return [...firsts]
    .sort((a, b) => a[1] - b[1])
    .map(([job, at]) => {
      const named = x(at) >= free;
      if (named) free = x(at) + NAME_WIDTH;
      return { job, x: x(at), named };
    });
}

function yearsOf(from: number, to: number, x: (at: number) => number): LaidLife['years'] {
  const [first, last] = [new Date(from).getUTCFullYear() + 1, new Date(to).getUTCFullYear()];
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => ({
    year: first + i,
    x: x(Date.UTC(first + i, 0, 1)),
  }));
}
