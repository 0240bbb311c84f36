import { stringNumber } from '../../instrument/construction.ts';
import { formatLength } from '../../units/format-length.ts';
import { formatCents } from '../../units/parse-cents.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../operation-ids.ts';
import { inOrder, type Cost } from './cost.ts';
import { callsOf, type Call } from './explain.ts';
import { findingCalls, type FindingCall } from './findings.ts';
import { isOut } from './judge-outcome.ts';
import type { Problem } from './problem.ts';
import { BY_AIM, BY_COST, first, leaveIt, search, type Candidate } from './solve.ts';
import { stepsOf, type Step } from './steps.ts';
import type { Amount } from './way.ts';

/** A plan as it is shown, printed and kept. mm, cents, minor units, minutes. */
export interface Plan {
  readonly id: 'leave' | 'sufficient' | 'best';
  readonly name: string;
  readonly operations: ReadonlyArray<{
    readonly id: OperationId;
    readonly name: string;
    readonly says: string;
    readonly amounts: readonly Amount[];
    readonly reversible: boolean;
    /** taken off for good, mm */
    readonly removed: number;
  }>;
  readonly steps: readonly Step[];
  readonly moves: Moves;
  /** what is expected to stand at each place that was read */
  readonly predicted: ReadonlyArray<{ readonly key: string; readonly label: string; readonly value: number }>;
  readonly undone: readonly string[];
  /** the same in plain words, without numbers */
  readonly undonePlain: readonly string[];
  readonly warns: readonly string[];
  readonly calls: readonly Call[];
  readonly cost: Cost;
  /** working days it is away at the least: hands of six hours a day, and its waits */
  readonly days: number;
  /** taken off for good, mm */
  readonly removed: number;
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
}

const NAMES: Readonly<Record<Plan['id'], string>> = {
  leave: 'Leave it as it is',
  sufficient: 'What is enough',
  best: 'Nearest to every aim',
};

const HANDS_A_DAY = 360;
const DAY = 1440;

const say = (c: Candidate['stands'][number]): string =>
  c.judged.quantity === 'intonation' ? `${formatCents(c.value)} cents` : formatLength(c.value, 'mm');

/** What a candidate leaves undone, in words with its numbers. */
function undone(p: Problem, c: Candidate): string[] {
  const places = c.stands.filter(isOut).map((s) => {
    const t = p.targets.get(s.judged.key);
    const band =
      t &&
      (s.judged.quantity === 'intonation'
        ? `${formatCents(t.low)} to ${formatCents(t.high)}`
        : `${t.low.toFixed(2)}–${formatLength(t.high, 'mm')}`);
    return `${s.judged.label}: ${say(s)}, ${s.verdict === 'high' ? 'over' : 'under'} its band ${band ?? ''}`.trim();
  });
  const frets = c.highFrets.map(
    (h) => `Fret ${h.fret} stands ${formatLength(h.over, 'mm')} over its neighbours`,
  );
  const t = c.tightest;
  const buzz =
    t !== null && c.tight
      ? [
          `String ${stringNumber(p.model.construction, t.string)} held at ${t.held === 0 ? 'no fret' : t.held} ` +
            (t.margin < 0
              ? `meets fret ${t.fret} for this touch, by ${formatLength(-t.margin, 'mm')}`
              : `would clear fret ${t.fret} by only ${formatLength(t.margin, 'mm')}, less than readings can be wrong by`),
        ]
      : [];
  return [...places, ...frets, ...buzz, ...c.leftFindings.map((f) => `Inspection: ${f}`)];
}

/** What a candidate leaves undone as one tells it to somebody who plays, a line for each kind of thing. */
function undonePlain(p: Problem, c: Candidate): string[] {
  const out = c.stands.filter(isOut);
  const of = (q: string, v?: string) =>
    out.filter((s) => s.judged.quantity === q && (v === undefined || s.verdict === v)).length;
  const some = (n: number, one: string, more: string): string[] => (n === 0 ? [] : [n === 1 ? one : more]);
  return [
    ...some(of('relief', 'high'), 'The neck is bowed more than it should be.', ''),
    ...some(of('relief', 'low'), 'The neck is straighter than it should be.', ''),
    ...some(
      of('action', 'high'),
      'On one side the strings stand high: it takes more strength.',
      'The strings stand high: it takes more strength.',
    ),
    ...some(
      of('action', 'low'),
      'On one side the strings stand very low: they may buzz.',
      'The strings stand very low: they may buzz.',
    ),
    ...some(
      of('nut-gap', 'high'),
      'One string is hard to press at the first frets.',
      'Some strings are hard to press at the first frets.',
    ),
    ...some(
      of('nut-gap', 'low'),
      'One string sits very deep at the nut: it may buzz open.',
      'Some strings sit very deep at the nut: they may buzz open.',
    ),
    ...some(
      of('intonation'),
      'One string plays a little out of tune up the neck.',
      'Some strings play a little out of tune up the neck.',
    ),
    ...some(c.highFrets.length, 'One fret stands high.', 'Some frets stand high.'),
    ...some(c.tight ? 1 : 0, 'It may buzz when you play as hard as you do.', ''),
    ...c.leftFindings.map((f) => {
      const finding = p.findings.find((x) => x.title === f);
      return `${f}: left as it is${finding && finding.note !== '' ? ` (${finding.note})` : ''}.`;
    }),
  ];
}

function planOf(p: Problem, id: Plan['id'], c: Candidate, calls: readonly Call[]): Plan {
  const parts = c.ways.flatMap((w) => w.parts);
  return {
    id,
    name: NAMES[id],
    operations: inOrder(p, c.operations).map((o) => {
      const part = parts.find((x) => x.operation === o.id);
      const finding = p.findings.find((f) => f.leadsTo === o.id);
      return {
        id: o.id,
        name: o.name,
        says:
          part?.says ?? (finding ? `Inspection: ${finding.note || finding.title}` : 'Goes with the others.'),
        amounts: part?.amounts ?? [],
        reversible: o.reversible,
        removed: part?.removed ?? 0,
      };
    }),
    steps: stepsOf(p, c.operations, parts),
    moves: c.moves,
    predicted: c.stands.map((s) => ({ key: s.judged.key, label: s.judged.label, value: s.value })),
    undone: undone(p, c),
    undonePlain: undonePlain(p, c),
    warns: c.ways.flatMap((w) => w.warns),
    calls,
    cost: c.cost,
    days: Math.ceil(c.cost.wait / DAY) + Math.ceil(c.cost.minutes.likely / HANDS_A_DAY),
    removed: c.removed,
    weight: c.weight,
    misses: c.misses,
  };
}

/**
 * The plans for an instrument: leave it as it is, the cheapest that is enough, and the one nearest to every aim. Every
 * answer among the sizes considered is looked at, so neither can be bettered there.
 */
export function plansFor(p: Problem): Plans {
  const s = search(p);
  const leave = leaveIt(s.candidates);
  const enough = first(s.candidates, BY_COST);
  const nearest = first(s.asked, BY_AIM);
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
  };
}
