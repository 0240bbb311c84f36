import type { DisplayUnit } from '../../core/units/length-units.ts';
import { wordsIn } from '../../core/units/words-in.ts';
import type { JobView } from '../leaves/load-job.ts';

type Line = Pick<JobView['lines'][number], 'title' | 'detail' | 'approval' | 'step' | 'forGood' | 'hazards'>;

const MARKS = { ready: '[   ]', running: '[ / ]', paused: '[ / ]', finished: '[ x ]' } as const;

/** How far a step is, on paper: to be ticked, begun, done; without a box where it is not to be begun. */
export const stepMark = (l: Pick<Line, 'approval' | 'step'>): string =>
  l.approval === 'asked' ? '–' : MARKS[l.step];

const sentence = (words: string): string =>
  `${words.slice(0, 1).toUpperCase()}${words.slice(1)}`.replace(/[.!?]?$/, '.');

/** A step in words, on paper: what it is, whether it may be begun at all, what cannot be undone, what to beware of. */
export function stepWords(l: Line, unit: DisplayUnit): string {
  const hazards =
    l.step === 'finished' || l.hazards.length === 0
      ? []
      : [`Beware: ${l.hazards.join(' ')} Follow the safety sheet and local rules.`];
  return [
    sentence(l.detail === '' ? l.title : `${l.title}: ${wordsIn(l.detail, unit)}`),
    ...(l.approval === 'asked' ? ['Not agreed yet: do not begin.'] : []),
    ...(l.forGood === '' ? [] : [sentence(l.forGood)]),
    ...hazards,
  ].join(' ');
}
