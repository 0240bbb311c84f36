import { QUANTITY_FACTS } from '../readings/quantities.ts';
import { saddleMove } from '../intonation/saddle-move.ts';
import { stringNumber } from '../instrument/construction.ts';
import { verdict } from '../targets/target.ts';
import { formatCents } from '../units/parse-cents.ts';
import { keyOf, usable, type PlanInput } from './plan-input.ts';
import type { ProposalLine } from './proposal.ts';

/** One line with the move of every string that is out: sharp moves back, flat moves forward. */
export function intonationLines(input: PlanInput): ProposalLine[] {
  const { construction } = input;
  const out = construction.strings.flatMap((_, i) => {
    const string = stringNumber(construction, i);
    const key = keyOf('intonation', string);
    const error = usable(input, key);
    const target = input.targets.get(key);
    if (
      error === null ||
      target === undefined ||
      !['low', 'high'].includes(verdict(error, target, QUANTITY_FACTS.intonation.tells))
    )
      return [];
    return [
      { string, key, error, move: saddleMove(construction.scale, 12, error, construction.compensation) },
    ];
  });
  if (out.length === 0) return [];
  const individual = construction.bridge === 'individual';
  const moves = out.map(
    (o) => `string ${o.string} ${Math.abs(o.move).toFixed(2)} mm ${o.move > 0 ? 'back' : 'forward'}`,
  );
  return [
    {
      key: 'intonation',
      operation: individual ? 'intonate' : 'compensate',
      title: 'Intonation',
      says: `Move the contact: ${moves.join(', ')}. Last of all: read again once the height is set.`,
      why: [
        ...out.map((o) => `String ${o.string}: ${formatCents(o.error)} cents at 12, fretted against open.`),
        'm = (x_s − ρ(x_s − x_n))/(ρ − 1), ρ = 2^(−e/1200)·x_s/(x_s − x_n). Sharp means too short: back.',
      ],
      restsOn: out.map((o) => o.key),
      warnings: individual
        ? []
        : ['Look where each string leaves the saddle first: the move must stay on its crown.'],
    },
  ];
}
