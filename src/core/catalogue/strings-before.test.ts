import { operation } from './operations.ts';
import type { OperationId } from './operation-ids.ts';
import { stringsBefore } from './strings-before.ts';

const before = (bare: boolean, ...ids: OperationId[]) =>
  stringsBefore(
    ids.map((id) => operation(id)),
    bare,
  );

test.each([
  ['nothing wants anything', false, ['clean-body', 'battery'], [null, null]],
  [
    'rod, off, frets, slots, test: they go on once, before the slots',
    false,
    ['rod', 'strings-off', 'fret-dress', 'nut-slots', 'saddle-lower', 'play-test'],
    [null, null, null, 'on', null, null],
  ],
  ['a bridge without a line that takes them off', false, ['bridge-reglue', 'rod'], ['off', 'on']],
  ['they are off already', true, ['fret-polish', 'rod'], [null, 'on']],
  ['the stringing itself puts them on', true, ['fret-polish', 'play-test'], [null, null]],
  [
    'a bridge thinned after the nut: off again, and on by the test',
    false,
    ['strings-off', 'fret-dress', 'nut-slots', 'bridge-thin', 'play-test'],
    [null, null, 'on', 'off', null],
  ],
  ['a new set where they are on', false, ['rod', 'restring', 'intonate'], [null, 'off', null]],
] as const)('%s', (_, bare, ids, expected) => {
  expect(before(bare, ...ids)).toEqual(expected);
});
