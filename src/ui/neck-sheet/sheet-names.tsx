import type { LeafJob } from '../job/leaf-props.ts';
import { rowOfString } from './geometry.ts';
import { ROW } from './plan-view.tsx';
import type { Placed } from './sheet-layout.ts';

/** The number of each fret over its column of the fret map, and what its rows are. */
export function FretNames({ cells, top }: { readonly cells: readonly Placed[]; readonly top: number }) {
  return (
    <>
      {cells
        .filter((cell) => cell.top === top)
        .map((cell) => (
          <span
            key={cell.station.fret}
            aria-hidden
            className="absolute text-center text-xs text-quiet"
            style={{ left: cell.left, top: top - 16, width: cell.width }}
          >
            {cell.station.fret}
          </span>
        ))}
      {['bass', 'middle', 'treble', 'rocks by'].map((name, i) => (
        <span
          key={name}
          aria-hidden
          className="absolute flex items-center text-sm text-quiet"
          style={{ left: 0, top: top + i * ROW, height: ROW }}
        >
          {name}
        </span>
      ))}
    </>
  );
}

/** The number and note of each course, at the left of its row. */
export function RowNames({
  construction: c,
  top,
}: {
  readonly construction: LeafJob['instrument']['construction'];
  readonly top: number;
}) {
  const rows = c.strings.length / c.perCourse;
  return c.strings.map((s, i) =>
    i % c.perCourse === 0 ? (
      <span
        key={i}
        className="absolute flex w-[46px] items-center text-sm text-quiet"
        style={{ left: 0, top: top + rowOfString(c, i) * ROW, height: ROW }}
      >
        {rows - i / c.perCourse} {s.note.replace(/\d$/, '')}
      </span>
    ) : null,
  );
}
