import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { readAgainOrder } from '../staleness/graph.ts';
import { verdict } from '../targets/target.ts';
import { usable, type Carried, type Finding, type PlanInput } from './plan-input.ts';
import type { Proposal, ProposalLine } from './proposal.ts';
import { intonationLines } from './propose-intonation.ts';
import { nutLines } from './propose-nut.ts';
import { rodLine } from './propose-rod.ts';
import { saddleLine } from './propose-saddle.ts';

const STRING_UP: Readonly<Record<Exclude<PlanInput['strings'], 'at-pitch'>, string>> = {
  missing: 'A string is missing: relief, action and nut cannot be judged. Put a set on, tune, read again.',
  'off-pitch': 'It is far from pitch: tune and stretch two or three times, then read again.',
  off: 'It has no strings on: relief, action and nut cannot be judged. Put a set on, tune, read again.',
};

const stringUp = (input: PlanInput): ProposalLine[] =>
  input.strings === 'at-pitch'
    ? []
    : [
        {
          key: 'string-up',
          operation: 'string-up',
          title: 'String it up first',
          says: STRING_UP[input.strings],
          why: ['Readings taken now are kept, marked not representative, and not used here.'],
          restsOn: [],
          warnings: [],
        },
      ];

const findingLines = (findings: readonly Finding[]): ProposalLine[] =>
  findings.map((f) => ({
    key: `finding:${f.item}`,
    operation: f.leadsTo,
    title: f.name,
    says: f.note === '' ? `Inspection: ${f.title.toLowerCase()} needs work.` : `Inspection: ${f.note}`,
    why: [`The checklist says “${f.title}” needs work.`],
    restsOn: [],
    warnings: [],
  }));

function leaveAlone(input: PlanInput, lines: readonly ProposalLine[]): string[] {
  // An action in its band is not left alone when what the rod does takes it out.
  const touched = new Set(lines.flatMap((l) => l.restsOn));
  const judged = input.stations.flatMap((s) => {
    const value = usable(input, s.key);
    const target = input.targets.get(s.key);
    return value === null || target === undefined
      ? []
      : [{ s, good: ['in', 'edge'].includes(verdict(value, target, QUANTITY_FACTS[s.quantity].tells)) }];
  });
  const names = { relief: 'Relief', action: 'Action', 'nut-gap': 'Nut', intonation: 'Intonation' } as const;
  return Object.entries(names)
    .filter(([q]) => {
      const all = judged.filter((j) => j.s.quantity === q);
      const wanted = input.stations.filter((s) => s.quantity === q).length;
      return all.length === wanted && all.every((j) => j.good && !touched.has(j.s.key));
    })
    .map(([, name]) => `${name}: in its band. Leave it.`);
}

const ORDER: Readonly<Record<string, number>> = {
  'string-up': 0,
  rod: 1,
  finding: 2,
  nut: 3,
  saddle: 4,
  intonation: 5,
};
const rank = (line: ProposalLine): number => ORDER[line.key.split(':')[0] ?? ''] ?? 9;

/** The stale places in the order to read them again: nothing before what it hangs on. */
function staleInOrder(input: PlanInput): string[] {
  const stale = input.stations.filter((s) => !s.optional && input.stale.has(s.key));
  return readAgainOrder(stale.map((s) => s.quantity)).flatMap((q) =>
    stale.filter((s) => s.quantity === q).map((s) => s.key),
  );
}

/**
 * Compares the readings with their targets and proposes what to do, in the order of a setup, each with its sum in
 * words: rod, nut slots, saddle (after what rod and nut already give), intonation. Stale and unrepresentative readings
 * are named and never used.
 */
export function propose(input: PlanInput): Proposal {
  const rod = rodLine(input);
  const nut = nutLines(input);
  const carried: Carried = { action: rod?.actionChange ?? 0, nut: nut.lowered };
  const saddle = saddleLine(input, carried);
  const measured =
    input.strings === 'at-pitch'
      ? [...(rod ? [rod.line] : []), ...nut.lines, ...(saddle ? [saddle] : []), ...intonationLines(input)]
      : [];
  const lines = [...stringUp(input), ...measured, ...findingLines(input.findings)];
  const needed = input.stations.filter((s) => !s.optional);
  return {
    lines: lines
      .map((l, i) => ({ l, i }))
      .sort((a, b) => rank(a.l) - rank(b.l) || a.i - b.i)
      .map(({ l }) => l),
    leave: input.strings === 'at-pitch' ? leaveAlone(input, lines) : [],
    missing: needed.filter((s) => !input.readings.has(s.key)).map((s) => s.key),
    stale: staleInOrder(input),
  };
}
