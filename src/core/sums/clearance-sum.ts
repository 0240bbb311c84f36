import { z } from 'zod';
import { clearance, reliefTops, type ClearanceString } from '../clearance/clearance.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { compensation, fret, group, length, list, number, result, scale } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const cell = group({
  held: result('fret', 'held position, 0 is the open string'),
  fret: result('fret', 'the tightest fret above it'),
  still: result('mm', 'gap at rest'),
  margin: result('mm', 'that less the motion; negative buzzes'),
});

/** A string over its neck, as the sums of clearance ask for it. */
export const overItsNeck = {
  scale: scale(),
  compensation: compensation(),
  frets: fret('how many frets'),
  nut: length('string over the fret plane at the nut', -1, 10),
  saddle: length('string over the fret plane at the saddle', -1, 50, 'action'),
  relief: group(
    {
      low: fret('from this fret; 0 is the nut', 0),
      high: fret('to this fret'),
      max: length('deepest gap between', -3, 5),
    },
    'the neck’s bow',
  ).optional(),
} as const;

const input = group({
  ...overItsNeck,
  tops: list(
    group({ fret: fret('fret'), offset: length('over or under its place', -3, 3) }),
    'frets that stand high or low',
    0,
    36,
  ).optional(),
  tension: number('N', 'pull of the string', { min: 1, max: 1000 }),
  force: number('N', 'pluck force', { min: 0, max: 50 }),
  share: number('share', 'share of the motion that goes toward the frets', { min: 0, max: 1 }),
  pluck: length('pluck, from the saddle', 1, 1000),
});

type Input = z.output<typeof input>;

/** The string and its fret tops from the sum's input. */
export function clearanceString(i: Input): ClearanceString {
  const tops = reliefTops(i.scale, i.frets, i.relief);
  for (const t of i.tops ?? []) tops[t.fret] = (tops[t.fret] ?? 0) + t.offset;
  return { ...i, compensation: i.compensation ?? 0, tops };
}

function wrong(i: Input) {
  if (i.relief && i.relief.low >= i.relief.high) {
    return refuse('relief.high', 'relief.high must lie above relief.low.');
  }
  const beyond = i.tops?.findIndex((t) => t.fret > i.frets) ?? -1;
  if (beyond >= 0) return refuse(`tops.${beyond}.fret`, `tops.${beyond}.fret lies beyond the last fret.`);
  const xs = i.scale + (i.compensation ?? 0);
  if (fretPosition(i.scale, i.frets) >= xs)
    return refuse('frets', 'frets: the last one must lie before the saddle.');
  if (i.pluck >= xs) return refuse('pluck', 'pluck must lie between nut and saddle.');
  return null;
}

export const clearanceSum = declare({
  id: 'clearance',
  title: 'Where a string buzzes',
  asks: ['will it buzz', 'fret buzz', 'clearance over the frets', 'buzz at one fret'],
  input,
  output: group({
    cells: z.array(cell).meta({ description: 'every held position and its tightest fret' }),
    worst: cell.meta({ description: 'the cell with the least margin' }),
    firstBuzz: z
      .union([result('fret', 'held position'), z.null()])
      .meta({ description: 'the lowest held position that buzzes, if one does', unit: 'fret' }),
  }),
  formula:
    'A = share·F·p(ℓ − p)/(T·ℓ); margin = gap − A·s/p up to s = p from the held end, gap − A·(ℓ − s)/(ℓ − p) beyond',
  source: 'The ideal plucked string: its motion stays inside a parallelogram (d’Alembert).',
  assumptions: [
    'An ideal string: no stiffness, no loss, small motion.',
    'The pluck stays where the hand is, at most at half the sounding length.',
    'Fret tops: the even bow, plus the tops that are given.',
  ],
  why: 'A plucked string swings to the mirror image of its pluck; what stands inside that motion is hit.',
  example: {
    scale: 648,
    frets: 20,
    nut: 0.5,
    saddle: 3.8,
    relief: { low: 1, high: 20, max: 0.2 },
    tension: 75,
    force: 1.5,
    share: 0.5,
    pluck: 130,
  },
  run: (i) => {
    const refused = wrong(i);
    if (refused) return refused;
    const map = clearance(clearanceString(i));
    const cells = Array.from(map.fret, (n, held) => ({
      held,
      fret: n,
      still: map.still[held] ?? 0,
      margin: map.margin[held] ?? 0,
    }));
    const [first] = cells;
    if (!first) return refuse('frets', 'frets must be at least 1.');
    return answer({
      cells,
      worst: cells.reduce((a, b) => (b.margin < a.margin ? b : a), first),
      firstBuzz: cells.find((c) => c.margin < 0)?.held ?? null,
    });
  },
  words: (_, o, say) => {
    const held = (n: number) => (n === 0 ? 'open' : `held at ${n}`);
    return [
      o.firstBuzz === null
        ? `No buzz: the tightest is ${say.length(o.worst.margin)} over fret ${o.worst.fret}, ${held(o.worst.held)}.`
        : `Buzzes from ${o.firstBuzz === 0 ? 'the open string' : `fret ${o.firstBuzz}`} on.`,
      `Least margin ${say.length(o.worst.margin)}: ${held(o.worst.held)}, over fret ${o.worst.fret} (${say.length(o.worst.still)} at rest).`,
    ];
  },
});
