import { stringName, stringNumber } from '../../instrument/construction.ts';
import { sizeWords } from '../../units/words-in.ts';
import type { Outcome } from '../../whatif/consequences.ts';
import type { Moves } from '../../whatif/moves.ts';
import { PER_GAP } from '../../whatif/neck-model.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { standings, together, type Stands } from './judge-outcome.ts';
import { offered, type Problem } from './problem.ts';
import { none, stay, type Part, type Sizes, type Way, type Ways } from './way.ts';

const LEAST = 1e-9;

interface Slot {
  readonly index: number;
  readonly by: number;
}

/** The nut's answers: leave it, cut the high slots, fill the low ones first, or a new nut. */
export function nutWays(p: Problem, moves: Moves, o: Outcome, sizes: Sizes = 'asked'): Ways {
  const by = (s: Stands): Slot => ({
    index: s.judged.index,
    by: ((p.targets.get(s.judged.key)?.aim ?? s.value) - s.value) * PER_GAP,
  });
  const gaps = standings(p, o, ['nut-gap']);
  const off = gaps.filter((s) => Math.abs(by(s).by) > LEAST);
  const sets = together(p, off, sizes).map((set) => set.map(by));
  if (sets.length === 0) return none('nut', moves);
  const c = p.model.construction;
  const name = (s: Slot) => `string ${stringName(c, stringNumber(c, s.index))} ${sizeWords(Math.abs(s.by))}`;
  const amounts = (slots: readonly Slot[]): Part['amounts'] =>
    slots.map((s) => ({ what: `slot of string ${stringNumber(c, s.index)}`, amount: s.by, unit: 'mm' }));
  const moved = (slots: readonly Slot[]): Moves => ({
    ...moves,
    nut: c.strings.map((_, i) => slots.find((s) => s.index === i)?.by ?? moves.nut[i] ?? 0),
  });
  const cut = (slots: readonly Slot[]): Part => ({
    operation: 'nut-slots',
    says: `Cut deeper: ${slots.map(name).join(', ')}.`,
    amounts: amounts(slots),
    removed: Math.max(0, ...slots.map((s) => -s.by)),
    firstCut: 'bring all nearly down, read the gaps, then finish one by one',
  });
  const fill = (slots: readonly Slot[]): Part => ({
    operation: 'nut-fill',
    says: `Fill and file to height: ${slots.map(name).join(', ')}.`,
    amounts: amounts(slots),
    removed: 0,
  });
  const fresh = (low: number): Part => ({
    operation: 'nut-new',
    says: `A new nut, every slot to its aim (${low} are too deep).`,
    amounts: [],
    removed: 0,
  });
  const offer = (ids: readonly OperationId[]) => ids.every((id) => offered(p, id) !== null);
  const ways: Way[] = [stay('nut', moves)];
  const add = (wayName: string, slots: readonly Slot[], parts: readonly Part[]) => {
    if (offer(parts.map((x) => x.operation)))
      ways.push({ group: 'nut', name: wayName, parts, moves: moved(slots), warns: [] });
  };
  let cuts = 0;
  for (const set of sets) {
    const [high, low] = [set.filter((s) => s.by < 0), set.filter((s) => s.by > 0)];
    if (high.length > cuts) add('cut the slots', high, [cut(high)]);
    cuts = high.length;
    if (low.length > 0)
      add('fill and cut', [...low, ...high], [fill(low), ...(high.length > 0 ? [cut(high)] : [])]);
  }
  const low = sets.at(-1)?.filter((s) => s.by > 0) ?? [];
  if (low.length > 0) add('a new nut', gaps.map(by), [fresh(low.length)]);
  return { ways, refused: [] };
}
