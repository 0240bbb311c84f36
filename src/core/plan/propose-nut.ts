import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { nutSlot } from '../nut/nut-slot.ts';
import { HELD_AT } from '../readings/stations.ts';
import { stringNumber } from '../instrument/construction.ts';
import { formatLength } from '../units/format-length.ts';
import { verdict } from '../targets/target.ts';
import { doubtAbout } from './doubt.ts';
import { keyOf, usable, type PlanInput } from './plan-input.ts';
import type { ProposalLine } from './proposal.ts';

interface Slot {
  readonly string: number;
  readonly gap: number;
  readonly deeper: number;
  readonly key: string;
}

function slots(input: PlanInput): { high: Slot[]; low: Slot[]; perGap: number } {
  const all = input.construction.strings.flatMap((_, i) => {
    const string = stringNumber(input.construction, i);
    const key = keyOf('nut-gap', string);
    const gap = usable(input, key);
    const target = input.targets.get(key);
    if (gap === null || target === undefined) return [];
    const { deeper } = nutSlot(HELD_AT, gap, target.aim);
    return [{ string, gap, deeper, key, state: verdict(gap, target, QUANTITY_FACTS['nut-gap'].tells) }];
  });
  return {
    high: all.filter((s) => s.state === 'high'),
    low: all.filter((s) => s.state === 'low'),
    perGap: nutSlot(HELD_AT, 0, 0).perGap,
  };
}

const list = (found: readonly Slot[]): string =>
  found.map((s) => `string ${s.string} ${formatLength(Math.abs(s.deeper), 'thou')}`).join(', ');

function line(
  input: PlanInput,
  key: string,
  operation: 'nut-slots' | 'nut-fill',
  found: readonly Slot[],
  perGap: number,
): ProposalLine {
  const cut = operation === 'nut-slots';
  return {
    key,
    operation,
    title: cut
      ? `Nut: ${found.length} ${found.length === 1 ? 'slot' : 'slots'} to cut`
      : 'Nut: slots too deep',
    says: cut
      ? `Take down: ${list(found)}. Bring all nearly down first, then finish one by one.`
      : `Too deep by: ${list(found)}. Fill and cut again, or make a new nut.`,
    why: [
      ...found.map((s) => `String ${s.string}: gap ${formatLength(s.gap, 'thou')} held at ${HELD_AT}.`),
      `Slot change = gap change ÷ (1 − x₁/x₃) = ${perGap.toFixed(2)} × the gap.`,
    ],
    restsOn: found.map((s) => s.key),
    warnings: found.flatMap((s) => doubtAbout(input, s.key) ?? []),
  };
}

/** The nut's lines, and how much lower each string will sit at the nut (mm, by string number). */
export function nutLines(input: PlanInput): { lines: ProposalLine[]; lowered: ReadonlyMap<number, number> } {
  const { high, low, perGap } = slots(input);
  const lines = [
    ...(high.length > 0 ? [line(input, 'nut:cut', 'nut-slots', high, perGap)] : []),
    ...(low.length > 0 ? [line(input, 'nut:fill', 'nut-fill', low, perGap)] : []),
  ];
  return { lines, lowered: new Map([...high, ...low].map((s) => [s.string, s.deeper])) };
}
