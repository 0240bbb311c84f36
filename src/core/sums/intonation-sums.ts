import { z } from 'zod';
import { contactFit } from '../intonation/contact-fit.ts';
import { intonationFit } from '../intonation/intonation-fit.ts';
import { saddleMove } from '../intonation/saddle-move.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { compensation, fret, group, length, list, number, result, scale, yesNo } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const MOST_CENTS = 100;
const cents = (description: string) => number('cents', description, { min: -MOST_CENTS, max: MOST_CENTS });

const moved = (mm: number, say: (mm: number) => string): string =>
  Math.abs(mm) < 0.005
    ? 'stays'
    : `moves ${say(Math.abs(mm))} ${mm > 0 ? 'back, away from the nut' : 'forward, toward the nut'}`;

export const intonationSaddleSum = declare({
  id: 'intonation-saddle',
  title: 'Where the saddle’s contact must go',
  asks: ['set the intonation', 'fretted note is sharp', 'fretted note is flat', 'move the saddle'],
  input: group({
    scale: scale(),
    compensation: compensation(),
    fret: fret('where it was read against the open string'),
    cents: cents('error, sharp positive'),
  }),
  output: group({ move: result('mm', 'how far the contact moves; more than 0 is away from the nut') }),
  formula: 'm = (x_s − ρ(x_s − x_n))/(ρ − 1), ρ = 2^(−e/1200)·x_s/(x_s − x_n)',
  source: 'Pitch goes with 1/length; solved exactly, not by a straight line.',
  assumptions: [
    'The open string is tuned again after the move.',
    'Fresh strings at pitch; the height is set already.',
  ],
  why: 'Sharp means the fretted part is too short for the open one; moving the contact back lengthens it more in proportion.',
  example: { scale: 648, fret: 12, cents: 4 },
  run: (i) => {
    const xs = i.scale + (i.compensation ?? 0);
    const xn = fretPosition(i.scale, i.fret);
    if (xn >= xs) return refuse('fret', 'fret must lie before the saddle.');
    if (2 ** (-i.cents / 1200) * (xs / (xs - xn)) <= 1) {
      return refuse('cents', 'cents: an error this large at this fret is not intonation.');
    }
    return answer({ move: saddleMove(i.scale, i.fret, i.cents, i.compensation) });
  },
  words: (_, o, say) => [`The contact ${moved(o.move, say.length)}.`],
});

export const intonationFitSum = declare({
  id: 'intonation-fit',
  title: 'Intonation by nut and saddle together',
  asks: ['compensated nut', 'sharp at low frets', 'intonation at several frets', 'fit the intonation'],
  input: group({
    scale: scale(),
    compensation: compensation(),
    readings: list(
      group({
        fret: fret('where'),
        cents: cents('error, sharp positive'),
        weight: number('count', 'how much it counts; 1 when not said', { min: 0, max: 1000 }).optional(),
      }),
      'readings on one string',
      1,
      60,
    ),
    nut: yesNo('move the nut’s contact too'),
  }),
  output: group({
    saddleMove: result('mm', 'how far the saddle’s contact moves; more than 0 is away from the nut'),
    nutMove: result('mm', 'how far the nut’s contact moves; more than 0 is toward the saddle'),
    nutSpread: result('mm', '± of the nut’s move for one cent of error in each reading; 0 where it stays'),
    residuals: z
      .array(
        group({
          fret: result('fret', 'fret'),
          before: result('cents', 'error now'),
          after: result('cents', 'error left'),
        }),
      )
      .meta({ description: 'what is left at each fret' }),
    rmsBefore: result('cents', 'weighted root mean square now'),
    rmsAfter: result('cents', 'weighted root mean square after'),
  }),
  formula: 'min Σ w·(e_n + 1200·log2[((x_s + m − u)/(x_s − x_n + m))·((x_s − x_n)/x_s)])²',
  source: 'Least squares on the exact expression by damped Gauss–Newton.',
  assumptions: [
    'All readings are of one string, tuned open.',
    'Low frets and the 12th are needed to tell the nut from the saddle: where one cent of error moves the nut by more than 0.3 mm it is refused.',
  ],
  why: 'The saddle’s move tells more the higher the fret, the nut’s move all frets alike: several frets tell them apart.',
  example: {
    scale: 648,
    nut: true,
    readings: [
      { fret: 1, cents: 5 },
      { fret: 3, cents: 5 },
      { fret: 5, cents: 4.5 },
      { fret: 12, cents: 6 },
    ],
  },
  run: (i) => {
    const xs = i.scale + (i.compensation ?? 0);
    const beyond = i.readings.findIndex((r) => fretPosition(i.scale, r.fret) >= xs);
    if (beyond >= 0)
      return refuse(`readings.${beyond}.fret`, `readings.${beyond}.fret must lie before the saddle.`);
    const fit = intonationFit(i.scale, i.readings, i.nut, i.compensation);
    if (!fit.ok) return refuse('readings', fit.error.message, 'cannot-tell');
    return answer({ ...fit.value, residuals: fit.value.residuals.map((r) => ({ ...r })) });
  },
  words: (i, o, say) => [
    `The saddle’s contact ${moved(o.saddleMove, say.length)}.`,
    ...(i.nut
      ? [
          Math.abs(o.nutMove) < 0.005
            ? 'The nut’s contact stays.'
            : `The nut’s contact moves ${say.length(Math.abs(o.nutMove))} ${o.nutMove > 0 ? 'toward the saddle' : 'away from the saddle'}, give or take ${say.length(o.nutSpread)}.`,
        ]
      : []),
    `The errors fall from ${o.rmsBefore.toFixed(1)} to ${o.rmsAfter.toFixed(1)} cents (root mean square).`,
  ],
});

export const contactFitSum = declare({
  id: 'contact-fit',
  title: 'Does the contact stay on the saddle?',
  asks: ['saddle too thin', 'intonation does not fit', 'contact on the crown'],
  input: group({
    crown: length('usable thickness of the crown', 0.2, 50),
    contact: length('contact from the crown’s front edge now', 0, 50),
    move: length('away from the nut', -50, 50),
  }),
  output: group({
    at: result('mm', 'contact from the front edge after the move'),
    outside: result('mm', 'how far outside the crown; 0 when it fits, negative in front, positive behind'),
    ways: z.array(z.string()).meta({ description: 'what can be done when it does not fit' }),
  }),
  formula: 'at = contact + move; it must stay between 0 and crown',
  source: 'Bench practice.',
  assumptions: ['The crown’s whole thickness can carry the string.'],
  why: 'The string can leave the saddle only where there is saddle.',
  example: { crown: 3, contact: 1.5, move: 2 },
  run: (i) => {
    if (i.contact > i.crown) return refuse('contact', 'contact must lie on the crown.');
    const fit = contactFit(i.crown, i.contact, i.move);
    return answer({ ...fit, ways: [...fit.ways] });
  },
  words: (_, o, say) =>
    o.outside === 0
      ? [`It fits: ${say.length(o.at)} from the front edge.`]
      : [
          `It does not fit: ${say.length(Math.abs(o.outside))} ${o.outside < 0 ? 'in front of' : 'behind'} the crown.`,
          ...o.ways.map((w) => `Or: ${w}.`),
        ],
});
