import { formatLength } from '../../core/units/format-length.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import { amountUnit } from '../../core/targets/say-values.ts';
import { Sideways } from '../kit/sideways.tsx';

const COLUMN = 40;
const HEIGHT = 70;
const BASE = 96;

/** One fret: its bar with how much it stands up over it, its number under it. */
function Bar({
  fret,
  value,
  tallest,
}: {
  readonly fret: number;
  readonly value: number;
  readonly tallest: number;
}) {
  const unit = amountUnit(useDisplayUnit()[0]);
  const x = (fret - 1) * COLUMN + 12;
  const tall = (value / tallest) * HEIGHT;
  return (
    <g>
      <rect
        x={x}
        y={BASE - Math.max(4, tall)}
        width={COLUMN - 14}
        height={Math.max(4, tall)}
        fill={value > 0 ? 'var(--plain)' : 'var(--fret)'}
      />
      {value > 0 && (
        <text
          x={x + (COLUMN - 14) / 2}
          y={BASE - tall - 6}
          textAnchor="middle"
          fontSize={12}
          fill="var(--plain)"
        >
          {formatLength(value, unit)}
        </text>
      )}
      <text
        x={x + (COLUMN - 14) / 2}
        y={BASE + 18}
        textAnchor="middle"
        fontSize={13}
        fontWeight={value > 0 ? 700 : 400}
        fill="var(--plain)"
      >
        {fret}
      </text>
    </g>
  );
}

/** What the rocker and the feeler told: how much each fret stands over its neighbours, in its place along the neck. */
export function RockMap({
  frets,
  rocks,
}: {
  readonly frets: number;
  readonly rocks: readonly { readonly fret: number; readonly value: number }[];
}) {
  const unit = amountUnit(useDisplayUnit()[0]);
  const tallest = Math.max(0.05, ...rocks.map((r) => r.value));
  const at = (fret: number) => rocks.find((r) => r.fret === fret)?.value ?? 0;
  const width = frets * COLUMN + 20;
  return (
    <Sideways label="Frets that rock">
      <svg
        width={width}
        height={BASE + 40}
        role="img"
        aria-label={`Frets that rock: ${rocks.map((r) => `fret ${r.fret} by ${formatLength(r.value, unit)}`).join(', ')}. All others do not, or were not tried.`}
      >
        <line x1={0} x2={width} y1={BASE} y2={BASE} stroke="var(--plain)" />
        {Array.from({ length: frets }, (_, i) => i + 1).map((fret) => (
          <Bar key={fret} fret={fret} value={at(fret)} tallest={tallest} />
        ))}
      </svg>
    </Sideways>
  );
}
