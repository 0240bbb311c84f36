'use client';

import type { ClearanceMap } from '../../core/clearance/clearance.ts';
import { stringName, type Construction } from '../../core/instrument/construction.ts';
import { sayBuzz } from '../../core/sound/say-buzz.ts';
import { roomOf, type Room } from '../../core/whatif/clearance-map.ts';
import type { HeardPlace } from '../../core/whatif/heard.ts';
import { compareHeard, sayUnexplained, unexplained } from '../../core/whatif/heard-map.ts';
import { rowOfString } from '../neck-sheet/geometry.ts';
import { Place, ROW } from './clearance-place.tsx';
import { Sideways } from '../kit/sideways.tsx';

const CELL = 26;
const NAMES = 40;
const FOOT = 20;
/** Less than that is as good as none. */
const SEEN_FROM = 0.15;

interface Props {
  readonly construction: Construction;
  readonly heard: readonly HeardPlace[];
  /** as the neck was read, lowest string first */
  readonly maps: readonly ClearanceMap[];
}

interface Places {
  readonly construction: Construction;
  readonly roomAt: (index: number, held: number) => Room | null;
  /** how much a place buzzed by ear, 0 to 1, where it was heard so */
  readonly amountAt?: ((index: number, held: number) => number | null) | undefined;
  /** the fret a place meets, where that is known */
  readonly fretAt?: ((index: number, held: number) => number | null) | undefined;
}

/** How much of ten it buzzed: a bar along the foot of its place. */
function Amount({ amount, x, y }: { readonly amount: number; readonly x: number; readonly y: number }) {
  return (
    <>
      <title>{sayBuzz(amount)}</title>
      <rect x={x + 1} y={y + ROW - 5} width={(CELL - 2) * amount} height={4} fill="var(--plain)" />
    </>
  );
}

/** One string's places. */
function Row({
  construction: c,
  index,
  columns,
  roomAt,
  amountAt,
  fretAt,
}: Places & { readonly index: number; readonly columns: number }) {
  const y = rowOfString({ ...c, perCourse: 1 }, index) * ROW;
  return (
    <g>
      <text x={2} y={y + ROW / 2 + 4} fontSize={13} fill="var(--plain)">
        {stringName(c, c.strings.length - index)} {c.strings[index]?.note.replace(/\d+$/, '')}
      </text>
      {Array.from({ length: columns }, (_, held) => {
        const room = roomAt(index, held);
        const x = NAMES + held * CELL;
        const amount = amountAt?.(index, held) ?? null;
        return (
          <g key={held}>
            <rect
              x={x}
              y={y}
              width={CELL}
              height={ROW}
              fill={room === null ? 'transparent' : 'var(--wood)'}
              fillOpacity={0.55}
              stroke="var(--line)"
            />
            {amount !== null && amount >= SEEN_FROM && <Amount amount={amount} x={x} y={y} />}
            {room === 'clear' && <circle cx={x + CELL / 2} cy={y + ROW / 2} r={2} fill="var(--plain)" />}
            {room !== null && room !== 'clear' && (
              <Place room={room} x={x} y={y} width={CELL} fret={fretAt?.(index, held) ?? null} share={null} />
            )}
          </g>
        );
      })}
    </g>
  );
}

/** One map of the neck: every place that was played, with what stands there. */
function Grid({
  construction: c,
  name,
  upTo,
  roomAt,
  amountAt,
  fretAt,
}: Places & { readonly name: string; readonly upTo: number }) {
  const rows = c.strings.length;
  const columns = upTo + 1;
  return (
    <figure className="min-w-0">
      <figcaption className="text-sm font-bold">{name}</figcaption>
      <Sideways label="Strings by held fret">
        <svg
          width={NAMES + columns * CELL + 4}
          height={rows * ROW + FOOT}
          role="img"
          aria-label={`${name}: strings by held fret; what differs is said below`}
        >
          {c.strings.map((_, index) => (
            <Row key={index} {...{ construction: c, index, columns, roomAt, amountAt, fretAt }} />
          ))}
          {Array.from({ length: columns }, (_, held) => (
            <text
              key={held}
              x={NAMES + held * CELL + CELL / 2}
              y={rows * ROW + 14}
              fontSize={12}
              textAnchor="middle"
              fill="var(--quiet)"
            >
              {held}
            </text>
          ))}
        </svg>
      </Sideways>
    </figure>
  );
}

/** What was heard beside what the readings say, and what of it they don't explain. */
export function HeardMap({ construction: c, heard, maps }: Props) {
  const compared = compareHeard(heard, maps);
  const upTo = Math.max(...heard.map((h) => h.held));
  const at = new Map(heard.map((h) => [`${h.string}:${h.held}`, h]));
  const placeAt = (index: number, held: number) => at.get(`${c.strings.length - index}:${held}`) ?? null;
  const heardAt = (index: number, held: number): Room | null => {
    const found = placeAt(index, held);
    return found === null ? null : found.heard === 'clear' ? 'clear' : 'buzz';
  };
  const amountAt = (index: number, held: number): number | null => placeAt(index, held)?.amount ?? null;
  const byEar = heard.some((h) => (h.amount ?? null) !== null);
  const computedAt = (index: number, held: number): Room | null => {
    const map = maps[index];
    const margin = map?.margin[held];
    return margin === undefined ? null : roomOf(margin, map?.still[held] ?? 0);
  };
  const said = unexplained(c, compared);
  return (
    <div className="space-y-1">
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <Grid construction={c} name="Heard" {...{ upTo, amountAt }} roomAt={heardAt} />
        <Grid
          construction={c}
          name="By the readings, for this hand"
          upTo={upTo}
          roomAt={computedAt}
          fretAt={(i, held) => maps[i]?.fret[held] ?? null}
        />
      </div>
      {byEar && (
        <p className="text-sm text-quiet">
          The bar at the foot of a place is how much it buzzed by ear (0 is clear, 1 rattles): from half its
          width on it is a buzz.
        </p>
      )}
      <ul className="text-sm" aria-label="Heard against the readings">
        {said.map((u) => {
          const words = sayUnexplained(c, u);
          return (
            <li key={words} className="text-rubric">
              ◆ {words}
            </li>
          );
        })}
        {said.length === 0 && <li>What is heard is what the readings say.</li>}
      </ul>
    </div>
  );
}
