import { z } from 'zod';
import { neckProfile } from '../neck/neck-profile.ts';
import { choice, fret, group, length, list, result, scale } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const place = (description: string) =>
  z.union([result('mm', description), z.null()]).meta({ description, unit: 'mm' });

export const neckProfileSum = declare({
  id: 'neck-profile',
  title: 'What the neck’s line tells',
  asks: [
    'hump in the neck',
    'rise at the far end',
    'twisted neck',
    'straightedge along the frets',
    'neck falls away',
  ],
  input: group({
    scale: scale(),
    points: list(
      group({
        fret: fret('where'),
        gap: length('between the line and the fret; negative where the fret stands over it', -5, 5),
        side: choice('which side of the board', ['bass', 'treble']),
      }),
      'gaps under a straightedge or a held string',
      1,
      72,
    ),
    span: group(
      { low: fret('from this fret; 0 is the nut', 0), high: fret('to this fret') },
      'the frets the line lies on',
    ),
  }),
  output: group({
    surface: z
      .array(
        group({
          fret: result('fret', 'fret'),
          bass: place('over the line at the bass side'),
          treble: place('at the treble side'),
        }),
      )
      .meta({ description: 'fret tops over the line, place by place' }),
    relief: result('mm', 'the even bow, deepest; negative is a back-bow'),
    hump: result('mm', 'how far the highest place stands over that bow'),
    humpAt: z
      .union([result('fret', 'fret'), z.null()])
      .meta({ description: 'the fret of that place, if there is one', unit: 'fret' }),
    rise: result('mm', 'how far the far end rises; negative falls away'),
    riseFrom: z
      .union([result('fret', 'fret'), z.null()])
      .meta({ description: 'the fret from which on the end was read, if it was', unit: 'fret' }),
    twist: result('mm', 'relief of the bass side less that of the treble side'),
  }),
  formula:
    'r = −Σ b·h/Σ b², b = 4(x − p)(q − x)/(q − p)², h = −gap; hump = max(h + r·b); rise = h at the far end',
  source: 'Least squares of an even bow; the place that fits least is left out of it.',
  assumptions: [
    'The line lies on both its frets; strings at pitch, playing position.',
    'What is asked of the frets’ own heights is not told apart from the wood under them.',
    'Read at three frets between the ends at the least, on both sides.',
  ],
  why: 'The rod can change the even bow and nothing else: a hump, a rise and a twist must be seen apart from it before anything is turned or cut.',
  example: {
    scale: 648,
    span: { low: 1, high: 14 },
    points: [
      { fret: 3, gap: 0.12, side: 'bass' as const },
      { fret: 5, gap: 0.19, side: 'bass' as const },
      { fret: 7, gap: 0.21, side: 'bass' as const },
      { fret: 9, gap: 0.2, side: 'bass' as const },
      { fret: 12, gap: 0.1, side: 'bass' as const },
      { fret: 19, gap: -0.15, side: 'bass' as const },
    ],
  },
  run: (i) => {
    if (i.span.low >= i.span.high) return refuse('span.high', 'span.high must lie above span.low.');
    const twice = i.points.findIndex((p, n) =>
      i.points.some((q, m) => m < n && q.fret === p.fret && q.side === p.side),
    );
    if (twice >= 0)
      return refuse(`points.${twice}.fret`, `points.${twice}.fret is given twice for this side.`);
    if (!i.points.some((p) => p.fret > i.span.low && p.fret < i.span.high))
      return refuse('points', 'points: at least one must lie between the ends of the line.');
    const said = neckProfile(i.scale, i.points, i.span);
    return answer({ ...said, surface: said.surface.map((s) => ({ ...s })) });
  },
  words: (_, o, say) => [
    o.relief < 0 ? `A back-bow of ${say.length(-o.relief)}.` : `An even bow of ${say.length(o.relief)}.`,
    ...(o.hump > 0.02 && o.humpAt !== null
      ? [`Fret ${o.humpAt} stands ${say.length(o.hump)} over it: a hump or a high fret, not for the rod.`]
      : []),
    ...(Math.abs(o.rise) > 0.02
      ? [
          o.rise > 0
            ? `The far end rises by ${say.length(o.rise)} from fret ${o.riseFrom}: levelled or heated out, never lowered over.`
            : `The far end falls away by ${say.length(-o.rise)}.`,
        ]
      : []),
    ...(Math.abs(o.twist) > 0.03
      ? [
          `The sides differ by ${say.length(Math.abs(o.twist))}: the ${o.twist > 0 ? 'bass' : 'treble'} side bows more.`,
        ]
      : []),
  ],
});
