'use client';

import type { ClearanceMap } from '../../core/clearance/clearance.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { roomOf } from '../../core/whatif/clearance-map.ts';
import type { Outcome } from '../../core/whatif/consequences.ts';
import type { Moves } from '../../core/whatif/moves.ts';
import type { NeckModel } from '../../core/whatif/neck-model.ts';
import { alongString, fretAlong, scaleOf } from '../../core/instrument/scales.ts';
import {
  fromNut,
  rowOfString,
  saddleAlong,
  sheetGeometry,
  type SheetGeometry,
} from '../neck-sheet/geometry.ts';
import { edgesAcross } from '../neck-sheet/plan-view.tsx';
import { acrossOf, stringName } from '../../core/instrument/construction.ts';
import { useWidth } from '../kit/use-width.ts';
import { Place, ROW } from './clearance-place.tsx';
import { Grip } from './grip.tsx';
import type { Handle } from './handles.ts';
import { PLANE, SIDE } from './try-measures.ts';

const USUAL_WIDTH = 1180;
const LEAST_WIDTH = 700;

interface Props {
  readonly model: NeckModel;
  readonly now: Outcome;
  readonly tried: Outcome;
  readonly maps: readonly ClearanceMap[];
  /** chance of a buzz by string and held position, where it was worked out */
  readonly chance: readonly ArrayLike<number>[] | null;
  readonly moves: Moves;
  readonly handles: readonly Handle[];
  readonly drawn: number;
  readonly band: { readonly low: number; readonly high: number } | null;
  readonly onDraw: (string: number) => void;
  /** a place was tapped; null: places are not tapped, only strings */
  readonly onPlace: ((string: number, held: number) => void) | null;
  /** the place that is heard */
  readonly heard: { readonly string: number; readonly held: number } | null;
  readonly onMove: (to: Moves, at: string) => void;
  readonly onSettle: () => void;
}

const line = (g: SheetGeometry, m: NeckModel, o: Outcome, i: number): string => {
  const end = scaleOf(m.construction, i) + m.construction.compensation;
  return `M${g.x(0)} ${PLANE - g.rise(o.nut[i] ?? 0)} L${g.x(end)} ${PLANE - g.rise(o.saddle[i] ?? 0)}`;
};

/** A string from above: itself, its places in the colour of their room, the one that is heard. */
function StringAbove({
  above: g,
  index: i,
  y,
  model,
  map,
  chance,
  isDrawn,
  onDraw,
  onPlace,
  heard,
}: Pick<Props, 'model' | 'chance' | 'onDraw' | 'onPlace' | 'heard'> & {
  readonly above: SheetGeometry;
  readonly index: number;
  readonly y: number;
  readonly map: ClearanceMap | undefined;
  readonly isDrawn: boolean;
}) {
  const c = model.construction;
  const xn = (n: number) => g.x(fretAlong(c, acrossOf(c, i), n));
  return (
    <g onClick={() => onDraw(i)} className="cursor-pointer">
      <rect x={0} y={y} width={g.width} height={ROW} fill="transparent" />
      <line
        x1={xn(0)}
        x2={g.x(saddleAlong(c, acrossOf(c, i)))}
        y1={y + ROW / 2}
        y2={y + ROW / 2}
        stroke={isDrawn ? 'var(--ink)' : 'var(--quiet)'}
        strokeWidth={isDrawn ? 2.5 : 1}
      />
      <text x={6} y={y + ROW / 2 + 4} fontSize={13} fill="var(--plain)" fontWeight={isDrawn ? 700 : 400}>
        {stringName(c, c.strings.length - i)} {(c.strings[i]?.note ?? '').replace(/\d+$/, '')}
      </text>
      {map &&
        Array.from(map.margin, (margin, held) => (
          <Place
            key={held}
            room={roomOf(margin, map.still[held] ?? 0)}
            x={held === 0 ? xn(0) - 26 : xn(held - 1)}
            y={y}
            width={held === 0 ? 24 : xn(held) - xn(held - 1)}
            fret={map.fret[held] ?? 0}
            share={chance ? (chance[i]?.[held] ?? 0) : null}
          />
        ))}
      {heard?.string === i && (
        <circle
          cx={heard.held === 0 ? xn(0) - 14 : xn(heard.held) - 8}
          cy={y + ROW / 2}
          r={8}
          fill="none"
          stroke="var(--plain)"
          strokeWidth={3}
        />
      )}
      {onPlace &&
        Array.from({ length: c.frets }, (_, held) => (
          <rect
            key={held}
            x={held === 0 ? xn(0) - 26 : xn(held - 1)}
            y={y}
            width={held === 0 ? 24 : xn(held) - xn(held - 1)}
            height={ROW}
            fill="transparent"
            onClick={() => onPlace(i, held)}
          />
        ))}
    </g>
  );
}

type Point = readonly [x: number, y: number];

/** A fret from above, with its number where there is room. */
function FretAbove({
  fret,
  from: [x1, y1],
  to: [x2, y2],
}: {
  readonly fret: number;
  readonly from: Point;
  readonly to: Point;
}) {
  return (
    <g>
      <line x1={x1} x2={x2} y1={y1} y2={y2} stroke="var(--fret)" strokeWidth={2} />
      {(fret <= 12 || fret % 2 === 1) && (
        <text x={x2} y={y2 + 15} fontSize={12} textAnchor="middle" fill="var(--quiet)">
          {fret}
        </text>
      )}
    </g>
  );
}

/** The strings from above, each place in the colour of its room. */
function FromAbove({
  above: g,
  top: planTop,
  frets,
  model,
  maps,
  chance,
  drawn,
  onDraw,
  onPlace,
  heard,
}: Pick<Props, 'model' | 'maps' | 'chance' | 'drawn' | 'onDraw' | 'onPlace' | 'heard'> & {
  readonly above: SheetGeometry;
  readonly top: number;
  readonly frets: readonly number[];
}) {
  const c = model.construction;
  const rows = c.strings.length;
  const bottom = planTop + rows * ROW;
  const [up, down] = edgesAcross({ ...c, perCourse: 1 });
  const at = (across: number, n: number) => g.x(fretAlong(c, across, n));
  return (
    <>
      <polygon
        points={`${at(up, 0)},${planTop} ${at(up, c.frets) + 8},${planTop} ${at(down, c.frets) + 8},${bottom} ${at(down, 0)},${bottom}`}
        fill="var(--wood)"
        opacity={0.55}
      />
      {frets.map((n) => (
        <FretAbove key={n} fret={n} from={[at(up, n), planTop]} to={[at(down, n), bottom]} />
      ))}
      {c.strings.map((_, i) => (
        <StringAbove
          key={i}
          above={g}
          index={i}
          y={planTop + rowOfString({ ...c, perCourse: 1 }, i) * ROW}
          model={model}
          map={maps[i]}
          chance={chance}
          isDrawn={i === drawn}
          onDraw={onDraw}
          onPlace={onPlace}
          heard={heard}
        />
      ))}
    </>
  );
}

/** The drawn string over its own neck: as it was read, and as it is tried. */
function FromTheSide({
  g,
  frets,
  model,
  now,
  tried,
  drawn,
  band,
}: Pick<Props, 'model' | 'now' | 'tried' | 'drawn' | 'band'> & {
  readonly g: SheetGeometry;
  readonly frets: readonly number[];
}) {
  const c = model.construction;
  const { scale } = alongString(c, drawn);
  const xn = (n: number) => g.x(fretPosition(scale, n));
  const end = scale + c.compensation;
  const top = (o: Outcome, n: number) => PLANE - g.rise(o.tops[n] ?? 0);
  const surface = (n: number) => PLANE + 20 - g.rise((tried.tops[n] ?? 0) - (model.tops[n] ?? 0));
  const board = `M${g.x(0)} ${PLANE + 20} ${frets.map((n) => `L${xn(n)} ${surface(n)}`).join(' ')} V${PLANE + 46} H${g.x(0)} Z`;
  const x12 = fretPosition(c.scale, 12);
  const y12 = (height: number) => PLANE - g.rise(height + (tried.tops[12] ?? 0));
  return (
    <>
      <path d={board} fill="var(--wood)" stroke="var(--plain)" />
      {band && (
        <path
          d={`M${g.x(x12) - 9} ${y12(band.low)} V${y12(band.high)} h18 V${y12(band.low)} z`}
          fill="var(--wood)"
          stroke="var(--plain)"
          strokeDasharray="3 3"
        />
      )}
      {frets.map((n) => (
        <path
          key={n}
          d={`M${xn(n) - 3} ${surface(n)} Q${xn(n)} ${2 * top(tried, n) - surface(n)} ${xn(n) + 3} ${surface(n)} Z`}
          fill="var(--fret)"
        />
      ))}
      <rect
        x={g.x(end) - 6}
        y={PLANE - g.rise(tried.saddle[drawn] ?? 0)}
        width={12}
        height={g.rise(tried.saddle[drawn] ?? 0) + 34}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      <rect
        x={g.x(0) - 9}
        y={PLANE - g.rise(tried.nut[drawn] ?? 0)}
        width={9}
        height={g.rise(tried.nut[drawn] ?? 0) + 30}
        fill="var(--card)"
        stroke="var(--plain)"
      />
      <path
        d={line(g, model, now, drawn)}
        stroke="var(--ink)"
        strokeWidth={1.5}
        strokeDasharray="3 4"
        fill="none"
      />
      <path d={line(g, model, tried, drawn)} stroke="var(--plain)" strokeWidth={2.5} fill="none" />
      <text
        x={g.x(end * 0.8)}
        y={
          PLANE - g.rise((now.nut[drawn] ?? 0) + ((now.saddle[drawn] ?? 0) - (now.nut[drawn] ?? 0)) * 0.8) - 5
        }
        fontSize={12}
        fill="var(--ink)"
      >
        as read
      </text>
    </>
  );
}

/** The neck with everything that can be tried on it: from the side with its handles, from above with its clearance. */
export function TryDrawing(props: Props) {
  const { model, now, tried, moves, handles, drawn, onMove, onSettle } = props;
  const c = model.construction;
  const { ref, width } = useWidth(USUAL_WIDTH, LEAST_WIDTH);
  const tallest = Math.max(4, ...now.saddle, ...tried.saddle);
  const above = sheetGeometry({ ...c, perCourse: 1 }, width, tallest);
  // From the side it is the drawn string's own neck.
  const own = alongString(c, drawn);
  const g = fromNut(above, c, drawn);
  const end = own.scale + c.compensation;
  const frets = Array.from({ length: c.frets }, (_, i) => i + 1);
  const planTop = SIDE + 6;
  const rows = c.strings.length;
  return (
    <div ref={ref} className="overflow-x-auto">
      <svg
        width={width}
        height={planTop + rows * ROW + 26}
        role="group"
        aria-label={`Neck from the side with what can be tried on it, heights enlarged ${g.enlarged} times, and from above with its clearance`}
      >
        <FromTheSide g={g} frets={frets} {...props} />
        <FromAbove above={above} top={planTop} frets={frets} {...props} />
        {handles.map((h) => (
          <Grip
            key={h.id}
            handle={h}
            end={end}
            g={g}
            o={tried}
            moves={moves}
            onMove={onMove}
            onSettle={onSettle}
          />
        ))}
      </svg>
    </div>
  );
}
