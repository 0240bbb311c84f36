/**
 * The rounds of a job: as found, one after each operation that moved something (`after-work`, `after-work-2` …), as left.
 */
export type RoundKind = 'as-found' | 'after-work' | `after-work-${number}` | 'as-left';

/** What a round's kind is written as. */
export const ROUND_KIND = /^(?:as-found|after-work(?:-(?:[2-9]|[1-9]\d))?|as-left)$/;

/** Whether a text names a round. */
export const isRoundKind = (text: string): text is RoundKind => ROUND_KIND.test(text);

/** The place of an after-work round among its like: 1, 2 …; 0 for the first and last rounds of a job. */
export const afterNumber = (kind: RoundKind): number =>
  kind === 'after-work' ? 1 : kind.startsWith('after-work-') ? Number(kind.slice('after-work-'.length)) : 0;

/** Order of the work: as found, after work in turn, as left. */
export const roundOrder = (kind: RoundKind): number =>
  kind === 'as-found' ? 0 : kind === 'as-left' ? 1000 : afterNumber(kind);

/** What a round is called; `title` is what was done before it. */
export function roundName(kind: RoundKind, title = ''): string {
  if (kind === 'as-found') return 'As found';
  if (kind === 'as-left') return 'As left';
  const n = afterNumber(kind);
  return title === '' ? (n === 1 ? 'After work' : `After work ${n}`) : `After: ${title}`;
}

/** A round that was begun: its kind and when (ms since the epoch). */
export interface BegunRound {
  readonly kind: RoundKind;
  readonly startedAt: number;
}

/**
 * The after-work round that comes next: a new one once something that moves readings was finished after the last one
 * began; null while the last one still stands for the instrument.
 * @param finished steps that move readings, ms since the epoch
 * @example nextAfterRound([{ kind: 'after-work', startedAt: 5 }], [{ title: 'Cut the nut slots', at: 9 }]) → { kind: 'after-work-2' }
 */
export function nextAfterRound(
  rounds: readonly BegunRound[],
  finished: readonly { readonly title: string; readonly at: number }[],
): { readonly kind: RoundKind; readonly title: string } | null {
  const afters = rounds.filter((r) => afterNumber(r.kind) > 0);
  const last = afters.reduce<BegunRound | null>((a, b) => (a && a.startedAt >= b.startedAt ? a : b), null);
  const newest = finished.reduce<{ title: string; at: number } | null>(
    (a, b) => (a && a.at >= b.at ? a : b),
    null,
  );
  if (newest === null || (last !== null && newest.at <= last.startedAt)) return null;
  const n = Math.max(0, ...afters.map((r) => afterNumber(r.kind))) + 1;
  return { kind: n === 1 ? 'after-work' : `after-work-${n}`, title: newest.title };
}
