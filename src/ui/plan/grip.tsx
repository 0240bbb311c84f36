import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Outcome } from '../../core/whatif/consequences.ts';
import type { Moves } from '../../core/whatif/moves.ts';
import type { SheetGeometry } from '../neck-sheet/geometry.ts';
import { within, type Handle } from './handles.ts';
import { PLANE, SIDE } from './try-measures.ts';

/** By how many of its steps a key moves a handle. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 10,
  PageDown: -10,
};

interface Props {
  readonly handle: Handle;
  /** where the strings end, mm */
  readonly end: number;
  readonly g: SheetGeometry;
  readonly o: Outcome;
  readonly moves: Moves;
  readonly onMove: (to: Moves, at: string) => void;
  readonly onSettle: () => void;
}

/** A handle as it is dragged and moved by keys. */
function useGrip({ handle: h, g, moves, onMove, onSettle }: Props) {
  const from = useRef<{ readonly at: number; readonly value: number } | null>(null);
  const value = h.get(moves);
  const move = (to: number) => onMove(h.set(moves, within(h, to)), h.id);
  const key = (e: KeyboardEvent) => {
    const steps = STEPS[e.key];
    if (steps === undefined && e.key !== 'Home') return;
    e.preventDefault();
    move(e.key === 'Home' ? 0 : value + (steps ?? 0) * h.step);
  };
  const place = (e: PointerEvent) => (h.along ? e.clientX : -e.clientY);
  const scale = h.along ? g.perMm : g.perMm * g.enlarged;
  return {
    value,
    hold: {
      onKeyDown: key,
      onBlur: onSettle,
      onPointerDown: (e: PointerEvent) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        from.current = { at: place(e), value };
      },
      onPointerMove: (e: PointerEvent) =>
        void (from.current && move(from.current.value + (place(e) - from.current.at) / scale)),
      onPointerUp: () => {
        from.current = null;
        onSettle();
      },
    },
  };
}

/** A thing one can take hold of: a ring on the drawing, dragged, or moved by arrow keys. */
export function Grip(props: Props) {
  const { handle: h, end, g, o } = props;
  const { value, hold } = useGrip(props);
  const spot = h.at(o);
  const [x, y] = [g.x(spot.x), Math.min(SIDE - 10, Math.max(12, PLANE - g.rise(spot.height)))];
  const atEnd = spot.x > end - 20;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={h.label}
      aria-valuemin={h.least}
      aria-valuemax={h.most}
      aria-valuenow={value}
      aria-valuetext={`${value.toFixed(2)} mm`}
      className={h.along ? 'cursor-ew-resize' : 'cursor-ns-resize'}
      style={{ touchAction: 'none' }}
      {...hold}
    >
      <circle cx={x} cy={y} r={22} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={8}
        fill="var(--card)"
        stroke="var(--plain)"
        strokeWidth={value === 0 ? 1.5 : 3.5}
      />
      <path d={h.along ? `M${x - 4} ${y} h8` : `M${x} ${y - 4} v8`} stroke="var(--plain)" strokeWidth={1.5} />
      <text
        x={atEnd ? x + 13 : x}
        y={atEnd ? y + 4 : y - 12}
        textAnchor={atEnd ? 'start' : 'middle'}
        fontSize={12}
        fill="var(--plain)"
      >
        {h.short}
      </text>
      <title>{h.label}</title>
    </g>
  );
}
