import { z } from 'zod';
import { fretPosition } from '../neck/fret-position.ts';
import { convertRelief } from '../neck/relief.ts';
import { rodToAction } from '../neck/rod-to-action.ts';
import { stringLine } from '../neck/string-line.ts';
import { sayTurn } from '../neck/say-turn.ts';
import { rodAdvice, USUAL_ROD } from '../neck/truss-rod.ts';
import { choice, compensation, fret, group, length, list, number, result, scale } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const MOST_FRETS = 40;
const EVEN = 'Equal temperament: each fret leaves 2^(−1/12) of the length that was left.';

export const fretPositionSum = declare({
  id: 'fret-position',
  title: 'Where a fret stands',
  asks: ['place a fret', 'lay out a fingerboard', 'distance between frets', 'scale length'],
  input: group({ scale: scale(), fret: fret('fret number') }),
  output: group({
    fromNut: result('mm', 'from the nut’s front edge'),
    fromPrevious: result('mm', 'from the fret before'),
    toSaddle: result('mm', 'to the theoretical saddle'),
  }),
  formula: 'x_n = L·(1 − 2^(−n/12))',
  source: EVEN,
  assumptions: ['Frets in twelve equal semitones to the octave.', 'Measured from the nut’s front edge.'],
  why: 'Every semitone shortens the string in the same proportion, so twelve of them halve it.',
  example: { scale: 648, fret: 12 },
  run: (i) => {
    const fromNut = fretPosition(i.scale, i.fret);
    return answer({
      fromNut,
      fromPrevious: fromNut - fretPosition(i.scale, i.fret - 1),
      toSaddle: i.scale - fromNut,
    });
  },
  words: (i, o, say) => [
    `Fret ${i.fret} stands ${say.length(o.fromNut)} from the nut, ${say.length(o.fromPrevious)} after fret ${i.fret - 1}.`,
    `${say.length(o.toSaddle)} are left to the theoretical saddle.`,
  ],
});

const point = group({
  fret: fret('where it was read; 0 is the nut', 0),
  height: length('string over the fret’s top', -20, 50, 'action'),
  fretTop: length('that fret’s top over the plane, negative in a dip; 0 when not said', -5, 5).optional(),
});

export const stringLineSum = declare({
  id: 'string-line',
  title: 'The open string’s height at every fret',
  asks: ['action at another fret', 'action at 17 from action at 12', 'height at the saddle', 'string height'],
  input: group({
    scale: scale(),
    compensation: compensation(),
    points: list(point, 'two readings at different frets', 2, 2),
    frets: list(fret('a fret to report', 0), 'the frets to report', 1, MOST_FRETS),
  }),
  output: group({
    nut: result('mm', 'string over the fret plane at the nut'),
    saddle: result('mm', 'string over the fret plane at the saddle'),
    heights: z
      .array(group({ fret: result('fret', 'fret'), height: result('mm', 'string over that fret’s top') }))
      .meta({ description: 'heights at the frets asked for' }),
  }),
  formula: 'a_n = N + (S − N)·x_n/x_s − y_n',
  source: 'Geometry: a string is straight.',
  assumptions: [
    'The frets are level, but for the tops given with the two readings.',
    'All strings on and at pitch, in playing position.',
  ],
  why: 'Two heights fix the straight string, and then its height anywhere follows, whichever fret the shop reads at.',
  example: {
    scale: 648,
    points: [
      { fret: 1, height: 0.6 },
      { fret: 12, height: 2.1 },
    ],
    frets: [12, 17, 20],
  },
  run: (i) => {
    const [a, b] = i.points;
    if (!a || !b || a.fret === b.fret)
      return refuse('points', 'The two readings must stand at different frets.');
    const plain = (p: typeof a) => ({ fret: p.fret, height: p.height, fretTop: p.fretTop ?? 0 });
    const line = stringLine(i.scale, [plain(a), plain(b)], i.compensation);
    const top = (n: number) => i.points.find((p) => p.fret === n)?.fretTop ?? 0;
    return answer({
      nut: line.nut,
      saddle: line.saddle,
      heights: i.frets.map((n) => ({ fret: n, height: line.heightAt(n, top(n)) })),
    });
  },
  words: (_, o, say) => [
    o.heights.map((h) => `${say.length(h.height)} over fret ${h.fret}`).join(', ') + '.',
    `The string stands ${say.length(o.nut)} over the fret plane at the nut and ${say.length(o.saddle)} at the saddle.`,
  ],
});

const method = (which: string) =>
  group(
    {
      low: fret('lower pressed fret; 0 is the nut', 0),
      high: fret('upper pressed fret'),
      at: fret('the fret where the gap is read'),
    },
    which,
  );

export const reliefConvertSum = declare({
  id: 'relief-convert',
  title: 'Relief by one method, said by another',
  asks: ['convert relief', 'capo and body joint', 'straightedge relief', 'compare relief readings'],
  input: group({
    scale: scale(),
    value: length('relief as read', -5, 10),
    from: method('how it was read'),
    to: method('how it is wanted'),
  }),
  output: group({
    value: result('mm', 'what the other method would show'),
    max: result('mm', 'the deepest gap over its span'),
  }),
  formula: 'r_k = r_max·4(x_k − x_p)(x_q − x_k)/(x_q − x_p)²; r_max grows with the square of the span',
  source: 'Geometry of an even bend.',
  assumptions: ['The neck bends in one even curve over both spans.', 'Frets level, none standing high.'],
  why: 'The same curvature shows a deeper gap over a longer span, and less of it away from the middle.',
  example: { scale: 648, value: 0.2, from: { low: 1, high: 20, at: 8 }, to: { low: 1, high: 14, at: 6 } },
  run: (i) => {
    for (const side of ['from', 'to'] as const) {
      const m = i[side];
      if (m.low >= m.high) return refuse(`${side}.high`, `${side}.high must lie above ${side}.low.`);
      if (m.at <= m.low || m.at >= m.high) {
        return refuse(`${side}.at`, `${side}.at must lie between the two pressed frets.`);
      }
    }
    return answer(convertRelief(i.scale, i.value, i.from, i.to));
  },
  words: (i, o, say) => [
    `${say.length(o.value)} at fret ${i.to.at}, pressed at ${i.to.low} and ${i.to.high}.`,
    `The deepest gap over that span is ${say.length(o.max)}.`,
  ],
});

const band = group(
  { low: length('lowest wanted', -2, 5), aim: length('aim', -2, 5), high: length('highest wanted', -2, 5) },
  'the wanted relief',
);

const turn = group({
  eighths: number('eighths of a turn', 'tighten positive, loosen negative', { min: -32, max: 32 }),
  before: length('relief before', -5, 10),
  after: length('relief after', -5, 10),
});

const ADVICE = {
  tighten: 'Tighten',
  loosen: 'Loosen',
  leave: 'Leave it',
  stop: 'Stop',
} as const;

export const trussTurnSum = declare({
  id: 'truss-turn',
  title: 'The next turn of the truss rod',
  asks: [
    'straighten the neck',
    'more relief',
    'less relief',
    'how far to turn the rod',
    'tighten the truss rod',
  ],
  input: group({
    relief: length('relief now', -5, 10),
    target: band,
    turns: list(turn, 'turns made so far, oldest first', 0, 200),
    prior: group(
      {
        perEighth: length('relief one eighth takes out', 0.0001, 1),
        sd: length('its spread', 0.0001, 1),
      },
      'what such a rod usually does; the shop’s setting when not said',
    ).optional(),
  }),
  output: group({
    advice: choice('what to do', ['tighten', 'loosen', 'leave', 'stop']),
    eighths: result('eighths of a turn', 'eighths of a turn; more than 0 tightens'),
    expected: group({
      low: result('mm', '95 of 100 readings after the turn lie between this'),
      likely: result('mm', 'most likely'),
      high: result('mm', 'and this'),
    }),
    why: z.string().meta({ description: 'why' }),
  }),
  formula:
    'posterior = (prior/sd² + Σ response·w)/(1/sd² + Σ w), w = eighths²/(2·0.02²); step ≤ 2 eighths, by sixteenths of a turn; expected ± 1.96·√(eighths²·sd² + 2·0.02²)',
  source: 'Normal–normal updating of the shop’s prior by the instrument’s own logged turns.',
  assumptions: [
    'Each reading of relief is good to 0.02 mm (1 sd).',
    'Some minutes have passed since the last turn, strings at pitch.',
    'Never more than a quarter turn between readings; force, or no answer to two turns, stops it.',
  ],
  why: 'A rod answers about alike each time, so what it did tells what it will do; before that, what rods usually do.',
  example: {
    relief: 0.36,
    target: { low: 0.15, aim: 0.2, high: 0.25 },
    turns: [{ eighths: 1, before: 0.4, after: 0.36 }],
  },
  run: (i) => {
    const { low, aim, high } = i.target;
    if (low > aim) return refuse('target.low', 'target.low must not be over target.aim.');
    if (aim > high) return refuse('target.high', 'target.high must not be under target.aim.');
    const still = i.turns.findIndex((t) => t.eighths === 0);
    if (still >= 0) return refuse(`turns.${still}.eighths`, `turns.${still}.eighths must not be 0.`);
    const said = rodAdvice(i.relief, i.target, i.turns, i.prior ?? USUAL_ROD);
    const {
      low: under,
      aim: likely,
      high: over,
    } = said.expected ?? { low: i.relief, aim: i.relief, high: i.relief };
    return answer({
      advice: said.advice,
      eighths: said.eighths,
      expected: { low: under, likely, high: over },
      why: said.why,
    });
  },
  words: (_, o, say) => [
    o.advice === 'tighten' || o.advice === 'loosen'
      ? `${ADVICE[o.advice]} ${sayTurn(o.eighths)}: about ${say.length(o.expected.likely)} expected (${say.length(o.expected.low)} to ${say.length(o.expected.high)}). Wait, read again.`
      : `${ADVICE[o.advice]}.`,
    o.why,
  ],
});

export const rodToActionSum = declare({
  id: 'rod-to-action',
  title: 'What the rod does to the action',
  asks: ['lower the action with the rod', 'relief and action', 'truss rod action change'],
  input: group({
    scale: scale(),
    joint: fret('the fret at the body joint'),
    reliefChange: length('change of relief, negative when the rod is tightened', -5, 5),
    fret: fret('where the action is read'),
    ratio: number('count', 'action change per relief change at that fret, when the shop knows it', {
      min: 0,
      max: 6,
    }).optional(),
  }),
  output: group({
    actionChange: result('mm', 'how the action changes; more than 0 is up'),
    ratio: result('count', 'action change per relief change'),
  }),
  formula:
    'Δa = ratio·Δr; without a ratio 1.65·g(n)/g(12), g(n) = 1 − x_n/L − (1 − x_n/x_j)², the last term only before the joint',
  source:
    'Bench practice: twofold at the 12th; the geometry of an even bend that ends at the joint for other frets.',
  assumptions: [
    'The neck bends evenly from nut to joint and not over the body.',
    'A prior: the shop’s own readings replace it.',
  ],
  why: 'Seen from the body the nut end comes down with the bow, and the strings with it.',
  example: { scale: 648, joint: 14, reliefChange: -0.1, fret: 12 },
  run: (i) => answer(rodToAction(i.scale, i.joint, i.reliefChange, i.fret, i.ratio)),
  words: (i, o, say) => [
    `The action at ${i.fret} ${o.actionChange < 0 ? 'comes down' : 'goes up'} by about ${say.length(Math.abs(o.actionChange))} (${o.ratio.toFixed(2)} × the change of relief).`,
  ],
});
