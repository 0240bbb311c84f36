import { OPERATIONS } from '../catalogue/operations.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { roundMovers } from './round-movers.ts';

const at = (minute: number) => new Date(Date.UTC(2026, 10, 20, 10, minute));
const line = (id: number, operation: OperationId, finished: number | null) => ({
  id,
  title: operation,
  operation,
  finishedAt: finished === null ? null : at(finished),
});
const turn = (lineId: number, minute: number) => ({ lineId, turnedAt: at(minute) });
const movers = (more: Partial<Parameters<typeof roundMovers>[0]>) =>
  roundMovers({ lines: [], turns: [], stringChanges: [], catalogue: OPERATIONS, ...more }).map((m) => [
    m.title,
    (m.at - at(0).getTime()) / 60_000,
  ]);

test.each([
  ['nothing', {}, []],
  ['a finished step', { lines: [line(1, 'saddle-lower', 5)] }, [['saddle-lower', 5]]],
  ['one that goes on', { lines: [line(1, 'saddle-lower', null)] }, []],
  ['one that moves nothing that is read', { lines: [line(1, 'clean-body', 5)] }, []],
  [
    'a rod from its first turn on',
    { lines: [line(1, 'rod', null)], turns: [turn(1, 3), turn(1, 4)] },
    [['rod', 3]],
  ],
  [
    'the same once it is finished',
    { lines: [line(1, 'rod', 9)], turns: [turn(1, 3), turn(1, 4)] },
    [['rod', 3]],
  ],
  ['a rod whose turns were not logged', { lines: [line(1, 'rod', 9)] }, [['rod', 9]]],
  [
    'strings on, not off',
    {
      stringChanges: [
        { kind: 'off', fresh: null, changedAt: at(1) },
        { kind: 'on', fresh: true, changedAt: at(2) },
      ],
    },
    [['New strings put on', 2]],
  ],
] as const)('%s', (_, more, expected) => {
  expect(movers(more as never)).toEqual(expected);
});
