'use client';

import { formatCents } from '../../core/units/parse-cents.ts';
import { STRIP_MS, type StripPoint } from './ear-session.ts';

const [WIDTH, HEIGHT] = [600, 64];
const SPANS = [5, 20, 60, 340] as const;

/** Pitch over the last seconds, each moment as high as it is unsure. */
export function PitchStrip({ points }: { readonly points: readonly StripPoint[] }) {
  const last = points.at(-1);
  const most = Math.max(0, ...points.map((p) => Math.abs(p.cents)));
  const span = SPANS.find((s) => most <= 0.9 * s) ?? SPANS[3];
  const end = last?.at ?? 0;
  const x = (at: number): number => WIDTH - ((end - at) / STRIP_MS) * WIDTH;
  const y = (cents: number): number => HEIGHT / 2 - (cents / span) * (HEIGHT / 2);
  const says = last ? `${formatCents(last.cents)} cents` : 'nothing rings';
  return (
    <div className="flex items-center gap-3">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`Pitch over the last ${STRIP_MS / 1000} seconds: ${says}`}
        className="h-14 min-w-0 flex-1 border border-line bg-card"
      >
        <line x1={0} x2={WIDTH} y1={HEIGHT / 2} y2={HEIGHT / 2} className="stroke-plain" strokeWidth={1} />
        {points.map((p) => {
          const half = Math.max(1.5, (p.doubt / span) * (HEIGHT / 2));
          return (
            <rect
              key={p.at}
              x={x(p.at) - 6}
              y={y(p.cents) - half}
              width={6}
              height={2 * half}
              className="fill-ink"
            />
          );
        })}
      </svg>
      <span className="w-8 text-sm text-quiet" aria-hidden="true">
        ±{span}
      </span>
      <output className="w-24 text-right text-2xl font-bold tabular-nums text-plain" aria-hidden="true">
        {last ? formatCents(last.cents) : '–'}
      </output>
    </div>
  );
}
