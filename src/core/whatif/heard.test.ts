import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { handFor, mapOfNeck } from './clearance-map.ts';
import { consequences, positionsOf } from './consequences.ts';
import { handHeard, sayWhatWasHeard, toldBy, type HeardPlace } from './heard.ts';
import { NO_MOVES } from './moves.ts';
import type { NeckModel } from './neck-model.ts';
import { atItsAims } from './pluck-reach.ts';

const { model: aimed } = atItsAims('steel-acoustic', 'medium');
/** The same with strings so low that some places buzz. */
const low: NeckModel = { ...aimed, action: aimed.action.map((a) => a - 0.55) };
const RATIO = 1.65;

/** What a hand hears on a neck, worked out from the map itself. */
function plays(
  model: NeckModel,
  force: number,
  places: readonly (readonly [number, number])[],
): HeardPlace[] {
  const o = consequences(model, NO_MOVES, RATIO, positionsOf(model.construction));
  const maps = mapOfNeck(model, o, handFor(model, 'medium', force));
  return places.flatMap(([index, held]) => {
    const heard = (maps[index]?.margin[held] ?? 0) < 0 ? ('buzzes' as const) : ('clear' as const);
    const told = toldBy(model, 'medium', index, { held, heard }, RATIO);
    return told.kind === 'force' ? [{ string: 6 - index, held, heard, force: told.force }] : [];
  });
}

test('nothing heard is no hand of its own', () => {
  expect(handHeard([], 9)).toBeNull();
});

test('a hand that explains what is heard lies between what is clear and what buzzes', () => {
  const everywhere = [0, 1, 2, 3, 4, 5].flatMap((i) => [1, 3, 5, 7, 9, 12].map((held) => [i, held] as const));
  const usual = handFor(low, 'medium').force;
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 2, noNaN: true }), (times) => {
      const force = usual * times;
      const heard = plays(low, force, everywhere);
      const fitted = handHeard(heard, usual);
      if (fitted === null) return;
      expect(fitted.agrees).toBe(true);
      // Played by the hand that was fitted, the same is heard again.
      const places = heard.map((h) => [6 - h.string, h.held] as const);
      const again = plays(low, fitted.force, places).filter(
        (h) => Math.abs((h.force ?? 0) - fitted.force) > 1e-6,
      );
      for (const h of again)
        expect(heard.find((x) => x.string === h.string && x.held === h.held)?.heard).toBe(h.heard);
    }),
    runs(10, 30),
  );
});

test('what contradicts itself is said, and is the hand with the fewest places against it, nearest to the usual one', () => {
  const place = (heard: 'clear' | 'buzzes', force: number): HeardPlace => ({
    string: 1,
    held: 5,
    heard,
    force,
  });
  expect(handHeard([place('clear', 4), place('buzzes', 8)], 5)).toEqual({ force: 4, agrees: false });
  expect(handHeard([place('clear', 4), place('buzzes', 8)], 7)).toEqual({ force: 8, agrees: false });
  // One fret stands high: that is no heavier hand.
  const clear = [5, 6, 7, 8].map((force) => place('clear', force));
  expect(handHeard([...clear, place('buzzes', 20)], 4)).toEqual({ force: 4, agrees: false });
  expect(handHeard([place('clear', 8), place('buzzes', 4)], 6)).toEqual({ force: 6, agrees: true });
  expect(handHeard([place('clear', 5)], 6)).toEqual({ force: 5, agrees: true });
  expect(handHeard([place('buzzes', 7)], 6)).toEqual({ force: 7, agrees: true });
});

test('a place that lies on a fret tells of the neck, and so does one that no hand makes buzz', () => {
  const lying: NeckModel = { ...aimed, action: aimed.action.map(() => 0.05) };
  expect(toldBy(lying, 'medium', 5, { held: 0, heard: 'clear' }, RATIO)).toEqual({ kind: 'touches' });
  const high: NeckModel = { ...aimed, action: aimed.action.map(() => 40) };
  expect(toldBy(high, 'medium', 5, { held: 12, heard: 'buzzes' }, RATIO)).toEqual({ kind: 'never' });
});

test('what was heard is said with how much it was, where the ear heard it', () => {
  expect(sayWhatWasHeard({ heard: 'clear' })).toBe('clear');
  expect(sayWhatWasHeard({ heard: 'buzzes', amount: null })).toBe('◆ buzzes');
  expect(sayWhatWasHeard({ heard: 'buzzes', amount: 0.83 })).toBe('◆ buzzes (0.83)');
  expect(sayWhatWasHeard({ heard: 'clear', amount: 0.12 })).toBe('clear (0.12)');
});
