'use client';

import { useRef, useState } from 'react';
import type { Construction } from '../../core/instrument/construction.ts';
import { acrossDrawing, outline, VIEW_NAMES, type View } from '../../core/instrument/outline.ts';
import { InstrumentDrawing, type DrawnMark } from './instrument-drawing.tsx';

const STEP = 0.02;
const within = (n: number): number => Math.min(1, Math.max(0, n));

interface Place {
  readonly x: number;
  readonly y: number;
}

const MOVES: Readonly<Record<string, Place>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** A tap or the keys put a mark; the cross that the keys move. */
function useMarking(drawn: { readonly width: number; readonly height: number }, put: (place: Place) => void) {
  const frame = useRef<HTMLDivElement>(null);
  const [cross, setCross] = useState<Place | null>(null);
  const tapped = (e: React.MouseEvent) => {
    const svg = frame.current?.querySelector('svg');
    const matrix = svg?.getScreenCTM()?.inverse();
    if (!svg || !matrix) return;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix);
    const place = { x: p.x / drawn.width, y: p.y / drawn.height };
    if (place.x >= 0 && place.x <= 1 && place.y >= 0 && place.y <= 1) put(place);
  };
  const typed = (e: React.KeyboardEvent) => {
    const move = MOVES[e.key];
    if (move) {
      e.preventDefault();
      const from = cross ?? { x: 0.5, y: 0.5 };
      const step = e.shiftKey ? 5 * STEP : STEP;
      setCross({ x: within(from.x + move.x * step), y: within(from.y + move.y * step) });
    } else if (e.key === 'Enter' && cross) {
      e.preventDefault();
      put(cross);
    }
  };
  return { frame, cross, setCross, tapped, typed };
}

/** The large drawing one marks damage on: a tap puts a mark there, or arrows move a cross and Enter puts it. */
export function Marking({
  construction,
  view,
  marks,
  busy,
  onMark,
}: {
  readonly construction: Construction;
  readonly view: View;
  readonly marks: readonly DrawnMark[];
  readonly busy: boolean;
  readonly onMark: (x: number, y: number) => void;
}) {
  const drawn = outline(construction, view);
  const { frame, cross, setCross, tapped, typed } = useMarking(drawn, ({ x, y }) => {
    if (!busy) onMark(acrossDrawing(x, construction.leftHanded), y);
  });
  return (
    <div
      ref={frame}
      role="application"
      aria-label={`${VIEW_NAMES[view]}: arrow keys move a cross, Enter marks damage there`}
      tabIndex={0}
      className="h-full cursor-crosshair touch-manipulation"
      onClick={tapped}
      onKeyDown={typed}
      onFocus={(e) => e.target.matches(':focus-visible') && setCross((c) => c ?? { x: 0.5, y: 0.5 })}
      onBlur={() => setCross(null)}
    >
      <InstrumentDrawing
        construction={construction}
        view={view}
        marks={marks}
        pin={view.endsWith('side') ? 3.5 : 4}
      >
        {cross && (
          <path
            d={`M${cross.x * drawn.width - 4} ${cross.y * drawn.height}h8m-4 -4v8`}
            className="stroke-ink"
            strokeWidth={0.9}
          />
        )}
      </InstrumentDrawing>
    </div>
  );
}
