import type { Construction } from '../../core/instrument/construction.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { rowOfString, type SheetGeometry } from './geometry.ts';

export const ROW = 30;

/** The neck from above on the same x: strings by frets, one row a course. */
export function PlanView({
  construction: c,
  geometry: g,
  top,
  drawn,
  contacts,
  saddleThickness,
}: {
  readonly construction: Construction;
  readonly geometry: SheetGeometry;
  readonly top: number;
  readonly drawn: number;
  /** where each string leaves the saddle, mm from its front edge, by string number */
  readonly contacts: ReadonlyMap<number, number>;
  readonly saddleThickness: number;
}) {
  const rows = c.strings.length / c.perCourse;
  const height = rows * ROW;
  const xn = (n: number) => g.x(fretPosition(c.scale, n));
  const saddle = g.x(c.scale + c.compensation);
  const thick = Math.max(10, saddleThickness * g.perMm);
  return (
    <g>
      <rect
        x={g.x(0)}
        y={top}
        width={xn(c.frets) + 10 - g.x(0)}
        height={height}
        fill="var(--wood)"
        opacity={0.6}
      />
      {Array.from({ length: c.frets }, (_, i) => (
        <line
          key={i}
          x1={xn(i + 1)}
          x2={xn(i + 1)}
          y1={top}
          y2={top + height}
          stroke="var(--fret)"
          strokeWidth={2}
        />
      ))}
      <rect
        x={g.x(0) - 8}
        y={top - 2}
        width={8}
        height={height + 4}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      <rect
        x={saddle - thick / 2}
        y={top - 2}
        width={thick}
        height={height + 4}
        rx={4}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      {c.strings.map((s, i) => {
        const row = rowOfString(c, i);
        const within = c.perCourse === 1 ? 0 : (i % 2 === 0) !== c.leftHanded ? -4 : 4;
        const y = top + row * ROW + ROW / 2 + within;
        const isDrawn = c.strings.length - i === drawn;
        const contact = contacts.get(c.strings.length - i);
        const leaves = contact === undefined ? saddle : saddle - thick / 2 + contact * g.perMm;
        return (
          <g key={i} stroke={isDrawn ? 'var(--ink)' : 'var(--plain)'}>
            <line
              x1={g.x(0)}
              x2={leaves}
              y1={y}
              y2={y}
              strokeWidth={Math.max(1, Math.min(4, s.gauge * 2.2))}
            />
            {contact !== undefined && <path d={`M${leaves} ${y - 7} v14`} strokeWidth={3} />}
          </g>
        );
      })}
    </g>
  );
}
