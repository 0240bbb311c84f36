import { pullToRelief, RELIEF_PER_NEWTON } from '../strings/pull-to-relief.ts';
import { group, number, result } from './fields.ts';
import { answer, declare } from './sum.ts';

const MOST = 20_000;

export const tensionToReliefSum = declare({
  id: 'tension-to-relief',
  title: 'What a change of strings does to the relief',
  asks: ['heavier strings more relief', 'tune down less relief', 'new set and the rod'],
  input: group({
    perNewton: number(
      'mm for each N',
      'what this neck is known to answer with; the usual range when not said',
      {
        min: 0,
        max: 0.01,
      },
    ).optional(),
    before: number('N', 'pull of all strings now', { min: 0, max: MOST }),
    after: number('N', 'pull of all strings then', { min: 0, max: MOST }),
  }),
  output: group({
    reliefChange: result('mm', 'how the relief changes, likely; more than 0 is more relief'),
    low: result('mm', 'at the least'),
    high: result('mm', 'at the most'),
  }),
  formula: `Δr = c·(T′ − T), c = ${RELIEF_PER_NEWTON.low} to ${RELIEF_PER_NEWTON.high}, likely ${RELIEF_PER_NEWTON.likely} mm for each N`,
  source: 'Bench practice: a heavier set about 0.05 mm more, a whole tone down 0.11 to 0.16 mm less.',
  assumptions: ['The rod stays as it is.', 'A neck of the usual stiffness; a slim one answers more.'],
  why: 'The strings bend the neck, and the more they pull the deeper.',
  example: { before: 705, after: 760 },
  run: (i) => answer(pullToRelief(i.before, i.after, i.perNewton)),
  words: (_, o, say) => [
    Math.abs(o.reliefChange) < 0.005
      ? 'The relief hardly changes.'
      : `About ${say.length(Math.abs(o.reliefChange))} ${o.reliefChange > 0 ? 'more' : 'less'} relief (${say.length(Math.min(Math.abs(o.low), Math.abs(o.high)))} to ${say.length(Math.max(Math.abs(o.low), Math.abs(o.high)))}). Read it once the set has settled.`,
  ],
});
