import { formatMoney } from '../../money/currency.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { notOffered, type Problem } from './problem.ts';
import { BY_COST, first, type Candidate, type Search } from './solve.ts';
import { leftByOne } from './stays-out.ts';
import { GROUPS, type Group } from './way.ts';

/** Why an operation is in a plan or out of it, and what would have to be true for the other choice. */
export interface Reason {
  readonly operation: OperationId;
  readonly name: string;
  readonly in: boolean;
  readonly because: string;
  readonly would: string;
}

/** One of the calls of the bench, as it comes out of the search with its numbers. */
export interface Call {
  readonly group: Group;
  readonly question: string;
  readonly answer: string;
  readonly reasons: readonly Reason[];
}

const QUESTIONS: Readonly<Record<Group, string>> = {
  rod: 'Rod or not?',
  frets: 'Spots, level, some frets or all?',
  nut: 'Cut the slots, fill them, or a new nut?',
  height: 'Saddle, shim, reset or bridge?',
  contact: 'Move the contact, or its slot?',
};

const money = (p: Problem, v: number): string => formatMoney(Math.abs(v), p.currency);
const places = (n: number): string => `${n} ${n === 1 ? 'place' : 'places'}`;

/** How much more one candidate leaves out than another, and what. */
function leaves(p: Problem, one: Candidate, other: Candidate): string {
  const what = leftByOne(p, one, other);
  return `${places(one.misses - other.misses)} more would stay out${what === '' ? '' : `: ${what}`}`;
}

const nameOf = (p: Problem, id: OperationId): string => p.catalogue.find((o) => o.id === id)?.name ?? id;

/** The best candidate that has an operation, and the best that does without. */
function rival(s: Search, id: OperationId, has: boolean): Candidate | null {
  const all = s.candidates.filter((c) => c.operations.has(id) === has);
  return all.length === 0 ? null : first(all, BY_COST);
}

function inPlan(p: Problem, s: Search, plan: Candidate, id: OperationId): Reason {
  const part = plan.ways.flatMap((w) => w.parts).find((x) => x.operation === id);
  const without = rival(s, id, false);
  const would =
    without === null
      ? 'There is no way without it.'
      : without.misses > plan.misses
        ? `Without it ${leaves(p, without, plan)}.`
        : without.weight > plan.weight
          ? `Without it the rest weighs ${money(p, without.weight - plan.weight)} more.`
          : `Without it the plan weighs ${money(p, plan.weight - without.weight)} less and ends further from its aims.`;
  return {
    operation: id,
    name: nameOf(p, id),
    in: true,
    because: part?.says ?? 'It goes with the others.',
    would,
  };
}

function outOfPlan(p: Problem, s: Search, plan: Candidate, id: OperationId): Reason {
  const base = { operation: id, name: nameOf(p, id), in: false };
  const withIt = rival(s, id, true);
  if (withIt === null) {
    const refused = s.refused.find((r) => r.operations.includes(id));
    return {
      ...base,
      because:
        refused?.because ?? (p.declined.has(id) ? notOffered(p, id) : 'Nothing that was read asks for it.'),
      would: refused?.would ?? 'It would be right if what it changes were out of its band.',
    };
  }
  if (withIt.misses > plan.misses)
    return {
      ...base,
      because: `With it ${leaves(p, withIt, plan)}.`,
      would: 'It would be right if those were left.',
    };
  const more = withIt.weight - plan.weight;
  return more > 0
    ? {
        ...base,
        because: `It does as much and weighs ${money(p, more)} more (${money(p, withIt.cost.price.likely)} against ${money(p, plan.cost.price.likely)}).`,
        would: `It would be right if it cost ${money(p, more)} less.`,
      }
    : {
        ...base,
        because: `It weighs ${money(p, more)} less and ends further from the aims.`,
        would: 'It would be right where the money counts more than the last tenth.',
      };
}

/** The calls that a plan makes, group by group: what was chosen, what was not, with the numbers of both. */
export function callsOf(p: Problem, s: Search, plan: Candidate): Call[] {
  return GROUPS.flatMap((group, i) => {
    const ways = s.candidates.map((c) => c.ways[i]).filter((w) => w !== undefined);
    const ids = new Set([
      ...ways.flatMap((w) => w.parts.map((x) => x.operation)),
      ...s.refused.filter((r) => r.group === group).flatMap((r) => r.operations),
    ]);
    if (ids.size === 0) return [];
    const chosen = plan.ways[i];
    const own = new Set(chosen?.parts.map((x) => x.operation));
    return [
      {
        group,
        question: QUESTIONS[group],
        answer: chosen?.name ?? 'leave it',
        reasons: [...ids].map((id) => (own.has(id) ? inPlan(p, s, plan, id) : outOfPlan(p, s, plan, id))),
      },
    ];
  });
}
