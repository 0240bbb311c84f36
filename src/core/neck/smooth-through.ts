interface At {
  readonly x: number;
  readonly y: number;
}

/** Slopes at the points: none at a turn, else the harmonic mean of both sides, so that nothing swings over what was read. */
function slopesOf(points: readonly At[]): readonly number[] {
  const steep = points.slice(1).map((p, i) => {
    const a = points[i] ?? p;
    return (p.y - a.y) / (p.x - a.x);
  });
  return points.map((_, i) => {
    const [left, right] = [steep[i - 1], steep[i]];
    if (left === undefined || right === undefined) return left ?? right ?? 0;
    return left * right <= 0 ? 0 : (2 * left * right) / (left + right);
  });
}

/**
 * A smooth line through points, which stays between neighbours (Fritsch and Carlson, 1980); level before the first and after the last.
 * @param points in order of x, no two at one; where two are the first is taken
 * @example smoothThrough([{ x: 0, y: 0 }, { x: 1, y: 2 }])(0.5) → 1
 */
export function smoothThrough(points: readonly At[]): (x: number) => number {
  const own = points.filter((p, i) => i === 0 || p.x > (points[i - 1]?.x ?? -Infinity));
  const slopes = slopesOf(own);
  const [first, last] = [own[0], own.at(-1)];
  return (x) => {
    if (!first || !last) return 0;
    if (x <= first.x) return first.y;
    const i = own.findIndex((p) => p.x >= x);
    const [a, b] = [own[i - 1], own[i]];
    if (!a || !b) return last.y;
    const width = b.x - a.x;
    const t = (x - a.x) / width;
    const [m, n] = [(slopes[i - 1] ?? 0) * width, (slopes[i] ?? 0) * width];
    return (
      a.y * (1 + 2 * t) * (1 - t) ** 2 +
      m * t * (1 - t) ** 2 +
      b.y * t * t * (3 - 2 * t) +
      n * t * t * (t - 1)
    );
  };
}
