import type { Drawing } from '../../core/templates/drawing.ts';

/** A template: on the screen as wide as there is room, on paper as large as it is. */
export function TrueSize({ drawing }: { readonly drawing: Drawing }) {
  return (
    <svg
      role="img"
      aria-label={drawing.title}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      width={`${drawing.width}mm`}
      height={`${drawing.height}mm`}
      className="true-size border border-line bg-card"
      fill="none"
      stroke="currentColor"
    >
      {drawing.shapes.map((s, i) =>
        s.kind === 'line' ? (
          <line key={i} x1={s.x1} y1={s.y1} x2={s.x2} y2={s.y2} strokeWidth={s.weight} />
        ) : s.kind === 'path' ? (
          <polyline key={i} points={s.points.map((p) => p.join(',')).join(' ')} strokeWidth={s.weight} />
        ) : (
          <text
            key={i}
            x={s.x}
            y={s.y}
            fontSize={s.size}
            textAnchor={s.anchor}
            fill="currentColor"
            stroke="none"
          >
            {s.text}
          </text>
        ),
      )}
    </svg>
  );
}
