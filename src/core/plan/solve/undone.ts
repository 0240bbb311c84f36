import { bandWords, sizeWords } from '../../units/words-in.ts';
import { readingWords } from '../../readings/reading-words.ts';
import { formatCents } from '../../units/parse-cents.ts';
import type { Undone } from '../plan-input.ts';
import { isOut } from './judge-outcome.ts';
import type { Call } from './explain.ts';
import type { Judged, Problem } from './problem.ts';
import { buzzOf } from './stays-out.ts';
import type { Candidate } from './solve.ts';
import type { Group } from './way.ts';

const say = (c: Candidate['stands'][number]): string => readingWords(c.judged.quantity, c.value);

const GROUP_OF: Readonly<Record<Judged['quantity'], Group>> = {
  relief: 'rod',
  action: 'height',
  'nut-gap': 'nut',
  intonation: 'contact',
};
const MOST_REASONS = 3;

/** Why nothing brings a place into its band, by the ways that were looked at; empty where nobody asked. */
function whyNot(quantity: Judged['quantity'], calls: readonly Call[]): string {
  const call = calls.find((x) => x.group === GROUP_OF[quantity]);
  const names = new Map<string, string[]>();
  for (const r of call?.reasons ?? [])
    if (!r.in) names.set(r.because, [...(names.get(r.because) ?? []), r.name]);
  return [...names]
    .slice(0, MOST_REASONS)
    .map(([because, all]) => ` ${all.join(', ')}: ${because}`)
    .join('');
}

/**
 * What a candidate leaves undone, each with its numbers or its reason.
 * @param calls what was looked at for it, with why it was not chosen
 */
export function undone(p: Problem, c: Candidate, calls: readonly Call[]): Undone[] {
  const places = c.stands.filter(isOut).map((s) => {
    const t = p.targets.get(s.judged.key);
    const band =
      t &&
      (s.judged.quantity === 'intonation'
        ? `${formatCents(t.low)} to ${formatCents(t.high)}`
        : bandWords(t, (v) => readingWords(s.judged.quantity, v)));
    const why = `${say(s)}, ${s.verdict === 'high' ? 'over' : 'under'} its band ${band ?? ''}`.trim();
    const not = whyNot(s.judged.quantity, calls);
    return { what: s.judged.label, why: not === '' ? why : `${why}.${not}` };
  });
  const frets = c.highFrets.map((h) => ({
    what: `Fret ${h.fret}`,
    why: `It stands ${sizeWords(h.over)} over its neighbours.`,
  }));
  const found = buzzOf(p, c);
  const buzz = found ? [found] : [];
  const left = c.leftFindings.map(({ finding, why }) => ({ what: finding.title, why }));
  return [...places, ...frets, ...buzz, ...left, ...p.unplanned.map(({ what, why }) => ({ what, why }))];
}

/** What a candidate leaves undone as one tells it to somebody who plays, a line for each kind of thing. */
export function undonePlain(p: Problem, c: Candidate): string[] {
  const out = c.stands.filter(isOut);
  const of = (q: string, v?: string) =>
    out.filter((s) => s.judged.quantity === q && (v === undefined || s.verdict === v)).length;
  const some = (n: number, one: string, more: string): string[] => (n === 0 ? [] : [n === 1 ? one : more]);
  return [
    ...some(of('relief', 'high'), 'The neck is bowed more than it should be.', ''),
    ...some(of('relief', 'low'), 'The neck is straighter than it should be.', ''),
    ...some(
      of('action', 'high'),
      'On one side the strings stand high: it takes more strength.',
      'The strings stand high: it takes more strength.',
    ),
    ...some(
      of('action', 'low'),
      'On one side the strings stand very low: they may buzz.',
      'The strings stand very low: they may buzz.',
    ),
    ...some(
      of('nut-gap', 'high'),
      'One string is hard to press at the first frets.',
      'Some strings are hard to press at the first frets.',
    ),
    ...some(
      of('nut-gap', 'low'),
      'One string sits very deep at the nut: it may buzz open.',
      'Some strings sit very deep at the nut: they may buzz open.',
    ),
    ...some(
      of('intonation'),
      'One string plays a little out of tune up the neck.',
      'Some strings play a little out of tune up the neck.',
    ),
    ...some(c.highFrets.length, 'One fret stands high.', 'Some frets stand high.'),
    ...some(c.tight ? 1 : 0, 'It may buzz when you play as hard as you do.', ''),
    ...c.leftFindings.map(({ finding }) => finding.plain),
    // What is only asked first is the bench's question, not the customer's.
    ...p.unplanned.filter((u) => !u.asked).map((u) => u.plain),
  ];
}
