import { acrossOf, type Construction } from '../../core/instrument/construction.ts';
import { fretAlong } from '../../core/instrument/scales.ts';
import { rowOfString, saddleAlong, type SheetGeometry } from './geometry.ts';

export const ROW = 30;

/** How far across the board, 0 at the bass side and 1 at the treble, the two long edges of its drawing lie. */
export function edgesAcross(
  c: Pick<Construction, 'strings' | 'perCourse' | 'leftHanded'>,
): readonly [number, number] {
  const out = 0.5 / Math.max(1, c.strings.length / c.perCourse - 1);
  return c.leftHanded ? [1 + out, -out] : [-out, 1 + out];
}

/** A strip across the board between two lines that may lie aslant, px. */
export const across = (
  [a, b]: readonly [number, number],
  [from, to]: readonly [number, number],
  top: number,
  bottom: number,
): string => `${a + from},${top} ${a + to},${top} ${b + to},${bottom} ${b + from},${bottom}`;

/** Where a string is played just now. */
export interface Playing {
  /** 1 is the highest */
  readonly string: number;
  /** 0: open */
  readonly fret: number;
}

/** Where a string is held: just behind its fret; open at the nut. */
function Held({
  construction: c,
  geometry: g,
  at: { string, fret },
  y,
}: {
  readonly construction: Construction;
  readonly geometry: SheetGeometry;
  readonly at: Playing;
  readonly y: number;
}) {
  const across = acrossOf(c, c.strings.length - string);
  const x = g.x(fretAlong(c, across, fret)) - (fret === 0 ? 0 : 9);
  return (
    <circle
      cx={x}
      cy={y}
      r={9}
      fill={fret === 0 ? 'var(--paper)' : 'var(--plain)'}
      stroke="var(--plain)"
      strokeWidth={3}
    />
  );
}

/** A string from nut to saddle, with its contact where that was read, and the place that is held. */
function StringLine({
  construction: c,
  geometry: g,
  index: i,
  top,
  isDrawn,
  contact,
  thick,
  playing,
}: {
  readonly construction: Construction;
  readonly geometry: SheetGeometry;
  readonly index: number;
  readonly top: number;
  readonly isDrawn: boolean;
  /** where it leaves the saddle, mm from its front edge; absent where that was not read */
  readonly contact: number | undefined;
  /** of the saddle as it is drawn */
  readonly thick: number;
  readonly playing: Playing | null;
}) {
  const within = c.perCourse === 1 ? 0 : (i % 2 === 0) !== c.leftHanded ? -4 : 4;
  const y = top + rowOfString(c, i) * ROW + ROW / 2 + within;
  const end = g.x(saddleAlong(c, acrossOf(c, i)));
  const leaves = contact === undefined ? end : end - thick / 2 + contact * g.perMm;
  return (
    <g stroke={isDrawn ? 'var(--ink)' : 'var(--plain)'}>
      <line
        x1={g.x(fretAlong(c, acrossOf(c, i), 0))}
        x2={leaves}
        y1={y}
        y2={y}
        strokeWidth={Math.max(1, Math.min(4, (c.strings[i]?.gauge ?? 0) * 2.2))}
      />
      {contact !== undefined && <path d={`M${leaves} ${y - 7} v14`} strokeWidth={3} />}
      {playing?.string === c.strings.length - i && <Held construction={c} geometry={g} at={playing} y={y} />}
    </g>
  );
}

/** The neck from above on the same x: strings by frets, one row a course. */
export function PlanView({
  construction: c,
  geometry: g,
  top,
  drawn,
  contacts,
  saddleThickness,
  playing,
}: {
  readonly construction: Construction;
  readonly geometry: SheetGeometry;
  readonly top: number;
  readonly drawn: number;
  /** where each string leaves the saddle, mm from its front edge, by string number */
  readonly contacts: ReadonlyMap<number, number>;
  readonly saddleThickness: number;
  readonly playing: Playing | null;
}) {
  const rows = c.strings.length / c.perCourse;
  const height = rows * ROW;
  const edges = edgesAcross(c);
  const both = (mm: (at: number) => number): readonly [number, number] => [
    g.x(mm(edges[0])),
    g.x(mm(edges[1])),
  ];
  const fret = (n: number) => both((at) => fretAlong(c, at, n));
  const [nut, last, saddle] = [fret(0), fret(c.frets), both((at) => saddleAlong(c, at))];
  const thick = Math.max(10, saddleThickness * g.perMm);
  return (
    <g>
      <polygon
        points={`${nut[0]},${top} ${last[0] + 10},${top} ${last[1] + 10},${top + height} ${nut[1]},${top + height}`}
        fill="var(--wood)"
        opacity={0.6}
      />
      {Array.from({ length: c.frets }, (_, i) => (
        <line
          key={i}
          x1={fret(i + 1)[0]}
          x2={fret(i + 1)[1]}
          y1={top}
          y2={top + height}
          stroke="var(--fret)"
          strokeWidth={2}
        />
      ))}
      <polygon
        points={across(nut, [-8, 0], top - 2, top + height + 2)}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      <polygon
        points={across(saddle, [-thick / 2, thick / 2], top - 2, top + height + 2)}
        fill="var(--card)"
        stroke="var(--plain)"
        strokeLinejoin="round"
      />
      {c.strings.map((_, i) => (
        <StringLine
          key={i}
          construction={c}
          geometry={g}
          index={i}
          top={top}
          isDrawn={c.strings.length - i === drawn}
          contact={contacts.get(c.strings.length - i)}
          thick={thick}
          playing={playing}
        />
      ))}
    </g>
  );
}
