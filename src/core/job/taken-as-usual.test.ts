import { allAssumed } from '../instrument/assumed.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { takenAsUsual } from './taken-as-usual.ts';

test('what a plan takes as usual is said: the hand, and what decides how it is worked on', () => {
  expect(takenAsUsual('light', usualConstruction('nylon'))).toEqual([]);
  expect(takenAsUsual(null, {})).toEqual([expect.stringMatching(/medium touch/)]);
  const [said] = takenAsUsual('heavy', allAssumed(usualConstruction('nylon')));
  expect(said).toMatch(/the scale, the frets.*the truss rod.*the bridge, the nut\.$/);
  // What may touch it is said where it is wiped, not in the plan.
  expect(said).not.toMatch(/finish|fingerboard/);
  expect(takenAsUsual('heavy', { assumed: ['finish'] })).toEqual([]);
});
