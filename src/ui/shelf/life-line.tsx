import { LIFE_WIDTH, layLife, type LaidBand, type LifeBand } from './life-layout.ts';

/** Every visit on one line of time: what was found and left, what moved by itself between them, and what is to come. */
export function LifeLine({ bands, says }: { readonly bands: readonly LifeBand[]; readonly says: string }) {
  const life = layLife(bands);
  return (
    <svg
      viewBox={`0 0 ${LIFE_WIDTH} ${life.height}`}
      className="w-full text-plain"
      role="img"
      aria-label={says}
    >
      {life.years.map(({ year, x }) => (
        <g key={year}>
          <line x1={x} x2={x} y1={8} y2={life.height - 34} className="stroke-line" />
          <text x={x + 3} y={16} className="fill-quiet text-[11px]">
            {year}
          </text>
        </g>
      ))}
      {life.bands.map((b) => (
        <Band key={b.name} band={b} />
      ))}
      {life.visits.map(({ job, x, named }) => (
        <g key={job}>
          <line x1={x} x2={x} y1={life.height - 36} y2={life.height - 28} stroke="currentColor" />
          {named && (
            <text x={x} y={life.height - 14} textAnchor="middle" className="fill-plain text-[12px]">
              {job}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

function Band({ band: b }: { readonly band: LaidBand }) {
  return (
    <g>
      <text x={4} y={b.top - 6} className="fill-plain text-[13px] font-semibold">
        {b.name}
      </text>
      <line x1={60} x2={LIFE_WIDTH - 8} y1={b.top + b.height} y2={b.top + b.height} className="stroke-line" />
      {b.ticks.map((t) => (
        <text key={t.says} x={56} y={t.y + 4} textAnchor="end" className="fill-quiet text-[12px]">
          {t.says}
        </text>
      ))}
      {b.behind !== '' && <polyline points={b.behind} fill="none" className="stroke-quiet" />}
      {b.between.map(([p, q]) => (
        <line
          key={`${p.x} ${q.x}`}
          x1={p.x}
          y1={p.y}
          x2={q.x}
          y2={q.y}
          stroke="currentColor"
          strokeDasharray="3 4"
        />
      ))}
      {b.done.map(([p, q]) => (
        <line
          key={`${p.x} ${q.x}`}
          x1={p.x}
          y1={p.y}
          x2={q.x}
          y2={q.y}
          stroke="currentColor"
          strokeWidth={2}
        />
      ))}
      {b.ahead && <Ahead ahead={b.ahead} />}
      {b.points.map((p) => (
        <circle
          key={`${p.x} ${p.y}`}
          cx={p.x}
          cy={p.y}
          r={4}
          className={p.left ? 'fill-ink stroke-ink' : 'fill-paper stroke-ink'}
          strokeWidth={1.5}
        />
      ))}
    </g>
  );
}

/** What is expected, with what is open on both sides. */
function Ahead({ ahead: { x, y, low, high } }: { readonly ahead: NonNullable<LaidBand['ahead']> }) {
  return (
    <g stroke="currentColor">
      <path d={`M ${x} ${low} V ${high} M ${x - 5} ${low} h 10 M ${x - 5} ${high} h 10`} />
      <path d={`M ${x} ${y - 5} l 5 5 l -5 5 l -5 -5 z`} className="fill-paper" />
    </g>
  );
}
