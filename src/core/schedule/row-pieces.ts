import type { Board } from './board.ts';

/** Everybody's free time in pieces that nothing cuts, one person's after the other's. Worked minutes are each person's own. */
export interface FreePieces {
  /** the moment a piece begins */
  readonly from: Float64Array;
  /** what the person has worked when it begins, and when it ends */
  readonly begin: Float64Array;
  readonly end: Float64Array;
  /** what they have worked when something that stands is next in the way of what may go on over nights */
  readonly until: Float64Array;
  /** the first piece of each person, and in the end the number of pieces */
  readonly first: Int32Array;
}

/** What is free of everybody's time on a board. */
export function freePieces(b: Board): FreePieces {
  const pieces: { from: number; begin: number; end: number; until: number }[] = [];
  const first = new Int32Array(b.calendars.length + 1);
  b.calendars.forEach((c, w) => {
    const gaps = b.people[w] ?? { from: [], to: [] };
    gaps.from.forEach((gap, g) => {
      const until = Math.min(gaps.to[g] ?? 0, c.total);
      c.from.forEach((moment, i) => {
        const before = c.before[i] ?? 0;
        const begin = Math.max(before, gap);
        const end = Math.min(before + (c.to[i] ?? 0) - moment, until);
        if (end > begin) pieces.push({ from: moment + begin - before, begin, end, until });
      });
    });
    first[w + 1] = pieces.length;
  });
  const all = (of: 'from' | 'begin' | 'end' | 'until'): Float64Array =>
    Float64Array.from(pieces, (piece) => piece[of]);
  return { from: all('from'), begin: all('begin'), end: all('end'), until: all('until'), first };
}

/** The piece somebody is in, or the next one, after so many minutes of work. */
export function pieceAfter({ end, first }: FreePieces, person: number, worked: number): number {
  let low = first[person] as number;
  let high = first[person + 1] as number;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((end[middle] as number) <= worked) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** When minutes begin and end that somebody works on end after what they have worked. */
export function momentsOf(
  free: FreePieces,
  person: number,
  worked: number,
  minutes: number,
): { readonly start: number; readonly end: number } {
  const { from, begin, end } = free;
  const first = pieceAfter(free, person, worked);
  let last = first;
  while ((end[last] as number) < worked + minutes) last++;
  return {
    start: (from[first] as number) + worked - (begin[first] as number),
    end: (from[last] as number) + worked + minutes - (begin[last] as number),
  };
}
