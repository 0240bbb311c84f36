import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { saddleHeight, type SaddleChange } from '../saddle/saddle-height.ts';
import { formatLength } from '../units/format-length.ts';
import { doubtAbout, sureTo } from './doubt.ts';
import { isAdjustable } from '../instrument/construction.ts';
import { both, keyOf, nutToAction, usable, type Carried, type PlanInput } from './plan-input.ts';
import type { ProposalLine } from './proposal.ts';
import { verdict } from '../targets/target.ts';

interface Side extends SaddleChange {
  readonly name: 'bass' | 'treble';
  readonly string: number;
  readonly now: number;
  readonly expected: number;
  readonly aim: number;
  readonly out: boolean;
  readonly key: string;
}

function side(input: PlanInput, carried: Carried, name: Side['name']): Side | null {
  const { construction, settings } = input;
  const string = name === 'bass' ? construction.strings.length : 1;
  const key = keyOf('action', string);
  const now = usable(input, key);
  const target = input.targets.get(key);
  if (now === null || target === undefined) return null;
  const expected = now + carried.action + nutToAction(construction, carried.nut.get(string) ?? 0);
  const out = ['low', 'high'].includes(verdict(expected, target, QUANTITY_FACTS.action.tells));
  const sum = saddleHeight(
    construction.scale,
    12,
    expected,
    target.aim,
    construction.compensation,
    settings.firstCutShare,
  );
  return {
    name,
    string,
    now,
    expected,
    aim: target.aim,
    out,
    key,
    ...(out ? sum : { change: 0, firstCut: 0 }),
  };
}

const sentence = (s: Side, input: PlanInput): string => {
  if (!s.out) return `${s.name}: leave it.`;
  const unit = input.settings.actionUnit;
  const off = formatLength(Math.abs(s.expected - s.aim), unit);
  const way =
    s.change < 0
      ? `too high at 12 → take ${both(-s.change, unit)} off`
      : `too low at 12 → raise by ${both(s.change, unit)}`;
  return `${s.name}: ${off} ${way}; first ${s.change < 0 ? 'cut' : 'lift'} ${both(Math.abs(s.firstCut), unit)}, then read again.`;
};

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const why = (s: Side, input: PlanInput): string[] => [
  `${s.name}: read ${both(s.now, input.settings.actionUnit)}, after rod and nut about ${formatLength(s.expected, 'mm')}, aim ${formatLength(s.aim, 'mm')}.${sureTo(input, s.key, 2)}`,
];

/** The saddle's line for bass and treble together, after what rod and nut already give. Null when both stay. */
export function saddleLine(input: PlanInput, carried: Carried): ProposalLine | null {
  const sides = [side(input, carried, 'bass'), side(input, carried, 'treble')];
  const known = sides.filter((s): s is Side => s !== null);
  if (known.length === 0 || known.every((s) => !s.out)) return null;
  const lowers = Math.min(...known.map((s) => s.change)) < 0;
  const ratio = (input.construction.scale + input.construction.compensation) / (input.construction.scale / 2);
  const standout = usable(input, keyOf('saddle-standout', 0));
  const left = standout === null ? null : standout + Math.min(...known.map((s) => s.change));
  const doubts = known.flatMap((s) => (s.out ? (doubtAbout(input, s.key, s.expected) ?? []) : []));
  const warnings = [
    ...doubts,
    ...(known.length < 2 ? ['Only one side was read: measure the other before cutting.'] : []),
    ...(lowers && standout === null && input.stations.some((s) => s.quantity === 'saddle-standout')
      ? ['Saddle height was not read: make sure there is enough to take.']
      : []),
    ...(left !== null && left < input.settings.minimumStandout
      ? [
          `Only ${formatLength(left, 'mm')} would stand out, under the ${formatLength(input.settings.minimumStandout, 'mm')} minimum: look at the neck angle instead.`,
        ]
      : []),
  ];
  const says = known.map((s) => capital(sentence(s, input))).join(' ');
  return {
    key: 'saddle',
    operation: isAdjustable(input.construction) ? 'saddle-set' : lowers ? 'saddle-lower' : 'saddle-raise',
    title: lowers ? 'Saddle comes down' : 'Saddle goes up',
    says,
    why: [
      ...known.flatMap((s) => why(s, input)),
      `Saddle change = action change × x_s/x₁₂ = ${ratio.toFixed(3)} × it. First cut ${Math.round(input.settings.firstCutShare * 100)} % (setting).`,
      'Strings between follow the arc of the fingerboard.',
    ],
    restsOn: known.map((s) => s.key),
    warnings,
  };
}
