import { formatMoney } from '../../money/currency.ts';
import { levelBy, type Levelling, type Strategy } from '../../frets/strategies.ts';
import { leastHeight, meanHeight, type FretLevel } from '../../frets/fret-level.ts';
import { formatLength } from '../../units/format-length.ts';
import { sizeWords } from '../../units/words-in.ts';
import { consequences, positionsOf } from '../../whatif/consequences.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { highFrets, tightestFor } from './judge-outcome.ts';
import { offered, type Problem } from './problem.ts';
import { isStraight } from './straight.ts';
import { none, stay, type Refused, type Way, type Ways } from './way.ts';

const mm = (v: number): string => formatLength(v, 'mm');
const OPERATION: Readonly<Record<Strategy, OperationId>> = {
  spots: 'fret-spot',
  'level-all': 'fret-dress',
  'replace-some': 'fret-replace',
  'replace-all': 'refret',
};

/** Where the rest of the tops stand after a way, over the level surface, and how far that surface came down. */
function after(p: Problem, level: FretLevel, strategy: Strategy): Pick<Moves, 'tops' | 'frets'> {
  if (strategy !== 'spots') {
    const tops = Array.from(p.model.tops, () => 0);
    return { tops, frets: level.actionRise - (p.model.tops[12] ?? 0) };
  }
  const tops = Array.from(p.model.tops);
  for (const f of level.frets) {
    const mean = (f.removal.bass + f.removal.middle + f.removal.treble) / 3;
    tops[f.fret] = (tops[f.fret] ?? 0) - mean;
  }
  return { tops, frets: 0 };
}

const WORDS: Readonly<Record<Strategy, (l: FretLevel, replaced: readonly number[]) => string>> = {
  spots: (l) =>
    `Take down what rocks: ${l.spots.length} places, ${sizeWords(Math.max(0, ...l.spots.map((s) => s.over)))} at most.`,
  'level-all': (l) =>
    `Level all: ${mm(l.total)} off in all, ${mm(Math.min(...l.frets.map((f) => f.left)))} left at the lowest; action and nut gaps rise by about ${mm(l.actionRise)}.`,
  'replace-some': (_, replaced) =>
    `New wire for ${replaced.map((f) => `fret ${f}`).join(', ')}, then level with the rest.`,
  'replace-all': () => 'New wire for all, levelled.',
};

function way(p: Problem, moves: Moves, l: Levelling, strategy: Strategy, replaced: readonly number[]): Way {
  const level = levelBy(l, strategy, replaced);
  // New wire stands higher than the old: the surface rises instead of coming down.
  const up =
    strategy === 'replace-all'
      ? l.newHeight - p.frets.reduce((s, f) => s + meanHeight(f), 0) / Math.max(1, p.frets.length)
      : 0;
  const done = after(p, level, strategy);
  return {
    group: 'frets',
    name: OPERATION[strategy],
    moves: { ...moves, ...done, frets: done.frets - up },
    warns: [],
    parts: [
      {
        operation: OPERATION[strategy],
        says: WORDS[strategy](level, replaced),
        amounts: [{ what: 'off the frets, all together', amount: -level.total, unit: 'mm' }],
        removed: Math.max(0, ...level.frets.map((f) => Math.max(...Object.values(f.removal)))),
        firstCut: 'mark, then short strokes; look again after each pass',
      },
    ],
  };
}

/** Whether a string meets a fret as things are, on a neck whose frets were read: a rise has no single high fret. */
function buzzesOnThem(p: Problem, moves: Moves): boolean {
  if (p.frets.length < 5) return false;
  const x = positionsOf(p.model.construction);
  const at = tightestFor(p, consequences(p.model, moves, p.ratio, x), x);
  return at !== null && at.margin < 0;
}

/** From the rocker alone only single frets can be taken down: how high the others stand is not known. */
function rockedWays(p: Problem, moves: Moves, high: ReturnType<typeof highFrets>): Way[] {
  if (offered(p, 'fret-spot') === null) return [];
  const tops = Array.from(p.model.tops);
  for (const h of high) tops[h.fret] = (tops[h.fret] ?? 0) - h.over;
  return [
    {
      group: 'frets',
      name: 'fret-spot',
      moves: { ...moves, tops },
      warns: ['Fret heights were not read: whether there is metal to take must be looked at first.'],
      parts: [
        {
          operation: 'fret-spot',
          says: `Take down ${high.map((h) => `fret ${h.fret} by ${sizeWords(h.over)}`).join(', ')}.`,
          amounts: high.map((h) => ({ what: `fret ${h.fret}`, amount: -h.over, unit: 'mm' as const })),
          removed: Math.max(...high.map((h) => h.over)),
          firstCut: 'mark, then short strokes; look again after each pass',
        },
      ],
    },
  ];
}

/** The frets' answers: leave them, take down the high spots, level all, new wire for some or for all. */
export function fretWays(p: Problem, moves: Moves): Ways {
  const high = highFrets(p.model, p.model.tops, p.limits.highFret);
  const low = p.frets.filter((f) => leastHeight(f) < p.limits.fretHeight);
  if (high.length === 0 && low.length === 0 && !buzzesOnThem(p, moves)) return none('frets', moves);
  const keep = stay('frets', moves);
  // Levelling a bent neck files the bend into the frets.
  if (!isStraight(p, moves))
    return {
      ways: [keep],
      refused: [
        {
          group: 'frets',
          operations: ['fret-spot', 'fret-dress'],
          because: 'The neck is not straight yet: levelling now would file its bend into the frets.',
          would: 'Once the relief is in its band the frets can be levelled.',
        },
      ],
    };
  if (p.frets.length < 5) return { ways: [keep, ...rockedWays(p, moves, high)], refused: [] };
  const l: Levelling = {
    scale: p.model.construction.scale,
    frets: p.frets,
    minimumHeight: p.limits.fretHeight,
    newHeight: p.limits.newFretHeight,
  };
  const refused: Refused[] = [];
  const ways: Way[] = [keep];
  const under = levelBy(l, 'level-all').underMinimum;
  const tries: [Strategy, readonly number[]][] = [
    ['spots', []],
    ['level-all', []],
    ['replace-some', under],
    ['replace-all', p.frets.map((f) => f.fret)],
  ];
  for (const [strategy, replaced] of tries) {
    const id = OPERATION[strategy];
    const op = offered(p, id);
    if (
      op === null ||
      (strategy === 'replace-some' && (under.length === 0 || under.length > p.frets.length / 2))
    )
      continue;
    const short = levelBy(l, strategy, replaced).underMinimum;
    const dear = tooDear(p, id);
    if (short.length > 0)
      refused.push({
        group: 'frets',
        operations: [id],
        because: `${short.length} ${short.length === 1 ? 'fret' : 'frets'} would end under ${mm(p.limits.fretHeight)}: ${short.join(', ')}.`,
        would: `It would do if the lowest kept ${mm(p.limits.fretHeight)} after it.`,
      });
    else if (dear !== null) refused.push({ group: 'frets', operations: [id], ...dear });
    else ways.push(way(p, moves, l, strategy, replaced));
  }
  return { ways, refused };
}

/** Why an operation costs more than the instrument bears, or null. */
export function tooDear(p: Problem, id: OperationId): Pick<Refused, 'because' | 'would'> | null {
  const op = offered(p, id);
  if (op === null || p.worth.amount === null || p.worth.history) return null;
  const most = p.worth.amount * p.worth.share;
  const price = op.price + op.parts;
  if (price <= most) return null;
  const money = (v: number) => formatMoney(v, p.currency);
  return {
    because: `${money(price)} is over ${Math.round(p.worth.share * 100)} % of what it is worth (${money(p.worth.amount)}).`,
    would: `It would be right for an instrument worth ${money(price / p.worth.share)} or more, or if the customer wants it.`,
  };
}
