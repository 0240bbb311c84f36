import { stringName, stringNumber } from '../../instrument/construction.ts';
import { isStringing, operation } from '../../catalogue/operations.ts';
import { formatCents } from '../../units/parse-cents.ts';
import { isOut, standings } from './judge-outcome.ts';
import { getsNewSet, type Problem } from './problem.ts';
import type { Candidate } from './solve.ts';

/** Whether what is done puts a new set on that was asked for by a finding. */
export const bringsNewSet = (p: Problem, { operations }: Pick<Candidate, 'operations'>): boolean =>
  getsNewSet(p) && [...operations].some((id) => isStringing(operation(id, p.catalogue)));

/**
 * What was read out of its band and waits to be read again, in words: pitches, where heights, relief or the pull of the strings move
 * first, or a new set goes on. Only a reading moves a contact; what is expected then is said as the forecast it is. Empty where nothing waits.
 */
export function waitsToBeRead(p: Problem, c: Pick<Candidate, 'outcome' | 'operations'>): string[] {
  const newSet = bringsNewSet(p, c);
  if (c.outcome.asRead && !newSet) return [];
  const out = standings(p, c.outcome, ['intonation'], 'as it was read').filter(isOut);
  if (out.length === 0) return [];
  const { construction } = p.model;
  const read = out.map(
    (s) =>
      `string ${stringName(construction, stringNumber(construction, s.judged.index))} ${formatCents(s.value)}`,
  );
  // What another set will do is not known from this one.
  const then = newSet ? [] : out.flatMap((s) => c.outcome.cents[s.judged.index] ?? []);
  const [low, high] = [formatCents(Math.min(...then)), formatCents(Math.max(...then))];
  const forecast =
    then.length === 0 ? '' : ` A forecast, no reading: ${low === high ? low : `${low} to ${high}`} then.`;
  const when = [
    ...(c.outcome.asRead ? [] : ['the height is set']),
    ...(newSet ? ['the new strings are on'] : []),
  ].join(' and ');
  return [
    `Intonation: ${read.join(', ')} cents as read. It is read again when ${when}, and only then a contact moves.${forecast}`,
  ];
}
