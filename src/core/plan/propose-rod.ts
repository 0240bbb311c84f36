import { reliefShare } from '../neck/relief.ts';
import { sayTurn } from '../neck/say-turn.ts';
import { rodToAction } from '../neck/rod-to-action.ts';
import { rodAdvice } from '../neck/truss-rod.ts';
import { formatLength } from '../units/format-length.ts';
import { doubtAbout, sureTo } from './doubt.ts';
import { keyOf, usable, type PlanInput } from './plan-input.ts';
import type { ProposalLine } from './proposal.ts';

/** The rod's line, and what it does to the action at the 12th (mm, negative lowers). Null when there is nothing to say. */
export function rodLine(input: PlanInput): { line: ProposalLine; actionChange: number } | null {
  const key = keyOf('relief', 0);
  const relief = usable(input, key);
  const target = input.targets.get(key);
  if (relief === null || target === undefined) return null;
  const { advice, eighths, expected, perEighth } = rodAdvice(relief, target, [], input.settings.rodPrior);
  if (advice === 'leave') return null;
  const now = formatLength(relief, 'thou');
  const band = `${formatLength(target.low, 'thou')}–${formatLength(target.high, 'thou')}`;
  const state = relief > target.high ? 'too deep' : relief < 0 ? 'a back-bow' : 'too straight';
  const common = { key: 'rod', operation: 'rod' as const, restsOn: [key], title: `Relief: ${state}` };
  if (
    input.construction.rod === 'none' ||
    (advice === 'loosen' && input.construction.rod === 'one-way' && relief < 0)
  ) {
    const says =
      input.construction.rod === 'none'
        ? `${now} at the 7th, wanted ${band}. This neck has no rod: string tension, frets or a reset are the ways.`
        : `${now}: back-bow. Loosen the rod fully and read again; a one-way rod cannot push the neck forward.`;
    return {
      line: { ...common, says, why: [], warnings: ['No turn can be computed here.'] },
      actionChange: 0,
    };
  }
  const wanted = target.aim - relief;
  const { scale, bodyFret } = input.construction;
  const { actionChange } = rodToAction(scale, bodyFret, wanted, 12, input.settings.rodActionRatio);
  const way = advice === 'tighten' ? 'Tighten' : 'Loosen';
  const says =
    `${now} at the 7th, wanted ${band}. ${way} the rod ${sayTurn(eighths)}; ` +
    `it should come to about ${formatLength(expected?.aim ?? relief, 'thou')}. Wait, read again.`;
  const share = reliefShare(input.construction.scale, { low: 1, high: input.construction.frets, at: 7 });
  return {
    line: {
      ...common,
      says,
      why: [
        `Relief read ${formatLength(relief, 'mm')}, aim ${formatLength(target.aim, 'mm')} (${target.layer}).${sureTo(input, key, 1)}`,
        `One eighth usually takes out ${formatLength(perEighth, 'mm')} (setting); never more than a quarter turn between readings.`,
        `At the 7th with first and last fret pressed one sees ${Math.round(share * 100)} % of the deepest gap.`,
        `At its aim the rod moves the action at 12 by about ${formatLength(actionChange, 'mm')} (${input.settings.rodActionRatio} × the change of relief).`,
      ],
      warnings: [doubtAbout(input, key)].filter((w) => w !== null),
    },
    actionChange,
  };
}
