import type { Minor } from '../../money/minor.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { operation } from '../../catalogue/operations.ts';
import type { Undone } from '../plan-input.ts';
import { beginning } from '../proposal.ts';
import { plansFor, type Plan } from '../solve/plans.ts';
import type { Removed } from '../solve/removed.ts';
import { caseProblem, type Case } from './case.ts';

export type Direction = 'tighten' | 'loosen' | 'up' | 'down' | 'back' | 'forward';

/**
 * One step of a plan: its operation, which way, and how much by place: `bass` and `treble`, a string's or fret's number, in mm;
 * `eighths` of a turn. With a direction amounts are sizes, without one they carry their sign (up and back positive).
 */
export interface CaseStep {
  readonly operation: OperationId;
  readonly direction?: Direction;
  readonly amounts?: Readonly<Record<string, number>>;
}

/** A plan of a case. Money in minor units; lengths mm, errors cents. */
export interface CasePlan {
  readonly id: 'leave' | 'enough' | 'best';
  readonly steps: readonly CaseStep[];
  readonly undone: readonly Undone[];
  readonly price: Minor;
  readonly minutes: number;
  readonly days: number;
  readonly removed: Removed;
  /** what is expected to stand at the places that were read */
  readonly forecast: Readonly<Record<string, number | null | Readonly<Record<string, number>>>>;
}

export interface CaseAnswer {
  readonly because: string | null;
  /** the beginning of the plan that is enough, up to the first step after which must be read again */
  readonly proposed: readonly CaseStep[];
  readonly plans: readonly CasePlan[];
  readonly questions: readonly string[];
}

type Done = Plan['operations'][number];
const IDS = { leave: 'leave', sufficient: 'enough', best: 'best' } as const;
const LEAST = 1e-9;

/** Where an amount belongs: a side, a string, a fret. */
function placeOf(what: string): string {
  const number = /(\d+)$/.exec(what)?.[1];
  return number ?? (what.startsWith('saddle, ') ? what.slice('saddle, '.length) : what);
}

/** Which way all the amounts go, by the names of that kind of move; undefined where they go both ways. */
function wayOf(
  amounts: readonly number[],
  [plus, minus]: readonly [Direction, Direction],
): Direction | undefined {
  if (amounts.every((a) => a > 0)) return plus;
  if (amounts.every((a) => a < 0)) return minus;
  return undefined;
}

function rodStep(o: Done): CaseStep {
  const turn = o.amounts.find((a) => a.unit === 'eighths')?.amount;
  // A rod whose relief stands well is only taken up until it bears.
  if (turn === undefined) return { operation: o.id };
  return {
    operation: o.id,
    direction: turn > 0 ? 'tighten' : 'loosen',
    amounts: { eighths: Math.abs(turn) },
  };
}

function stepOf(o: Done): CaseStep {
  if (o.id === 'rod') return rodStep(o);
  // How far a clamp brings a neck is read afterwards, not set.
  const some = o.amounts.filter((a) => Math.abs(a.amount) > LEAST && a.unit === 'mm' && a.what !== 'relief');
  if (some.length === 0) return { operation: o.id };
  const direction = wayOf(
    some.map((a) => a.amount),
    operation(o.id).alongString ? ['back', 'forward'] : ['up', 'down'],
  );
  const size = (a: number): number => (direction === undefined ? a : Math.abs(a));
  const amounts = Object.fromEntries(some.map((a) => [placeOf(a.what), size(a.amount)]));
  return direction === undefined ? { operation: o.id, amounts } : { operation: o.id, direction, amounts };
}

const NAMES: Readonly<Record<string, string>> = { 'nut-gap': 'nutGap' };

/** What stands there afterwards, by quantity: one number, the two sides of the action, or string by string. */
function forecastOf(p: Plan, strings: number): CasePlan['forecast'] {
  const said: Record<string, number | null | Record<string, number>> = { relief: null };
  for (const { key, value } of p.predicted) {
    const [quantity = '', string = ''] = key.split(':');
    if (quantity === 'relief') {
      said['relief'] = value;
      continue;
    }
    const name = NAMES[quantity] ?? quantity;
    const side = Number(string) === strings ? 'bass' : 'treble';
    const place = quantity === 'action' ? side : string;
    if (quantity === 'action' && side === 'treble' && Number(string) !== 1) continue;
    said[name] = { ...(said[name] as Record<string, number> | undefined), [place]: value };
  }
  return said;
}

/**
 * The plans of a case: leave it, what is enough, and the nearest to every aim, with what is proposed now, what stays undone and
 * why, and what must be asked.
 */
export function answerCase(c: Case): CaseAnswer {
  const { problem, questions } = caseProblem(c);
  if ('because' in problem) return { because: problem.because, proposed: [], plans: [], questions };
  const found = plansFor(problem);
  const plans = found.plans.map((p): CasePlan => ({
    id: IDS[p.id],
    steps: p.operations.map(stepOf),
    undone: p.undone,
    price: p.cost.price.likely,
    minutes: p.cost.minutes.likely,
    days: p.days,
    removed: p.removed,
    forecast: forecastOf(p, c.construction.strings.length),
  }));
  const enough = found.plans.find((p) => p.id === 'sufficient');
  const taken = found.assumed.map((what) => `Not read, and taken to stand at its aim: ${what}.`);
  return {
    because: null,
    proposed: beginning(enough?.operations ?? []).map(stepOf),
    plans,
    questions: [...questions, ...taken],
  };
}
