import { fretPosition } from '../neck/fret-position.ts';
import { saddleMove } from '../intonation/saddle-move.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { pullChange } from '../strings/pull-change.ts';
import { breakAngle } from '../saddle/break-angle.ts';
import type { Cents, Hz, Mm, Newton } from './unit-types.ts';

// What is written here is proved by the type checker: each line that must not pass says so, and fails to compile if it does.
test('a unit never passes for another, a bare number for any', () => {
  const [mm, cents, hz, newton]: [Mm, Cents, Hz, Newton] = [648, 3, 440, 75];
  const back: Mm = saddleMove(mm, 12, cents);
  // @ts-expect-error cents are no length
  saddleMove(cents, 12, cents);
  // @ts-expect-error a length is no error of pitch
  saddleMove(mm, 12, mm);
  // @ts-expect-error a move is a length
  const wrong: Cents = saddleMove(mm, 12, cents);
  // @ts-expect-error a pitch is no length
  fretPosition(hz, 12);
  // @ts-expect-error a length is no pull
  pullChange(mm, newton);
  // @ts-expect-error a pull is no length
  breakAngle(newton, mm);
  // @ts-expect-error a length is no pitch
  noteFrequency('A4', mm);
  expect([back, wrong].every((v) => v > 0)).toBe(true);
  expect(fretPosition(648, 12)).toBeCloseTo(324, 9);
});
