import { KINDS } from '../../core/instrument/kinds.ts';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { fretPlan } from '../../core/frets/fret-plan.ts';
import { NO_MOVES } from '../../core/whatif/moves.ts';
import { handlesOf, within } from './handles.ts';
import { readMove } from './read-move.ts';
import { AT_FIRST, tryingStep } from './trying.ts';

describe('trying, back and forth', () => {
  const move = (relief: number, at: string) => ({ kind: 'move' as const, to: { ...NO_MOVES, relief }, at });
  test('a drag is one step back, the next thing another', () => {
    let s = AT_FIRST;
    for (const v of [0.1, 0.2, 0.3]) s = tryingStep(s, move(v, 'rod'));
    s = tryingStep(s, { kind: 'settle' });
    s = tryingStep(s, move(0.4, 'rod'));
    expect(s.past).toHaveLength(2);
    s = tryingStep(s, { kind: 'undo' });
    expect(s.now.relief).toBe(0.3);
    s = tryingStep(s, { kind: 'undo' });
    expect(s.now).toEqual(NO_MOVES);
    expect(tryingStep(s, { kind: 'undo' })).toBe(s);
    s = tryingStep(tryingStep(s, { kind: 'redo' }), { kind: 'redo' });
    expect(s.now.relief).toBe(0.4);
    expect(tryingStep(s, { kind: 'redo' })).toBe(s);
  });
  test('something new forgets what was taken back', () => {
    let s = tryingStep(AT_FIRST, move(0.1, 'rod'));
    s = tryingStep(s, { kind: 'undo' });
    s = tryingStep(s, move(0.5, ''));
    expect(s.future).toEqual([]);
  });
});

describe('handles', () => {
  test.each(KINDS)('%s: each sets what it reads, and nothing else moves twice', (kind) => {
    const c = usualConstruction(kind);
    for (const string of [0, c.strings.length - 1]) {
      const all = handlesOf(c, string);
      expect(new Set(all.map((h) => h.id)).size).toBe(all.length);
      for (const h of all) {
        const to = h.set(NO_MOVES, 0.2);
        expect(h.get(to)).toBe(0.2);
        expect(h.get(NO_MOVES)).toBe(0);
        for (const other of all) if (other.id !== h.id) expect(other.get(to)).toBe(0);
      }
    }
  });
  test('stay within their reach, on thousandths', () => {
    expect(within({ least: -1, most: 1 }, 7)).toBe(1);
    expect(within({ least: -1, most: 1 }, -0.12345)).toBe(-0.123);
  });
});

test.each([
  ['', 0],
  ['-0.8', -0.8],
  ['−0,5 mm', -0.5],
  ['+1/64', 0.396875],
  ['5 thou', 0.127],
  ['abc', null],
])('a move typed as “%s”', (text, mm) => {
  const read = readMove(text);
  if (mm === null) expect(read).toBeNull();
  else expect(read).toBeCloseTo(mm, 9);
});

test('a fret plan wants at least three frets', () => {
  const top = (fret: number, v: number) => ({ fret, bass: v, middle: v, treble: v, height: v });
  expect(fretPlan(648, [top(1, 1), top(2, 1)], 0.6, 1.1)).toBeNull();
  const plan = fretPlan(648, [top(1, 1), top(2, 1.1), top(3, 1)], 0.6, 1.1);
  expect(plan?.level.frets[1]?.removal.middle).toBeCloseTo(0.1, 6);
  expect(plan?.strategies.map((s) => s.strategy)).toEqual([
    'spots',
    'level-all',
    'replace-some',
    'replace-all',
  ]);
});
