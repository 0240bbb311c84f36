import { memo } from 'react';
import type { Room } from '../../core/whatif/clearance-map.ts';

/** Height of a string's row, px. */
export const ROW = 26;

/** How much room a place has, as a shape: nothing, a slanted stroke, a wedge with the fret it meets, a cross. */
export const Place = memo(function Place({
  room,
  x,
  y,
  width,
  fret,
  share,
}: {
  readonly room: Room;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** the fret it meets; null where that is not known */
  readonly fret: number | null;
  readonly share: number | null;
}) {
  const middle = x + width / 2;
  return (
    <g>
      {share !== null && <title>{`${Math.round(share * 100)} % likely to buzz`}</title>}
      {share !== null && share > 0.005 && (
        <rect
          x={x + 1}
          y={y + 2}
          width={Math.max(1, width - 2)}
          height={ROW - 4}
          fill="var(--rubric)"
          opacity={0.12 + 0.4 * share}
        />
      )}
      {room === 'close' && (
        <path
          d={`M${middle - 5} ${y + ROW - 7} L${middle + 5} ${y + 7}`}
          stroke="var(--plain)"
          strokeWidth={2}
        />
      )}
      {room === 'buzz' && (
        <>
          <path d={`M${middle - 7} ${y + 4} h14 l-7 9 z`} fill="var(--rubric)" />
          {fret !== null && width >= 14 && (
            <text x={middle} y={y + ROW - 3} textAnchor="middle" fontSize={10} fill="var(--rubric)">
              {fret}
            </text>
          )}
        </>
      )}
      {room === 'choked' && (
        <path d={`M${middle - 6} ${y + 6} l12 14 m0 -14 l-12 14`} stroke="var(--rubric)" strokeWidth={3} />
      )}
    </g>
  );
});
