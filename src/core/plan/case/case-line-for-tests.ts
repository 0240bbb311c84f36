import type { Kind } from '../../instrument/kinds.ts';
import { answerCase } from './case-answer.ts';
import { caseProblem } from './case.ts';
import { caseOf, does, enough, type More, type Read } from './cases-for-tests.ts';

/** A labelled case: what it says, the instrument, what was read and found, and what must and must not be in the plan. */
export type Line = readonly [
  says: string,
  kind: Kind,
  read: Read,
  found: readonly string[],
  must: readonly string[],
  mustNot: readonly string[],
  more?: More,
];

/** Holds a labelled case against the plan that is enough. */
export function holds(line: Line): void {
  const [, kind, read, found, must, mustNot, more] = line;
  const c = caseOf(kind, read, found, more);
  const said = answerCase(c);
  const steps = does(said);
  for (const step of must) expect(steps).toContain(step);
  for (const step of mustNot) expect(steps).not.toContain(step);
  // None is lost: every finding leads to an operation of the plan, or says in it why not.
  const left = enough(said).undone.map((u) => u.what);
  for (const plan of said.plans) expect(plan.undone.every((u) => u.what !== '' && u.why !== '')).toBe(true);
  const { problem } = caseProblem(c);
  const findings = 'because' in problem ? [] : problem.findings;
  const byOperation = findings.filter((f) => enough(said).steps.some((s) => s.operation === f.leadsTo));
  expect(byOperation.length + left.filter((w) => w.includes(':')).length).toBeGreaterThanOrEqual(
    found.length,
  );
}
