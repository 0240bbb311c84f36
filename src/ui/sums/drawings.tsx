import { fretPosition } from '../../core/neck/fret-position.ts';
import type { Say } from '../../core/sums/sum.ts';
import { placeLabels } from '../neck-sheet/geometry.ts';

const WIDTH = 460;
const HEIGHT = 200;
const EDGE = 34;
const BARS = 105;
const LARGEST = 20;
const MARK_ROWS = 3;
const TALLEST = 110;
const BOARD = 152;
/** The height a name takes, and where its letters stand in it. */
const NAME = 13;
const LETTERS = 10;
/** Frets whose numbers stand under the board; the ones between would touch. */
const NUMBERED = new Set([1, 2, 3, 4, 5, 6, 7, 8, 10, 12, 14, 17, 20, 24]);

/** A string over the neck: heights over the fret plane at nut and saddle, mm. */
export interface NeckString {
  readonly name: string;
  readonly nut: number;
  readonly saddle: number;
  readonly dashed?: boolean;
}

/** A fret from the side, with its number where there is room. */
function FretLine({ fret, x, y }: { readonly fret: number; readonly x: number; readonly y: number }) {
  return (
    <g>
      <line x1={x} x2={x} y1={y} y2={y + 8} stroke="var(--fret)" strokeWidth={2} />
      {NUMBERED.has(fret) && (
        <text x={x} y={BOARD + 34} fontSize={11} textAnchor="middle" fill="var(--quiet)">
          {fret}
        </text>
      )}
    </g>
  );
}

type Point = readonly [x: number, y: number];

/** A string from nut to saddle. */
function StringOver({
  string: s,
  from,
  to,
}: {
  readonly string: NeckString;
  readonly from: Point;
  readonly to: Point;
}) {
  return (
    <line
      x1={from[0]}
      y1={from[1]}
      x2={to[0]}
      y2={to[1]}
      stroke="var(--plain)"
      strokeWidth={1.6}
      {...(s.dashed && { strokeDasharray: '5 4' })}
    />
  );
}

/** A string's name at its saddle, over whatever lines end there. */
function StringName({ name, y }: { readonly name: string; readonly y: number }) {
  return (
    <text
      x={WIDTH - 4}
      y={y}
      fontSize={12}
      textAnchor="end"
      fill="var(--plain)"
      stroke="var(--card)"
      strokeWidth={3}
      paintOrder="stroke"
    >
      {name}
    </text>
  );
}

/** The neck from the side: frets at their places, strings over them, heights enlarged. */
export function NeckLine({
  scale,
  compensation,
  frets,
  strings,
  tops,
  marks = [],
}: {
  readonly scale: number;
  readonly compensation: number;
  readonly frets: number;
  readonly strings: readonly NeckString[];
  readonly tops?: (fret: number) => number;
  readonly marks?: ReadonlyArray<{ readonly fret: number; readonly words: string }>;
}) {
  const length = scale + compensation;
  const perMm = (WIDTH - 2 * EDGE) / length;
  const tallest = Math.max(0.5, ...strings.flatMap((s) => [s.nut, s.saddle]));
  const times = Math.max(1, Math.min(LARGEST, Math.floor(TALLEST / (tallest * perMm))));
  const x = (mm: number) => EDGE + mm * perMm;
  const y = (mm: number) => BOARD - mm * perMm * times;
  const top = tops ?? (() => 0);
  const [line] = strings;
  const heightAt = (fret: number) =>
    line ? line.nut + ((line.saddle - line.nut) * fretPosition(scale, fret)) / length : 0;
  const numbers = Array.from({ length: frets }, (_, i) => i + 1);
  const names = placeLabels(
    strings.map((s) => y(s.saddle) - NAME / 2),
    NAME,
    0,
    BOARD,
  );
  return (
    <svg
      role="img"
      aria-label="The neck from the side"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full border border-line bg-card"
    >
      <path
        d={`M${x(0)},${BOARD + 6} ${numbers.map((n) => `L${x(fretPosition(scale, n))},${y(top(n)) + 6}`).join(' ')} V${BOARD + 22} H${x(0)} Z`}
        fill="var(--wood)"
      />
      {numbers.map((n) => (
        <FretLine key={n} fret={n} x={x(fretPosition(scale, n))} y={y(top(n))} />
      ))}
      {strings.map((s) => (
        <StringOver key={s.name} string={s} from={[x(0), y(s.nut)]} to={[x(length), y(s.saddle)]} />
      ))}
      {strings.map((s, i) => (
        <StringName key={s.name} name={s.name} y={(names[i] ?? 0) + LETTERS} />
      ))}
      {marks.map((m, i) => (
        <text
          key={m.fret}
          x={x(fretPosition(scale, m.fret))}
          y={y(heightAt(m.fret)) - 8 - (i % MARK_ROWS) * 14}
          fontSize={12}
          textAnchor="middle"
          fill="var(--plain)"
        >
          {m.words}
        </text>
      ))}
      <text x={WIDTH - 6} y={HEIGHT - 6} fontSize={12} textAnchor="end" fill="var(--quiet)">
        height drawn × {times}
      </text>
    </svg>
  );
}

/** How much comes off each fret at bass, middle and treble; darker is more. */
export function FretMap({
  scale,
  frets,
  say,
}: {
  readonly scale: number;
  readonly frets: ReadonlyArray<{
    readonly fret: number;
    readonly removal: Readonly<Record<'bass' | 'middle' | 'treble', number>>;
  }>;
  readonly say: Say;
}) {
  const most = Math.max(1e-9, ...frets.flatMap((f) => Object.values(f.removal)));
  const last = fretPosition(scale, Math.max(...frets.map((f) => f.fret)));
  const x = (fret: number) => 60 + (fretPosition(scale, fret) / last) * (WIDTH - 90);
  const rows = ['bass', 'middle', 'treble'] as const;
  return (
    <svg
      role="img"
      aria-label="What comes off each fret"
      viewBox={`0 0 ${WIDTH} 150`}
      className="w-full border border-line bg-card"
    >
      {rows.map((r, i) => (
        <text key={r} x={6} y={42 + i * 34} fontSize={11} fill="var(--quiet)">
          {r}
        </text>
      ))}
      {frets.map((f) => (
        <g key={f.fret}>
          <text x={x(f.fret)} y={14} fontSize={11} textAnchor="middle" fill="var(--quiet)">
            {f.fret}
          </text>
          {rows.map((r, i) => (
            <rect
              key={r}
              x={x(f.fret) - 5}
              y={22 + i * 34}
              width={10}
              height={32}
              fill="var(--plain)"
              fillOpacity={0.06 + 0.94 * (f.removal[r] / most)}
              stroke="var(--fret)"
            >
              <title>{`fret ${f.fret}, ${r}: ${say.length(f.removal[r])} off`}</title>
            </rect>
          ))}
        </g>
      ))}
      <text x={60} y={142} fontSize={12} fill="var(--quiet)">
        black: {say.length(most)} off, pale: none
      </text>
    </svg>
  );
}

interface Cell {
  readonly held: number;
  readonly fret: number;
  readonly margin: number;
}

/** The margin at every held position, with the tightest fret over each bar; below the line it buzzes. */
export function ClearanceBars({ cells, say }: { readonly cells: readonly Cell[]; readonly say: Say }) {
  const high = Math.max(0, ...cells.map((c) => c.margin));
  const low = Math.min(0, ...cells.map((c) => c.margin));
  const most = Math.max(high, -low, 1e-6);
  const per = BARS / Math.max(high - low, 1e-6);
  const base = 40 + high * per;
  const step = (WIDTH - 50) / cells.length;
  return (
    <svg
      role="img"
      aria-label="Clearance at every held position"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full border border-line bg-card"
    >
      {cells.map((c, i) => {
        const at = 40 + i * step;
        const tall = Math.abs(c.margin) * per;
        const buzzes = c.margin < 0;
        return (
          <g key={c.held}>
            <rect
              x={at}
              y={buzzes ? base : base - tall}
              width={step * 0.7}
              height={tall}
              fill={buzzes ? 'var(--rubric)' : 'var(--plain)'}
            >
              <title>{`held at ${c.held}: ${say.length(c.margin)} over fret ${c.fret}`}</title>
            </rect>
            <text
              x={at + step * 0.35}
              y={buzzes ? base - 4 : base - tall - 4}
              fontSize={11}
              textAnchor="middle"
              fill={buzzes ? 'var(--rubric)' : 'var(--plain)'}
            >
              {buzzes ? `◆${c.fret}` : c.fret}
            </text>
            <text x={at + step * 0.35} y={HEIGHT - 18} fontSize={11} textAnchor="middle" fill="var(--quiet)">
              {c.held === 0 ? 'open' : c.held}
            </text>
          </g>
        );
      })}
      <line x1={34} x2={WIDTH - 6} y1={base} y2={base} stroke="var(--plain)" />
      <text x={4} y={12} fontSize={12} fill="var(--quiet)">
        margin by held position; over each bar the tightest fret, ◆ buzzes
      </text>
      <text x={40} y={HEIGHT - 4} fontSize={11} fill="var(--quiet)">
        longest bar {say.length(most)}
      </text>
    </svg>
  );
}

/** Pitch errors by fret: rings before, dots after. */
export function CentsDots({
  before,
  after,
}: {
  readonly before: ReadonlyArray<{ readonly fret: number; readonly cents: number }>;
  readonly after: ReadonlyArray<{ readonly fret: number; readonly cents: number }>;
}) {
  const all = [...before, ...after];
  const most = Math.max(2, ...all.map((p) => Math.abs(p.cents)));
  const last = Math.max(12, ...all.map((p) => p.fret));
  const x = (fret: number) => 46 + (fret / last) * (WIDTH - 70);
  const y = (cents: number) => 85 - (cents / most) * 60;
  return (
    <svg
      role="img"
      aria-label="Pitch errors by fret"
      viewBox={`0 0 ${WIDTH} 175`}
      className="w-full border border-line bg-card"
    >
      <line x1={40} x2={WIDTH - 10} y1={y(0)} y2={y(0)} stroke="var(--plain)" />
      {[most, -most].map((c) => (
        <text key={c} x={4} y={y(c) + 4} fontSize={12} fill="var(--quiet)">
          {`${c > 0 ? '+' : '\u2212'}${Math.abs(c).toFixed(1)} c`}
        </text>
      ))}
      {before.map((p) => (
        <circle
          key={`b${p.fret}`}
          cx={x(p.fret)}
          cy={y(p.cents)}
          r={5}
          fill="none"
          stroke="var(--plain)"
          strokeWidth={1.5}
        />
      ))}
      {after.map((p) => (
        <g key={`a${p.fret}`}>
          <circle cx={x(p.fret)} cy={y(p.cents)} r={4} fill="var(--plain)" />
          <text x={x(p.fret)} y={165} fontSize={12} textAnchor="middle" fill="var(--quiet)">
            {p.fret}
          </text>
        </g>
      ))}
      {before.length > 0 && (
        <text x={46} y={14} fontSize={12} fill="var(--quiet)">
          ring: now, dot: after
        </text>
      )}
    </svg>
  );
}
