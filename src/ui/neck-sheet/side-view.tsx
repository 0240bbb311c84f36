import type { Construction } from '../../core/instrument/construction.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { lineOf, readTop, type Measured, type SheetGeometry } from './geometry.ts';

export interface SheetLine {
  readonly name: string;
  readonly measured: Measured;
  /** `left` is the round in hand, `truth` the simulated one; the others lie over it */
  readonly tone: 'found' | 'planned' | 'after' | 'left' | 'truth';
}

interface Props {
  readonly construction: Construction;
  readonly geometry: SheetGeometry;
  readonly top: number;
  readonly height: number;
  readonly lines: readonly SheetLine[];
  /** action band at the 12th for the string drawn, mm */
  readonly band: { readonly low: number; readonly aim: number; readonly high: number } | null;
  /** how the board is bent: the readings of the round that is drawn */
  readonly bend: Measured;
  readonly saddleThickness: number;
  readonly reliefRed: boolean;
  readonly actionRed: boolean;
  /** whether every line has its name, along it; else only those laid over the round in hand */
  readonly named?: boolean;
}

/** Each line has its own dash and its name at its own place along it. */
const DASHES = {
  found: '3 4',
  planned: '10 4 2 4',
  after: '14 5',
  left: undefined,
  truth: undefined,
} as const;
const LABEL_AT = { found: 0.8, planned: 0.62, after: 0.71, left: 0.9, truth: 0.9 } as const;
const FRET_PX = 24;
const UNDER = 44;

function Band({
  construction: c,
  geometry: g,
  plane,
  band,
  nutGap,
}: {
  construction: Construction;
  geometry: SheetGeometry;
  plane: number;
  band: NonNullable<Props['band']>;
  nutGap: number | null;
}) {
  const at = (action: number) => lineOf(c, { relief: 0, action, nutGap }) ?? { nut: 0, saddle: 0 };
  const [low, aim, high] = [at(band.low), at(band.aim), at(band.high)];
  const [x0, x1] = [g.x(0), g.x(c.scale + c.compensation)];
  const y = (h: number) => plane - g.rise(h);
  return (
    <g>
      <polygon
        points={`${x0},${y(low.nut)} ${x1},${y(low.saddle)} ${x1},${y(high.saddle)} ${x0},${y(high.nut)}`}
        fill="url(#target-hatch)"
      />
      <line
        x1={x0}
        y1={y(aim.nut)}
        x2={x1}
        y2={y(aim.saddle)}
        stroke="var(--plain)"
        strokeDasharray="9 5"
        strokeWidth={1.5}
      />
    </g>
  );
}

/** The neck from the side, to scale along the string and enlarged in height: board, frets, string lines, target band. */
export function SideView({
  construction: c,
  geometry: g,
  top,
  height,
  lines,
  band,
  bend,
  saddleThickness,
  reliefRed,
  actionRed,
  named = false,
}: Props) {
  const plane = top + height - UNDER - FRET_PX;
  const board = plane + FRET_PX;
  const length = c.scale + c.compensation;
  const xn = (n: number) => g.x(fretPosition(c.scale, n));
  const dip = (n: number) => -g.rise(readTop(c, bend, n));
  const relief = bend.relief ?? 0;
  const thick = Math.max(12, saddleThickness * g.perMm);
  const foot = Math.max(34, 14 * g.perMm);
  const frets = Array.from({ length: c.frets }, (_, i) => i + 1);
  const end = xn(c.frets) + 10;
  // A high fret stands up; the board under it does not.
  const bow = (n: number) => -g.rise(readTop(c, { ...bend, tops: new Map() }, n));
  const surface = frets.map((n) => `L${xn(n)} ${board + bow(n)}`).join(' ');
  const joint = xn(c.bodyFret);
  const main = [...lines].reverse().find((l) => lineOf(c, l.measured) !== null) ?? lines.at(-1);
  const shown = main ? lineOf(c, main.measured) : null;
  const saddleTop = plane - g.rise(shown?.saddle ?? 4);
  const y12 = plane + dip(12);
  const action = main?.measured.action ?? null;
  return (
    <g>
      <path
        d={`M${g.x(0)} ${board} ${surface} L${end} ${board} V${board + 32} H${joint} V${board + 20} L${g.x(0)} ${board + 12} Z`}
        fill="var(--wood)"
        stroke="var(--plain)"
      />
      <path
        d={`M${end} ${board + 12} H${g.width - 8} V${board + 30} H${end} Z`}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      {band && (
        <Band
          construction={c}
          geometry={g}
          plane={plane}
          band={band}
          nutGap={main?.measured.nutGap ?? null}
        />
      )}
      <line x1={g.x(0)} x2={g.x(length)} y1={plane} y2={plane} stroke="var(--quiet)" strokeDasharray="1 5" />
      {frets.map((n) => (
        <path
          key={n}
          d={`M${xn(n) - 3.5} ${board + bow(n)} Q${xn(n)} ${plane + 2 * dip(n) - bow(n) - 16} ${xn(n) + 3.5} ${board + bow(n)} Z`}
          fill="var(--fret)"
        />
      ))}
      <rect
        x={g.x(0) - 11}
        y={plane - g.rise(shown?.nut ?? 0.2)}
        width={11}
        height={board + 16 - plane + g.rise(shown?.nut ?? 0.2)}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      <path
        d={`M${g.x(length) - foot} ${board + 12} v-14 q0 -8 8 -8 h${foot * 2 - 16} q8 0 8 8 v14 z`}
        fill="var(--wood)"
        stroke="var(--plain)"
      />
      <rect
        x={g.x(length) - thick / 2}
        y={saddleTop}
        width={thick}
        height={board + 6 - saddleTop}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      {lines.map((l) => {
        const line = lineOf(c, l.measured);
        if (!line) return null;
        const [y0, y1] = [plane - g.rise(line.nut), plane - g.rise(line.saddle)];
        const found = l.tone !== 'left' && l.tone !== 'truth' && lines.length > 1;
        const at = LABEL_AT[l.tone];
        const slope = (Math.atan2(y1 - y0, g.x(length) - g.x(0)) * 180) / Math.PI;
        const [lx, ly] = [g.x(length * at), plane - g.rise(line.nut + (line.saddle - line.nut) * at)];
        const ink = l.tone === 'planned' || l.tone === 'truth' ? 'var(--plain)' : 'var(--ink)';
        return (
          <g
            key={l.name}
            stroke={ink}
            strokeWidth={found ? 1.5 : 2.5}
            strokeDasharray={found ? DASHES[l.tone] : undefined}
            fill="none"
          >
            <path
              d={`M${g.x(0) - 42} ${y0 + 14} L${g.x(0)} ${y0} L${g.x(length)} ${y1} L${g.x(length) + 26} ${board + 2}`}
            />
            {(found || named) && (
              <text
                x={lx}
                y={ly + (found ? -6 : 15)}
                transform={named ? `rotate(${slope.toFixed(2)} ${lx} ${ly})` : undefined}
                stroke="none"
                fill={ink}
                fontSize={12}
              >
                {l.name}
              </text>
            )}
          </g>
        );
      })}
      {relief !== 0 && (
        <path
          d={`M${xn(7) - 5} ${plane} h10 m-5 0 V${plane + dip(7)} m-5 0 h10`}
          stroke={reliefRed ? 'var(--rubric)' : 'var(--plain)'}
          strokeWidth={2}
        />
      )}
      {action !== null && (
        <path
          d={`M${xn(12) - 5} ${y12} h10 m-5 0 V${y12 - g.rise(action)} m-5 0 h10`}
          stroke={actionRed ? 'var(--rubric)' : 'var(--plain)'}
          strokeWidth={2}
          fill="none"
        />
      )}
      {frets
        .filter(
          (n) =>
            n === c.bodyFret || ([1, 3, 5, 7, 9, 12, 15, 17, 19].includes(n) && Math.abs(n - c.bodyFret) > 1),
        )
        .map((n) => (
          <text key={n} x={xn(n)} y={board + UNDER + 8} textAnchor="middle" fontSize={13} fill="var(--quiet)">
            {n}
          </text>
        ))}
    </g>
  );
}
