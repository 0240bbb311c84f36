import { stringName, stringNumber } from '../../instrument/construction.ts';
import { formatCents } from '../../units/parse-cents.ts';
import { isOut, standings } from './judge-outcome.ts';
import type { Problem } from './problem.ts';
import type { Candidate } from './solve.ts';

/**
 * What was read out of its band and waits to be read again, in words: pitches, where heights, relief or the pull of the strings move
 * first. Only a reading moves a contact; what is expected then is said as the forecast it is. Empty where nothing waits.
 */
export function waitsToBeRead(p: Problem, c: Pick<Candidate, 'outcome'>): string[] {
  if (c.outcome.asRead) return [];
  const out = standings(p, c.outcome, ['intonation'], 'as it was read').filter(isOut);
  if (out.length === 0) return [];
  const { construction } = p.model;
  const read = out.map(
    (s) =>
      `string ${stringName(construction, stringNumber(construction, s.judged.index))} ${formatCents(s.value)}`,
  );
  const then = out.flatMap((s) => c.outcome.cents[s.judged.index] ?? []);
  const [low, high] = [formatCents(Math.min(...then)), formatCents(Math.max(...then))];
  const forecast =
    then.length === 0 ? '' : ` A forecast, no reading: ${low === high ? low : `${low} to ${high}`} then.`;
  return [
    `Intonation: ${read.join(', ')} cents as read. It is read again when the height is set, and only then a contact moves.${forecast}`,
  ];
}
