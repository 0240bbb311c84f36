'use client';

import type { Construction } from '../../core/instrument/construction.ts';
import { measuredNeck } from '../../core/neck/measured-neck.ts';
import type { NeckProfile } from '../../core/neck/neck-profile.ts';
import type { InstrumentRounds } from '../../server/shelf/load-rounds.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { sayValue } from '../../core/targets/say-values.ts';
import { drawShapes, type DrawnShape } from './neck-shape-layout.ts';
import { Sideways } from '../kit/sideways.tsx';

type Round = InstrumentRounds['rounds'][number];

const SIZE = { width: 1180, height: 240 };
const FOUND = 'stroke-quiet [stroke-dasharray:5_4]';
const LATER = 'stroke-ink';

/** A side's line with its places: bass round, treble square. */
function Line({ shape, className }: { readonly shape: DrawnShape; readonly className: string }) {
  return (
    <g>
      <polyline
        points={shape.points.map((p) => `${p.x},${p.y}`).join(' ')}
        className={`fill-none ${className}`}
        strokeWidth={2}
      />
      {shape.points.map((p) =>
        shape.side === 'bass' ? (
          <circle key={p.fret} cx={p.x} cy={p.y} r={4} className={`fill-card ${className}`} strokeWidth={2} />
        ) : (
          <rect
            key={p.fret}
            x={p.x - 4}
            y={p.y - 4}
            width={8}
            height={8}
            className={`fill-card ${className}`}
            strokeWidth={2}
          />
        ),
      )}
    </g>
  );
}

/** The parts a neck's shape is told by. */
const PARTS = [
  { name: 'Bow', of: (p: NeckProfile) => p.relief },
  { name: 'Hump', of: (p: NeckProfile) => p.hump },
  { name: 'Rise at the far end', of: (p: NeckProfile) => p.rise },
  { name: 'Twist, bass over treble', of: (p: NeckProfile) => p.twist },
] as const;

function Numbers({
  a,
  b,
  names,
  displayUnit,
}: {
  readonly a: NeckProfile | null;
  readonly b: NeckProfile | null;
  readonly names: readonly [string, string];
  readonly displayUnit: DisplayUnit;
}) {
  const say = (v: number | null) => (v === null ? '–' : sayValue(v, 'relief', displayUnit));
  return (
    <table className="text-left text-sm">
      <thead>
        <tr className="border-b-2 border-plain">
          {['', ...names, 'Moved by'].map((h) => (
            <th key={h} scope="col" className="pr-6">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {PARTS.map(({ name, of }) => {
          const [x, y] = [a && of(a), b && of(b)];
          return (
            <tr key={name} className="border-b border-line">
              <th scope="row" className="pr-6 font-normal">
                {name}
              </th>
              <td className="pr-6">{say(x)}</td>
              <td className="pr-6">{say(y)}</td>
              <td className="font-semibold">{x === null || y === null ? '' : say(y - x)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The neck as two rounds measured it, fret by fret under a straightedge or a held string, laid over each other. */
export function NeckShapes({
  construction,
  a,
  b,
  displayUnit,
}: {
  readonly construction: Construction;
  readonly a: Round;
  readonly b: Round;
  readonly displayUnit: DisplayUnit;
}) {
  const [first, second] = [measuredNeck(construction, a.readings), measuredNeck(construction, b.readings)];
  if (!first && !second) return null;
  const d = drawShapes(construction.scale, first, second, SIZE);
  const missing = !first ? a.name : !second ? b.name : null;
  return (
    <section aria-labelledby="neck-shapes">
      <h2 id="neck-shapes" className="text-xl">
        The measured neck
      </h2>
      <Sideways label="The measured neck">
        <svg
          viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
          className="w-full min-w-[720px] border border-line bg-card"
          role="img"
          aria-label={`Fret tops under the line, ${a.name} dashed, ${b.name} drawn through, heights enlarged ${d.enlarged} times; the table has the numbers.`}
        >
          <line x1={0} x2={SIZE.width} y1={d.line} y2={d.line} className="stroke-plain" strokeWidth={1} />
          {d.frets.map((f) => (
            <text
              key={f.fret}
              x={f.x}
              y={SIZE.height - 8}
              textAnchor="middle"
              fontSize={14}
              className="fill-quiet"
            >
              {f.fret}
            </text>
          ))}
          {d.a.map((s) => (
            <Line key={`a ${s.side}`} shape={s} className={FOUND} />
          ))}
          {d.b.map((s) => (
            <Line key={`b ${s.side}`} shape={s} className={LATER} />
          ))}
        </svg>
      </Sideways>
      <p className="text-sm text-quiet">
        The line is the straightedge; ○ bass side, □ treble side; dashed {a.name}, drawn through {b.name}.
        {missing !== null && ` ${missing} did not measure it.`}
      </p>
      <Numbers a={first} b={second} names={[a.name, b.name]} displayUnit={displayUnit} />
    </section>
  );
}
