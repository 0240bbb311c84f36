import type { OperationId } from '../../catalogue/operation-ids.ts';
import { operation } from '../../catalogue/operations.ts';
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

/** What is wrong with the plan of a labelled case; nothing where it is as it says. */
export interface Wrong {
  readonly missing: readonly string[];
  readonly unwanted: readonly string[];
  /** something stays undone without a word, or a finding leads to nothing */
  readonly lost: boolean;
}

/** As it must be. */
export const RIGHT: Wrong = { missing: [], unwanted: [], lost: false };

/** Holds a labelled case against the plan that is enough. */
export function wrongWith(line: Line): Wrong {
  const [, kind, read, found, must, mustNot, more] = line;
  const c = caseOf(kind, read, found, more);
  const said = answerCase(c);
  const steps = does(said);
  // None is lost: every finding leads to an operation of the plan, or says in it why not.
  const left = enough(said).undone.filter((u) => u.what.includes(':')).length;
  const wordless = said.plans.some((p) => p.undone.some((u) => u.what === '' || u.why === ''));
  const { problem } = caseProblem(c);
  const findings = 'because' in problem ? [] : problem.findings;
  const deals = (id: OperationId, other: OperationId): boolean =>
    id === other ||
    operation(id).includes.includes(other) ||
    // High slots that are cut may have been all that made the first frets sharp.
    (id === 'nut-slots' && other === 'nut-compensate');
  const dealt = findings.filter((f) => enough(said).steps.some((s) => deals(s.operation, f.leadsTo))).length;
  return {
    missing: must.filter((m) => !steps.includes(m)),
    unwanted: mustNot.filter((m) => steps.includes(m)),
    lost: wordless || dealt + left < found.length,
  };
}
