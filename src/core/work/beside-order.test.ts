import { OPERATIONS, operation } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { besideOrder, besides, type StandingLine } from './beside-order.ts';

const line = (id: OperationId, more: Partial<StandingLine> = {}): StandingLine => {
  const op = operation(id, OPERATIONS);
  return { title: op.name, operation: id, approval: 'yes', step: 'ready', op, ...more };
};
const said = (id: OperationId, ...lines: readonly StandingLine[]) =>
  besideOrder(operation(id, OPERATIONS), lines).join(' ');

test.each([
  ['rod', [line('rod')], /“Adjust the truss rod” stands on the order already/],
  ['nut-slots', [line('nut-new')], /part of “Make a new nut”/],
  ['nut-new', [line('nut-slots')], /“Cut the nut slots” on the order is part of it/],
  ['play-test', [line('restring')], /“Put a new set on” puts a set on already/],
  ['restring', [line('string-up', { step: 'finished' })], /“String it up” puts a set on already/],
  ['rod', [line('saddle-lower')], /^$/],
  ['rod', [line('rod', { approval: 'no' })], /^$/],
  ['rod', [line('rod', { step: 'finished' })], /^$/],
  ['play-test', [], /^$/],
] as const)('%s beside %j', (id, lines, words) => {
  expect(said(id, ...lines)).toMatch(words);
});

test('only what there is something to say of is named', () => {
  expect(Object.keys(besides(OPERATIONS, [line('refret')])).sort()).toEqual(
    ['refret', ...operation('refret', OPERATIONS).includes].sort(),
  );
  expect(besides(OPERATIONS, [])).toEqual({});
});
