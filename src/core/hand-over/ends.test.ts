import fc from 'fast-check';
import type { OperationId } from '../catalogue/operation-ids.ts';
import { OPERATIONS } from '../catalogue/operations.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { allTicked, benchChecks, type CheckedWork } from '../job/bench-check.ts';
import { countingLines, droppedLines, ENDS, endOf, type End, type EndingLine } from './ends.ts';

const line: fc.Arbitrary<EndingLine> = fc
  .record({
    approval: fc.constantFrom('asked' as const, 'yes' as const, 'no' as const),
    step: fc.constantFrom('ready' as const, 'running' as const, 'paused' as const, 'finished' as const),
  })
  // A step is only begun where the customer said yes.
  .map((l) => (l.approval === 'yes' ? l : { ...l, step: 'ready' as const }));
const lines = fc.array(line, { maxLength: 12 });
const end = fc.constantFrom(...(Object.keys(ENDS) as End[]));

test('every line that was not refused is done, still to do, or dropped: never two of them, and none is lost', () => {
  fc.assert(
    fc.property(end, lines, (said, all) => {
      const is = endOf(said, all);
      const counting = countingLines(is, all);
      const dropped = droppedLines(is, all);
      expect(counting.some((l) => dropped.includes(l))).toBe(false);
      const left = all.filter((l) => !counting.includes(l) && !dropped.includes(l));
      // What is left over was refused, or is asked on a job that goes on.
      expect(left.every((l) => l.approval === 'no' || (is === 'done' && l.approval === 'asked'))).toBe(true);
      if (is !== 'done') expect(counting.every((l) => l.step === 'finished')).toBe(true);
    }),
  );
});

test.each([
  ['nothing on the order', [], 'as-it-is'],
  ['only what was refused', [{ approval: 'no', step: 'ready' }], 'as-it-is'],
  ['asked and not answered', [{ approval: 'asked', step: 'ready' }], 'as-it-is'],
  ['agreed', [{ approval: 'yes', step: 'ready' }], 'done'],
  ['finished', [{ approval: 'yes', step: 'finished' }], 'done'],
] as const)('a job with %s ends %s', (_what, all, is) => {
  expect(endOf('done', all)).toBe(is);
  expect(endOf('called-off', all)).toBe('called-off');
});

type Step = 'ready' | 'finished';
const checked = (
  operations: readonly (readonly [operation: OperationId, step: Step])[],
  more: {
    readonly ending?: End;
    readonly strings?: 'at-pitch' | 'off';
    readonly kind?: (typeof KINDS)[number];
  } = {},
): CheckedWork => ({
  instrument: { construction: usualConstruction(more.kind ?? 'steel-acoustic') },
  lines: operations.map(([operation, step]) => ({ operation, step, approval: 'yes' as const })),
  catalogue: OPERATIONS,
  job: { stringsState: more.strings ?? 'at-pitch' },
  handOver: { ending: more.ending ?? 'done' },
});
const keys = (...of: Parameters<typeof checked>) => benchChecks(checked(...of), false).map((c) => c.key);

describe('the bench check asks what the order makes true', () => {
  test.each([
    ['a setup', [['rod', 'finished']], {}, ['played', 'bends', 'controls', 'clean']],
    ['work that moves no reading', [['clean-body', 'finished']], {}, ['controls', 'clean']],
    ['nothing done', [], {}, ['as-came']],
    ['agreed, not done, goes as it is', [['rod', 'ready']], { ending: 'as-it-is' }, ['as-came']],
    [
      'half done, goes as it is',
      [
        ['rod', 'finished'],
        ['restring', 'ready'],
      ],
      { ending: 'as-it-is' },
      ['played', 'bends', 'controls', 'clean'],
    ],
    ['its strings are off', [['rod', 'finished']], { strings: 'off' }, ['controls', 'clean']],
  ] as const)('%s', (_what, operations, more, is) => {
    expect(keys(operations, more)).toEqual(is);
  });

  test('what goes back is asked for only where something goes back', () => {
    expect(benchChecks(checked([['rod', 'finished']]), true).at(-1)?.key).toBe('case');
  });

  test('nobody bends a nylon string, nor turns a knob that is not there', () => {
    const titles = (kind: (typeof KINDS)[number]) =>
      benchChecks(checked([['rod', 'finished']], { kind }), false)
        .map((c) => c.title)
        .join('; ');
    expect(titles('nylon')).not.toContain('Bends');
    expect(titles('nylon')).not.toContain('Controls');
    expect(titles('solid-electric')).toContain('Controls');
  });

  test('a tick that is not asked completes nothing', () => {
    const asked = benchChecks(checked([]), false);
    expect(allTicked(asked, { played: true, bends: true, controls: true, clean: true })).toBe(false);
    expect(allTicked(asked, { 'as-came': true })).toBe(true);
  });
});
