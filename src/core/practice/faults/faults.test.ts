import { describe, expect, test } from 'vitest';
import { breath, LONG } from '../../../runs-for-tests.ts';
import { KINDS } from '../../instrument/kinds.ts';
import { benchAfter } from '../bench.ts';
import type { Act } from '../acts.ts';
import { instrumentWith, practiceInstrument } from '../instrument.ts';
import { LEVELS, type Level } from '../levels.ts';
import { enoughBench } from '../enough.ts';
import { tuned } from '../remedies.ts';
import { signsOf, tellsOfFault } from '../signs.ts';
import { doWork } from '../work.ts';
import { FAULT_GROUPS, type FaultGroup } from './fault.ts';
import { FAULTS, faultById } from './faults.ts';

/** How many instruments of each kind are drawn: more of them by `--long`. */
const DRAWN = LONG ? 6 : 2;

/** What a fault's own remedy alone makes of an instrument: nothing else is touched. */
function byOwnRemedy(p: ReturnType<typeof instrumentWith>) {
  const [fault] = p.faults;
  let { inside } = p;
  for (let n = 0; n < 60; n++) {
    const work = tuned(inside) ?? fault?.remedy(inside) ?? null;
    if (!work) break;
    inside = doWork(inside, work).inside;
  }
  return inside;
}

test('there are enough of them, each with its own name, in every part and at every level', () => {
  expect(FAULTS.length).toBeGreaterThanOrEqual(25);
  expect(new Set(FAULTS.map((f) => f.id)).size).toBe(FAULTS.length);
  expect(new Set(FAULTS.map((f) => f.name)).size).toBe(FAULTS.length);
  for (const group of Object.keys(FAULT_GROUPS) as FaultGroup[])
    expect(FAULTS.filter((f) => f.group === group).length).toBeGreaterThan(1);
  expect(new Set(FAULTS.map((f) => f.level))).toEqual(new Set([1, 2, 3]));
  expect(faultById('no such fault')).toBeNull();
});

describe.each(KINDS)('on a %s', (kind) => {
  test('nothing shows where nothing is wrong', () => {
    expect(signsOf(instrumentWith(kind, []).inside)).toEqual([]);
  });

  test('every fault shows in a reading, a look or a sound, and its own remedy takes all of it away', async () => {
    let tried = 0;
    for (const [n, fault] of FAULTS.entries()) {
      // Each fault on every third kind, by `--long` on each.
      if (!LONG && (n + KINDS.indexOf(kind)) % 3 !== 0) continue;
      await breath();
      const p = instrumentWith(kind, [fault.id], 7);
      if (!fault.fits(p.inside.construction)) continue;
      tried++;
      const before = signsOf(p.inside).filter((s) => s.judged);
      expect(before.length, `${fault.id} shows`).toBeGreaterThan(0);
      // It is told by a reading or by ear, and not only to whoever looks at the right place.
      const told = signsOf(p.inside).filter((s) => s.kind !== 'look');
      expect(told.length, `${fault.id} is read or heard`).toBeGreaterThan(0);
      const after = signsOf(byOwnRemedy(p)).filter((s) => s.judged);
      expect(
        after.map((s) => s.says),
        `${fault.id} is put right`,
      ).toEqual([]);
      expect(fault.explains(p.inside)).toMatch(/^[A-Z].{30,}\.$/s);
    }
    expect(tried).toBeGreaterThan(LONG ? 14 : 3);
  });

  test('no fault is put right by the remedy of another that shows the same', async () => {
    const pairs = [
      ['relief-high', 'saddle-high'],
      ['saddle-high', 'relief-high'],
      ['lifted-fret', 'high-fret'],
      ['back-bow', 'saddle-low'],
    ] as const;
    for (const [hidden, taken] of pairs) {
      await breath();
      const p = instrumentWith(kind, [hidden], 3);
      const other = faultById(taken);
      const fits = [hidden, taken].every((id) => faultById(id)?.fits(p.inside.construction) === true);
      if (!fits || !other) continue;
      let { inside } = p;
      for (let n = 0; n < 12; n++) {
        const work = tuned(inside) ?? other.remedy(inside);
        if (!work) break;
        inside = doWork(inside, work).inside;
      }
      const left = signsOf(inside).filter((s) => s.judged);
      expect(left.length, `${hidden} by the remedy of ${taken}`).toBeGreaterThan(0);
    }
  });
});

test.each(Object.keys(LEVELS).map(Number) as Level[])(
  'whatever is drawn at level %i: each fault shows beside the others, and what is enough leaves nothing',
  async (level) => {
    const counts = new Map<number, number>();
    for (const kind of KINDS) {
      for (let seed = 100; seed < 100 + DRAWN; seed++) {
        await breath();
        const p = practiceInstrument({ kind, level, seed, about: null });
        counts.set(p.faults.length, (counts.get(p.faults.length) ?? 0) + 1);
        p.alone.forEach((alone, n) =>
          expect(tellsOfFault(alone, p.inside).length, p.faults[n]?.id).toBeGreaterThan(0),
        );
        const left = signsOf(enoughBench(p).inside).filter((s) => s.judged);
        expect(
          left.map((s) => s.says),
          `${kind} ${seed} ${p.faults.map((f) => f.id).join()}`,
        ).toEqual([]);
        if (p.faults.length === 0) expect(signsOf(p.inside)).toEqual([]);
      }
    }
    expect(counts.size).toBeGreaterThan(1);
  },
);

describe('what is cut stays cut', () => {
  const cutting = (acts: readonly Act[]) =>
    benchAfter(instrumentWith('steel-acoustic', ['saddle-high'], 2), acts);

  test('a slot goes no deeper than the plane of the frets, and nothing fills it but filling', () => {
    const deep = cutting([{ kind: 'work', operation: 'nut-slots', string: 0, amount: 5 }]);
    const { sound, moves } = deep.inside;
    expect((sound.nut[0] ?? 0) + (moves.nut[0] ?? 0)).toBeCloseTo(0, 9);
    expect(deep.taken.nut).toBeCloseTo(sound.nut[0] ?? 0, 9);
    const again = cutting([
      { kind: 'work', operation: 'nut-slots', string: 0, amount: 5 },
      { kind: 'work', operation: 'rod', eighths: -2 },
    ]);
    expect(again.inside.moves.nut[0]).toBe(moves.nut[0]);
  });

  test('a lifted fret that is filed instead of seated has lost its height for good', () => {
    const p = instrumentWith('steel-acoustic', ['lifted-fret'], 4);
    const fret = p.inside.lifted.findIndex((v) => v > 0);
    const filed = benchAfter(p, [
      { kind: 'work', operation: 'fret-spot', fret },
      { kind: 'work', operation: 'fret-seat', fret },
    ]);
    const seated = benchAfter(p, [{ kind: 'work', operation: 'fret-seat', fret }]);
    expect(filed.inside.crowns[fret]).toBeLessThan((seated.inside.crowns[fret] ?? 0) - 0.1);
    expect(filed.taken.frets).toBeGreaterThan(0.1);
    expect(seated.taken.frets).toBe(0);
  });

  test('levelled on a neck that is not straight, the bend goes into the frets', () => {
    const bent = instrumentWith('steel-acoustic', ['relief-high', 'uneven-frets'], 5);
    const dress: Act = { kind: 'work', operation: 'fret-dress' };
    const level = benchAfter(bent, [dress]).inside;
    const straight = benchAfter(instrumentWith('steel-acoustic', ['uneven-frets'], 5), [dress]).inside;
    const most = (tops: readonly number[]): number => Math.max(...tops.slice(1)) - Math.min(...tops.slice(1));
    expect(most(level.moves.tops)).toBeGreaterThan(most(straight.moves.tops) + 0.1);
  });

  test('a rod at its end and a stuck nut are not forced', () => {
    const at = instrumentWith('solid-electric', ['rod-end'], 6);
    const turned = benchAfter(at, [{ kind: 'work', operation: 'rod', eighths: 4 }]);
    expect(turned.inside.moves.relief).toBe(at.inside.moves.relief);
    expect(turned.entries[0]?.says).toMatch(/at its end/);
    const stuck = instrumentWith('solid-electric', ['rod-stuck'], 6);
    const forced = benchAfter(stuck, [{ kind: 'work', operation: 'rod', eighths: 2 }]);
    expect(forced.inside).toEqual(stuck.inside);
    const freed = benchAfter(stuck, [
      { kind: 'work', operation: 'rod-free' },
      { kind: 'work', operation: 'rod', eighths: 2 },
    ]);
    expect(freed.inside.moves.relief).toBeCloseTo(
      stuck.inside.moves.relief - 2 * stuck.inside.rod.perEighth,
      9,
    );
  });
});
