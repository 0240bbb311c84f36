import { stringName, stringNumber } from '../../instrument/construction.ts';
import { sizeWords } from '../../units/words-in.ts';
import { isOut } from './judge-outcome.ts';
import type { Problem } from './problem.ts';
import type { Candidate } from './solve.ts';

/** Where a string would buzz for this touch, and by how much; null where it clears, or nobody can tell. */
export function buzzOf(p: Problem, c: Candidate): { readonly what: string; readonly why: string } | null {
  const t = c.tightest;
  if (t === null || !c.tight) return null;
  const unsure = c.ways.some((w) => w.parts.length > 0) ? p.limits.planned : 0;
  const string = stringName(p.model.construction, stringNumber(p.model.construction, t.string));
  return {
    what: `String ${string} held at ${t.held === 0 ? 'no fret' : t.held}`,
    why:
      t.margin < -unsure
        ? `It meets fret ${t.fret} for this touch, by ${sizeWords(-t.margin)}.`
        : t.margin < 0
          ? `It may just meet fret ${t.fret} for this touch: ${sizeWords(-t.margin)}, less than readings can be wrong by.`
          : `It would clear fret ${t.fret} by only ${sizeWords(t.margin)}, less than readings can be wrong by.`,
  };
}

/** So many are named. */
const MOST = 3;

/**
 * What one candidate leaves out and another does not, by name: places out of their bands, frets that stand high, and where it
 * would buzz with why.
 * @returns words that go on after a colon, without a full stop; empty where it has no name
 */
export function leftByOne(p: Problem, one: Candidate, other: Candidate): string {
  const labels = (c: Candidate): readonly string[] => [
    ...c.stands.filter(isOut).map((s) => s.judged.label),
    ...c.highFrets.map((h) => `fret ${h.fret}`),
  ];
  const kept = new Set(labels(other));
  const named = labels(one).filter((l) => !kept.has(l));
  const buzz = buzzOf(p, other) === null ? buzzOf(p, one) : null;
  const all = [
    ...named.slice(0, MOST),
    ...(named.length > MOST ? [`${named.length - MOST} more`] : []),
    ...(buzz ? [`${buzz.what}: ${buzz.why.replace(/\\.$/, '')}`] : []),
  ];
  return all.map((w) => w.replace(/^[A-Z](?=[a-z])/, (c) => c.toLowerCase())).join('; ');
}
