import { z } from 'zod';
import { reliefTops } from '../clearance/clearance.ts';
import { KINDS } from '../instrument/kinds.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { atItsAims, fitForce, lowestFor, RESERVE } from '../whatif/pluck-reach.ts';
import { handFor } from '../whatif/clearance-map.ts';
import { overItsNeck } from './clearance-sum.ts';
import { choice, fret, group, length, list, number, result } from './fields.ts';
import { answer, declare, refuse } from './sum.ts';

const neck = group(
  {
    ...overItsNeck,
    tension: number('N', 'pull of the string', { min: 1, max: 1000 }),
    pluck: length('pluck, from the saddle; a fifth of the scale when not said', 1, 1000).optional(),
  },
  'the string the marks were heard on',
);

export const pluckReachSum = declare({
  id: 'pluck-reach',
  title: 'How hard a hand plucks',
  asks: ['how low can it go', 'heavy hand', 'fit the hand to the player', 'lowest action that clears'],
  input: group({
    kind: choice('kind of instrument', KINDS),
    touch: choice('how hard it is played; medium when not said', ['light', 'medium', 'heavy']).optional(),
    marks: list(
      group({
        held: fret('held at this fret; 0 is open', 0),
        fret: fret('the fret it met, where that was seen').optional(),
        heard: choice('what was heard', ['clear', 'buzzes']),
      }),
      'places that were played and heard',
      0,
      200,
    ).optional(),
    neck: neck.optional(),
  }),
  output: group({
    force: result('N', 'force of the pluck'),
    share: result('share', 'share of its motion that goes toward the frets'),
    fitted: z.boolean().meta({ description: 'whether the force was fitted to marks' }),
    lowest: group({
      bass: result('mm', 'lowest action at the 12th that clears, bass side'),
      treble: result('mm', 'and treble side'),
    }),
  }),
  formula: `force = c(kind, touch)·mean pull; from marks: the force between what buzzes and what is clear; lowest: margin = ${RESERVE} mm`,
  source: 'Calibrated on the trade’s own aims for each kind and touch.',
  assumptions: [
    'The ideal plucked string of the clearance sum.',
    'The lowest action is that of the kind’s usual instrument at its aims for relief and nut.',
  ],
  why: 'What clears at one height and buzzes at another tells how far a hand swings the string; the lowest height follows from it.',
  example: { kind: 'steel-acoustic' as const, touch: 'medium' as const },
  run: (i) => {
    const touch = i.touch ?? 'medium';
    const { model } = atItsAims(i.kind, touch);
    const usual = handFor(model, touch);
    const marks = i.marks ?? [];
    if (marks.length > 0 && i.neck === undefined)
      return refuse('neck', 'neck is missing: marks are heard on a string.');
    let { force } = usual;
    if (marks.length > 0 && i.neck !== undefined) {
      const { relief, ...n } = i.neck;
      const xs = n.scale + (n.compensation ?? 0);
      if (fretPosition(n.scale, n.frets) >= xs)
        return refuse('neck.frets', 'neck.frets: the last one must lie before the saddle.');
      if (relief && relief.low >= relief.high)
        return refuse('neck.relief.high', 'neck.relief.high must lie above neck.relief.low.');
      const beyond = marks.findIndex((m) => m.held >= n.frets);
      if (beyond >= 0)
        return refuse(`marks.${beyond}.held`, `marks.${beyond}.held must lie before the last fret.`);
      const string = {
        ...n,
        compensation: n.compensation ?? 0,
        tops: reliefTops(n.scale, n.frets, relief),
        share: usual.share,
        pluck: n.pluck ?? usual.pluck,
      };
      const fit = fitForce(string, marks, usual.force);
      if (!fit.agrees)
        return refuse('marks', 'marks: what is clear and what buzzes contradict each other.', 'cannot-tell');
      ({ force } = fit);
    }
    const low = lowestFor(i.kind, touch, force);
    if (low === null) return refuse('marks', 'marks: no action clears for such a hand.', 'cannot-tell');
    return answer({
      force,
      share: usual.share,
      fitted: marks.length > 0,
      lowest: { bass: low.bass, treble: low.treble },
    });
  },
  words: (_, o, say) => [
    `${o.fitted ? 'Fitted to what was heard' : 'The usual hand'}: ${o.force.toFixed(2)} N.`,
    `The lowest that clears: bass ${say.length(o.lowest.bass)}, treble ${say.length(o.lowest.treble)} at the 12th.`,
  ],
});
