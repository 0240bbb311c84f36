import { stringNumber } from '../../instrument/construction.ts';
import { formatLength } from '../../units/format-length.ts';
import type { Outcome } from '../../whatif/consequences.ts';
import type { Moves } from '../../whatif/moves.ts';
import { PER_GAP } from '../../whatif/neck-model.ts';
import type { OperationId } from '../operation-ids.ts';
import { standings } from './judge-outcome.ts';
import { offered, type Problem } from './problem.ts';
import { none, stay, type Part, type Way, type Ways } from './way.ts';

const thou = (v: number): string => formatLength(Math.abs(v), 'thou');

interface Slot {
  readonly index: number;
  readonly by: number;
}

/** The nut's answers: leave it, cut the high slots, fill the low ones first, or a new nut. */
export function nutWays(p: Problem, moves: Moves, o: Outcome): Ways {
  const gaps = standings(p, o).filter((s) => s.judged.quantity === 'nut-gap');
  const by = (s: (typeof gaps)[number]): Slot => ({
    index: s.judged.index,
    by: ((p.targets.get(s.judged.key)?.aim ?? s.value) - s.value) * PER_GAP,
  });
  const high = gaps.filter((s) => s.verdict === 'high').map(by);
  const low = gaps.filter((s) => s.verdict === 'low').map(by);
  if (high.length + low.length === 0) return none('nut', moves);
  const c = p.model.construction;
  const name = (s: Slot) => `string ${stringNumber(c, s.index)} ${thou(s.by)}`;
  const moved = (slots: readonly Slot[]): Moves => ({
    ...moves,
    nut: c.strings.map((_, i) => slots.find((s) => s.index === i)?.by ?? moves.nut[i] ?? 0),
  });
  const cut = (slots: readonly Slot[]): Part => ({
    operation: 'nut-slots',
    says: `Cut deeper: ${slots.map(name).join(', ')}.`,
    amounts: slots.map((s) => ({
      what: `slot of string ${stringNumber(c, s.index)}`,
      amount: s.by,
      unit: 'mm',
    })),
    removed: slots.reduce((sum, s) => sum + Math.max(0, -s.by), 0),
    firstCut: 'bring all nearly down, read the gaps, then finish one by one',
  });
  const offer = (ids: readonly OperationId[]) => ids.every((id) => offered(p, id) !== null);
  const ways: Way[] = [stay('nut', moves)];
  const add = (wayName: string, slots: readonly Slot[], parts: readonly Part[]) => {
    if (offer(parts.map((x) => x.operation)))
      ways.push({ group: 'nut', name: wayName, parts, moves: moved(slots), warns: [] });
  };
  if (high.length > 0) add('cut the slots', high, [cut(high)]);
  if (low.length > 0) {
    const fill: Part = {
      operation: 'nut-fill',
      says: `Fill and file to height: ${low.map(name).join(', ')}.`,
      amounts: low.map((s) => ({
        what: `slot of string ${stringNumber(c, s.index)}`,
        amount: s.by,
        unit: 'mm',
      })),
      removed: 0,
    };
    add('fill and cut', [...low, ...high], [fill, ...(high.length > 0 ? [cut(high)] : [])]);
    const all = gaps.map(by);
    const fresh: Part = {
      operation: 'nut-new',
      says: `A new nut, every slot to its aim (${low.length} are too deep).`,
      amounts: [],
      removed: 0,
    };
    add('a new nut', all, [fresh]);
  }
  return { ways, refused: [] };
}
