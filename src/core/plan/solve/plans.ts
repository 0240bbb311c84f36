import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { operation } from '../../catalogue/operations.ts';
import type { Undone } from '../plan-input.ts';
import { daysOf, inOrder, type Cost } from './cost.ts';
import { callsOf, type Call } from './explain.ts';
import { dealsWith, findingCalls, type FindingCall } from './findings.ts';
import type { Problem } from './problem.ts';
import { waysOfFinding } from './pin-ways.ts';
import type { Removed } from './removed.ts';
import { BY_AIM, BY_COST, first, leastAmong, leaveIt, search, type Candidate } from './solve.ts';
import { READ_NEW_SET, stepsOf, type Step } from './steps.ts';
import { undone, undonePlain } from './undone.ts';
import { bringsNewSet, waitsToBeRead } from './waits.ts';
import type { Amount, Group } from './way.ts';

/** A plan as it is shown, printed and kept. mm, cents, minor units, minutes. */
export interface Plan {
  readonly id: 'leave' | 'sufficient' | 'best';
  readonly name: string;
  readonly operations: ReadonlyArray<{
    readonly id: OperationId;
    readonly name: string;
    /** what the customer reads of it, what is no longer original, and whether it may show something unseen */
    readonly customer: string;
    readonly changes: string;
    readonly risky: boolean;
    /** the question of a setup it answers; null for what goes along or a finding asks for */
    readonly group: Group | null;
    readonly says: string;
    /** the findings it deals with, by item */
    readonly found: readonly string[];
    /** how it is begun, where it cannot be undone */
    readonly firstCut: string | null;
    readonly warns: readonly string[];
    readonly amounts: readonly Amount[];
    readonly reversible: boolean;
    /** taken off for good at the place that loses most, mm */
    readonly removed: number;
  }>;
  readonly steps: readonly Step[];
  readonly moves: Moves;
  /** what is expected to stand at each place that was read */
  readonly predicted: ReadonlyArray<{ readonly key: string; readonly label: string; readonly value: number }>;
  readonly undone: readonly Undone[];
  /** what was read out of its band and is judged only when it is read again */
  readonly waits: readonly string[];
  /** what stays undone in plain words, without numbers */
  readonly undonePlain: readonly string[];
  readonly warns: readonly string[];
  readonly calls: readonly Call[];
  readonly cost: Cost;
  /** days it is away at the least, its first and last with it: hands six hours a day, waits through the night too */
  readonly days: number;
  /** taken off for good at the place that loses most, mm, part by part */
  readonly removed: Removed;
  readonly weight: number;
  readonly misses: number;
}

export interface Plans {
  readonly plans: readonly Plan[];
  readonly findings: readonly FindingCall[];
  /** how many answers were looked at: all there are among the sizes considered */
  readonly looked: number;
  /** how much lighter a plan among these sizes could still be, minor units */
  readonly bound: 0;
  readonly assumed: readonly string[];
  /** what was not read, and is asked for before anybody goes by these plans */
  readonly questions: readonly string[];
}

const NAMES: Readonly<Record<Plan['id'], string>> = {
  leave: 'Leave it as it is',
  sufficient: 'What is enough',
  best: 'Nearest to every aim',
};

/** What is said of an operation that only goes with others. */
export const GOES_ALONG = 'Goes with the others.';

/** What a line of a plan says: what the sums ask for, and what the inspection found; how it is done where only the latter asks. */
function saysOf(sums: string | undefined, inspection: string, ways: string): string {
  if (sums === undefined) return inspection === '' ? GOES_ALONG : `${inspection}${ways}`;
  return inspection === '' ? sums : `${sums} ${inspection}`;
}

function planOf(p: Problem, id: Plan['id'], c: Candidate, calls: readonly Call[]): Plan {
  const parts = c.ways.flatMap((w) => w.parts);
  const by = (f: Problem['findings'][number]) => dealsWith(f, c.moves);
  const waits = waitsToBeRead(p, c);
  return {
    id,
    name: NAMES[id],
    operations: inOrder(p, c.operations).map((o) => {
      const part = parts.find((x) => x.operation === o.id);
      const way = c.ways.find((w) => w.parts.some((x) => x.operation === o.id));
      const found = p.findings.filter(
        (f) => by(f) === o.id || (o.includes.includes(by(f)) && !c.operations.has(by(f))),
      );
      const why = found.map((f) => (f.note === '' ? f.title : `${f.title} (${f.note})`)).join('; ');
      const again = found.some((f) => by(f) !== f.leadsTo) ? ' That is read again when this is done.' : '';
      return {
        id: o.id,
        name: o.name,
        customer:
          o.strings === 'off' ? '' : o.customer === '' && o.id.startsWith('own-') ? o.name : o.customer,
        changes: o.changes,
        risky: o.risky,
        group: way?.group ?? null,
        found: found.map((f) => `${f.item} ${f.title}`),
        firstCut: part?.firstCut ?? null,
        warns: way && way.parts[0]?.operation === o.id ? way.warns : [],
        says: saysOf(part?.says, why === '' ? '' : `Inspection: ${why}.${again}`, waysOfFinding(p, o.id)),
        amounts: part?.amounts ?? [],
        reversible: o.reversible,
        removed: part?.removed ?? 0,
      };
    }),
    steps: [
      ...stepsOf(p, c.operations, parts),
      ...(waits.length > 0 && bringsNewSet(p, c) ? [READ_NEW_SET] : []),
    ],
    moves: c.moves,
    predicted: c.stands.map((s) => ({ key: s.judged.key, label: s.judged.label, value: s.value })),
    undone: undone(p, c, calls),
    waits,
    undonePlain: undonePlain(p, c),
    warns: c.ways.flatMap((w) => w.warns),
    calls,
    cost: c.cost,
    days: daysOf(inOrder(p, c.operations)),
    removed: c.removed,
    weight: c.weight,
    misses: c.misses,
  };
}

/** Whether a candidate improves only what the plan that is enough touches too, and by no heavier means. */
function staysWithin(p: Problem, enough: Candidate, c: Candidate): boolean {
  // What is heavy is never offered to gain a tenth where less leaves nothing out.
  const heavier = [...c.operations].some(
    (id) => operation(id, p.catalogue).heavy && !enough.operations.has(id),
  );
  const touches = c.ways.every((w, i) => w.parts.length === 0 || (enough.ways[i]?.parts.length ?? 0) > 0);
  return enough.misses > 0 || (!heavier && touches);
}

/**
 * The plans for an instrument: leave it as it is, the cheapest that is enough, and the one nearest to every aim. Every
 * answer among the sizes considered is looked at, so neither can be bettered there. What is enough cuts no further than into
 * the band; the nearest improves only what is worked on anyway.
 */
export function plansFor(p: Problem): Plans {
  const s = search(p);
  const leave = leaveIt(s.candidates);
  const lightest = first(s.candidates, BY_COST);
  const enough = leastAmong(p, s.candidates, lightest);
  const within = [...s.asked, lightest].filter((c) => staysWithin(p, lightest, c));
  const nearest = first(within, BY_AIM);
  const best = nearest.misses > enough.misses ? enough : nearest;
  return {
    plans: [
      planOf(p, 'leave', leave, []),
      planOf(p, 'sufficient', enough, callsOf(p, s, enough)),
      planOf(p, 'best', best, callsOf(p, s, best)),
    ],
    findings: findingCalls(p),
    looked: s.candidates.length,
    bound: 0,
    assumed: p.model.assumed,
    questions: p.questions,
  };
}
