import type { ReactNode } from 'react';
import type { Construction } from '../../core/instrument/construction.ts';
import { acrossDrawing, outline, VIEW_NAMES, type View } from '../../core/instrument/outline.ts';

export interface DrawnMark {
  readonly id: number;
  readonly number: number;
  readonly view: View;
  readonly x: number;
  readonly y: number;
  readonly words: string;
}

/** A pin with its number. Sized in the drawing's own units, so that it reads at any size. */
function Pin({
  mark,
  x,
  y,
  size,
}: {
  readonly mark: DrawnMark;
  readonly x: number;
  readonly y: number;
  readonly size: number;
}) {
  return (
    <g data-mark={mark.number}>
      <path
        d={`M${x} ${y}l${-0.7 * size} ${-1.3 * size}a${size} ${size} 0 1 1 ${1.4 * size} 0Z`}
        className="fill-ink stroke-paper"
        strokeWidth={size / 8}
      />
      <text
        x={x}
        y={y - 1.55 * size}
        textAnchor="middle"
        fontSize={1.25 * size}
        className="fill-paper font-semibold"
      >
        {mark.number}
      </text>
    </g>
  );
}

/** One side of the instrument with the marks on it, mirrored for a left-handed one. */
export function InstrumentDrawing({
  construction,
  view,
  marks,
  pin = 7,
  children,
}: {
  readonly construction: Construction;
  readonly view: View;
  readonly marks: readonly DrawnMark[];
  readonly pin?: number;
  readonly children?: ReactNode;
}) {
  const drawn = outline(construction, view);
  const here = marks.filter((m) => m.view === view);
  return (
    <svg
      viewBox={`-8 -8 ${drawn.width + 16} ${drawn.height + 16}`}
      className="h-full w-full"
      role="img"
      aria-label={`${VIEW_NAMES[view]}${here.length === 0 ? ', no damage marked' : `: ${here.map((m) => `${m.number} ${m.words}`).join('; ')}`}`}
    >
      {drawn.shapes.map((d) => (
        <path key={d} d={d} className="fill-card stroke-plain" strokeWidth={1.1} strokeLinejoin="round" />
      ))}
      {drawn.lines.map((d) => (
        <path key={d} d={d} className="fill-none stroke-quiet" strokeWidth={0.7} strokeLinejoin="round" />
      ))}
      {here.map((m) => (
        <Pin
          key={m.id}
          mark={m}
          x={acrossDrawing(m.x, construction.leftHanded) * drawn.width}
          y={m.y * drawn.height}
          size={pin}
        />
      ))}
      {children}
    </svg>
  );
}
