import { z } from 'zod';
import { fretLevel } from '../frets/fret-level.ts';
import { compareStrategies, STRATEGIES } from '../frets/strategies.ts';
import { choice, fret, group, length, list, result, scale } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const NEW_HEIGHT = 1.2;

const tops = group({
  fret: fret('fret'),
  bass: length('top over a common plane, bass side', -5, 5),
  middle: length('in the middle', -5, 5),
  treble: length('treble side', -5, 5),
  height: z
    .union([
      length('fret height left, alike at all three places', 0, 5),
      group({
        bass: length('height left at the bass side', 0, 5),
        middle: length('in the middle', 0, 5),
        treble: length('at the treble side', 0, 5),
      }),
    ])
    .meta({ description: 'fret height left: a number, or place by place', unit: 'mm', measure: 'gap' }),
});

const STRATEGY_WORDS: Readonly<Record<(typeof STRATEGIES)[number], string>> = {
  spots: 'Dress the high spots only',
  'level-all': 'Level all',
  'replace-some': 'Replace some, level the rest with them',
  'replace-all': 'Replace all',
};

export const fretLevelSum = declare({
  id: 'fret-level',
  title: 'Level the frets with the least metal',
  asks: ['level frets', 'fret dress', 'refret or level', 'high fret', 'fall-away'],
  input: group({
    scale: scale(),
    frets: list(tops, 'fret tops at three places and the height left', 2, 36),
    minimumHeight: length('least height a fret may end with', 0, 5),
    fallAway: group(
      { from: fret('past this fret'), amount: length('at the last fret', 0, 3) },
      'the surface falls away over the body',
    ).optional(),
    replace: list(
      fret('fret'),
      'frets to replace; those that would end too low when not said',
      0,
      36,
    ).optional(),
    newHeight: length('height of new wire; 1.2 when not said', 0.3, 5).optional(),
  }),
  output: group({
    frets: z
      .array(
        group({
          fret: result('fret', 'fret'),
          removal: group({
            bass: result('mm', 'off at the bass side'),
            middle: result('mm', 'off in the middle'),
            treble: result('mm', 'off at the treble side'),
          }),
          left: result('mm', 'height left where it is least: the height there less what comes off there'),
        }),
      )
      .meta({ description: 'each fret' }),
    spots: z
      .array(
        group({
          fret: result('fret', 'fret'),
          place: choice('where', ['bass', 'middle', 'treble']),
          over: result('mm', 'over the surface'),
        }),
      )
      .meta({ description: 'places more than 0.02 mm over the level surface' }),
    underMinimum: z
      .array(result('fret', 'fret'))
      .meta({ description: 'frets that end too low', unit: 'fret' }),
    total: result('mm', 'sum of all removals: the least any plane allows'),
    actionRise: result('mm', 'mean removal at the fret nearest the 12th'),
    strategies: z
      .array(
        group({
          strategy: choice('way', STRATEGIES),
          replaced: z.array(result('fret', 'fret')),
          total: result('mm', 'metal off, all places together'),
          leastLeft: result('mm', 'height left at the lowest fret'),
          actionRise: result('mm', 'negative when the new tops stand higher'),
          underMinimum: z.array(result('fret', 'fret')),
        }),
      )
      .meta({ description: 'the ways compared' }),
  }),
  formula: 'maximise Σ s_i with s_i = a + b·x_i + c·z_i − fall(x_i) ≤ top_i; removal = top − s',
  source: 'Linear programming: two-phase simplex with Bland’s rule on the dual, exact to rounding.',
  assumptions: [
    'The neck is straight under string tension: levelling a bent neck levels the bend into the frets.',
    'Every fret is seated: a loose end is pressed down before it is filed.',
    'The surface is a plane along and across the neck, but for the fall-away.',
  ],
  why: 'Every fret must come down to one surface, and a surface that leans the right way costs the least metal.',
  example: {
    scale: 648,
    minimumHeight: 0.6,
    frets: [
      { fret: 1, bass: 0, middle: 0.01, treble: 0, height: 1 },
      { fret: 2, bass: 0.02, middle: 0.06, treble: 0.05, height: 0.95 },
      { fret: 3, bass: 0, middle: 0, treble: -0.01, height: 0.9 },
      { fret: 12, bass: 0.01, middle: 0, treble: 0.01, height: 1 },
    ],
  },
  run: (i) => {
    const seen = new Set<number>();
    for (const [n, f] of i.frets.entries()) {
      if (seen.has(f.fret)) return refuse(`frets.${n}.fret`, `frets.${n}.fret is given twice.`);
      seen.add(f.fret);
    }
    const last = Math.max(...seen);
    if (i.fallAway && i.fallAway.from >= last) {
      return refuse('fallAway.from', 'fallAway.from must lie before the last fret.');
    }
    const unknown = i.replace?.findIndex((r) => !seen.has(r)) ?? -1;
    if (unknown >= 0) return refuse(`replace.${unknown}`, `replace.${unknown} is not one of the frets.`);
    const frets = i.frets.toSorted((a, b) => a.fret - b.fret);
    const level = fretLevel(i.scale, frets, i.minimumHeight, i.fallAway);
    const strategies = compareStrategies({ ...i, frets, newHeight: i.newHeight ?? NEW_HEIGHT });
    const { spots, underMinimum, total, actionRise } = level;
    return answer({
      frets: i.frets.flatMap((f) => level.frets.filter((l) => l.fret === f.fret)).map((f) => ({ ...f })),
      spots: [...spots],
      underMinimum: [...underMinimum],
      total,
      actionRise,
      strategies: strategies.map((s) => ({
        ...s,
        replaced: [...s.replaced],
        underMinimum: [...s.underMinimum],
      })),
    });
  },
  words: (_, o, say) => [
    o.spots.length === 0
      ? 'The frets are level: leave them.'
      : `${o.spots.length} ${o.spots.length === 1 ? 'place stands' : 'places stand'} over the level surface; action and nut gaps rise by about ${say.length(o.actionRise)}.`,
    o.underMinimum.length === 0
      ? 'Every fret keeps its least height.'
      : `Too low afterwards: fret ${o.underMinimum.join(', ')}.`,
    ...o.strategies.map(
      (s) =>
        `${STRATEGY_WORDS[s.strategy]}: ${say.length(s.total)} off in all, ${say.length(s.leastLeft)} left at least${s.replaced.length > 0 && s.strategy === 'replace-some' ? ` (new: ${s.replaced.join(', ')})` : ''}.`,
    ),
  ],
});
