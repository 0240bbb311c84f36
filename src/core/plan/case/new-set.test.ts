import { answerCase } from './case-answer.ts';
import { caseProblem } from './case.ts';
import { caseOf, GOOD } from './cases-for-tests.ts';
import { plansFor } from '../solve/plans.ts';
import { READ_NEW_SET } from '../solve/steps.ts';

const ELECTRIC = { relief: 0.2, bass: 1.7, treble: 1.4 };
const OUT = { 'intonation:6:12': 8, 'intonation:5:12': 6, 'intonation:1:12': -5 };

const planned = (...asked: Parameters<typeof caseOf>) => {
  const answer = answerCase(caseOf(...asked));
  return answer.plans.find((p) => p.id === 'enough');
};
const operations = (p: { readonly steps: readonly { readonly operation: string | null }[] } | undefined) =>
  (p?.steps ?? []).flatMap((s) => s.operation ?? []);

test.each([
  ['saddles on screws', 'solid-electric', ELECTRIC, 'intonate'],
  ['one bone saddle', 'steel-acoustic', GOOD, 'compensate'],
] as const)('%s: no contact moves by pitches of strings that come off', (_, kind, readings, contact) => {
  const worn = planned(kind, { ...readings, ...OUT }, ['strings old']);
  expect(operations(worn)).toContain('play-test');
  expect(operations(worn)).not.toContain(contact);
  // With strings that stay on, they are what it is set by.
  expect(operations(planned(kind, { ...readings, ...OUT }, []))).toContain(contact);
});

/** The plans of a case as a job's screen has them. */
function plansOf(readings: Parameters<typeof caseOf>[1]) {
  const { problem } = caseProblem(caseOf('solid-electric', readings, ['strings old']));
  if ('because' in problem) throw new Error(problem.because);
  const { plans } = plansFor(problem);
  const by = (id: 'leave' | 'sufficient') => plans.find((p) => p.id === id);
  return { enough: by('sufficient'), leave: by('leave') };
}

test('what is out is read again with the new strings on, and its plan says so; a plan that only leaves it says what is out', () => {
  const { enough, leave } = plansOf({ ...ELECTRIC, ...OUT });
  expect(enough?.waits).toEqual([
    'Intonation: string 6 +8, string 5 +6, string 1 −5 cents as read. It is read again when the new strings are on, and only then a contact moves.',
  ]);
  expect(enough?.steps.at(-1)).toEqual(READ_NEW_SET);
  expect(enough?.undone.map((u) => u.what)).toEqual([]);
  expect(leave?.waits).toEqual([]);
  expect(leave?.undone.map((u) => u.what).filter((w) => w.startsWith('Cents'))).toHaveLength(3);
});

test('nothing waits where the pitches are right', () => {
  const { enough } = plansOf({ ...ELECTRIC, 'intonation:6:12': 0.5, 'intonation:1:12': 0 });
  expect(enough?.waits).toEqual([]);
  expect(enough?.steps).not.toContainEqual(READ_NEW_SET);
});
