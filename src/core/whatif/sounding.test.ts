import { breath, LONG } from '../../runs-for-tests.ts';
import { hear } from '../sound/hear.ts';
import { centsFrom } from '../sound/note-of.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { KINDS } from '../instrument/kinds.ts';
import { handFor, mapOfNeck, type Hand } from './clearance-map.ts';
import { consequences } from './consequences.ts';
import { NO_MOVES } from './moves.ts';
import type { NeckModel } from './neck-model.ts';
import { atItsAims } from './pluck-reach.ts';
import { soundingPlace, soundOfPlace } from './sounding.ts';

const RATIO = 1.65;
const of = (m: NeckModel, index: number, held: number, hand: Hand, moves = NO_MOVES) =>
  soundOfPlace(soundingPlace(m, consequences(m, moves, RATIO), moves, index, held, hand));
/** One with steel, one with nylon, one that is deep; the others by `--long`. */
const SOME = LONG ? KINDS : KINDS.filter((k) => ['steel-acoustic', 'nylon', 'bass'].includes(k));
test.each(SOME)('the open strings of a %s sound at their notes', async (kind) => {
  const { model } = atItsAims(kind, 'light');
  for (const index of kind === 'ukulele' ? [0, 3] : [0]) {
    await breath();
    const sound = of(model, index, 0, handFor(model, 'light', 0.4));
    const note = noteFrequency(model.strings[index]?.note ?? '');
    const heard = hear(sound, { hz: [note.ok ? note.value : 0], within: 120 });
    expect(heard.refused).toBeNull();
    expect(Math.abs(centsFrom(heard.hz ?? 1, note.ok ? note.value : 1))).toBeLessThan(4);
    expect(sound.touched).toEqual([]);
  }
});

test('a place that the map says buzzes touches a fret, and one well clear touches none', async () => {
  const { model: aimed } = atItsAims('steel-acoustic', 'medium');
  const low: NeckModel = { ...aimed, action: aimed.action.map((a) => a - 0.6) };
  const hand = handFor(low, 'medium');
  const maps = mapOfNeck(low, consequences(low, NO_MOVES, RATIO), hand);
  let [clear, buzzing] = [0, 0];
  for (const index of [0, 2, 5])
    for (const held of [0, 3, 7, 12]) {
      await breath();
      const margin = maps[index]?.margin[held] ?? 0;
      if (Math.abs(margin) < 0.06) continue;
      const { touched } = of(low, index, held, hand);
      if (margin < 0) buzzing++;
      else clear++;
      expect(touched.length > 0, `${index} at ${held}: ${margin}`).toBe(margin < 0);
    }
  expect(Math.min(clear, buzzing)).toBeGreaterThan(0);
});

test('another tuning that is tried is heard; it ends softly and never louder than it may', () => {
  const { model } = atItsAims('steel-acoustic', 'medium');
  const strings = model.strings.map((s, i) => (i === 0 ? { ...s, note: 'D2' } : s));
  const sound = of(model, 0, 0, handFor(model, 'light', 0.4), { ...NO_MOVES, strings });
  const note = noteFrequency('D2');
  const heard = hear(sound, { hz: [note.ok ? note.value : 0], within: 120 });
  expect(Math.abs(centsFrom(heard.hz ?? 1, note.ok ? note.value : 1))).toBeLessThan(4);
  expect(Math.abs(sound.samples.at(-1) ?? 1)).toBe(0);
  expect(sound.samples.every((x) => Math.abs(x) <= 1)).toBe(true);
});
