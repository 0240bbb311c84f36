import { formatMoney } from '../../money/currency.ts';
import { fretPosition } from '../../neck/fret-position.ts';
import { roomOf, type Tightest } from '../../whatif/clearance-map.ts';
import { consequences, positionsOf, type Outcome } from '../../whatif/consequences.ts';
import { NO_MOVES, type Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import type { Finding } from '../plan-input.ts';
import { closure, costOf, weigh, type Cost } from './cost.ts';
import { contactWays } from './contact-ways.ts';
import { dealsWith } from './findings.ts';
import { fretWays, tooDear } from './fret-ways.ts';
import { heightWays } from './height-ways.ts';
import { highFrets, isOut, standings, tightestFor, type Stands } from './judge-outcome.ts';
import { nutWays } from './nut-ways.ts';
import { notOffered, offered, type Judged, type Problem } from './problem.ts';
import { leftOf, removedBy, shareTaken, type Removed } from './removed.ts';
import { rodWays } from './rod-ways.ts';
import { mustWait, onlyOnStraight } from './straight.ts';
import { trimmed } from './trim.ts';
import type { Refused, Sizes, Way } from './way.ts';

/** A finding that is not dealt with, and why. */
export interface LeftFinding {
  readonly finding: Finding;
  readonly why: string;
}

/** One answer to all questions together, and what comes of it. */
export interface Candidate {
  readonly ways: readonly Way[];
  readonly moves: Moves;
  readonly outcome: Outcome;
  readonly operations: ReadonlySet<OperationId>;
  readonly cost: Cost;
  /** taken off for good, mm by part */
  readonly removed: Removed;
  readonly stands: readonly Stands[];
  readonly highFrets: readonly { readonly fret: number; readonly over: number }[];
  readonly tightest: Tightest | null;
  /** it buzzes, or what is planned leaves less room than readings can be wrong by */
  readonly tight: boolean;
  /** findings of the inspection it leaves undone, and why */
  readonly leftFindings: readonly LeftFinding[];
  /** places out of their band, high frets, a place that buzzes for this player, findings left */
  readonly misses: number;
  /** how far out they are together, in half widths of their bands */
  readonly short: number;
  /** how far from the aims all places are together, in half widths */
  readonly off: number;
  /** how many of its ways stop beside an aim that would cost no more */
  readonly beside: number;
  /** money, waiting and what cannot be undone, weighed together: minor units */
  readonly weight: number;
}

/** Every answer looked at, and what was refused on the way. */
export interface Search {
  readonly candidates: readonly Candidate[];
  /** those of them that move only what stands out of its band */
  readonly asked: readonly Candidate[];
  readonly refused: readonly Refused[];
}

const SHORT_STEP = 10;
const OFF_STEP = 20;

/** Why a finding is not dealt with, or null where it is. */
function whyLeft(p: Problem, moves: Moves, f: Finding): string | null {
  if (offered(p, f.leadsTo) === null) return notOffered(p, f.leadsTo);
  const dear = tooDear(p, f.leadsTo);
  if (dear !== null) return `${dear.because} ${dear.would}`;
  return mustWait(p, moves, f.leadsTo)
    ? 'The neck is not straight: it comes first, then this is read and looked at again.'
    : null;
}

/** The most a whole plan may cost by what the instrument is worth, minor units. */
const mostOf = (p: Problem): number =>
  p.worth.amount === null || p.worth.history ? Number.POSITIVE_INFINITY : p.worth.amount * p.worth.total;

/**
 * The operations of an answer with the findings it deals with. Where all together would cost more than the instrument bears, the
 * dearest finding is left, and the next, until it does.
 */
function withinWorth(
  p: Problem,
  parts: Way['parts'],
  moves: Moves,
  judged: readonly { readonly finding: Finding; readonly why: string | null }[],
): Pick<Candidate, 'operations' | 'cost' | 'leftFindings'> {
  const priceOf = (f: Finding): number => {
    const op = offered(p, f.leadsTo);
    return op === null ? 0 : op.price + op.parts;
  };
  const left = judged.flatMap(({ finding, why }) => (why === null ? [] : [{ finding, why }]));
  const kept = judged
    .flatMap(({ finding, why }) => (why === null ? [finding] : []))
    .sort((a, b) => priceOf(a) - priceOf(b));
  const most = mostOf(p);
  for (;;) {
    const ids = new Set([...parts.map((x) => x.operation), ...kept.map((f) => dealsWith(f, moves))]);
    const operations = closure(p, ids);
    const cost = costOf(p, operations);
    const dearest = cost.price.likely > most ? kept.pop() : undefined;
    if (dearest === undefined) return { operations, cost, leftFindings: left };
    const together = `All together would come to ${money(p, cost.price.likely)}`;
    left.push({ finding: dearest, why: `${together}, over ${worthShare(p)}.` });
  }
}

const money = (p: Problem, v: number): string => formatMoney(v, p.currency);
const worthShare = (p: Problem): string =>
  `${Math.round(p.worth.total * 100)} % of what it is worth (${money(p, p.worth.amount ?? 0)})`;

/** What is refused because the whole of it costs more than the instrument bears. */
const overWorth = (p: Problem, c: Candidate): Refused => ({
  group: 'height',
  operations: c.ways.flatMap((w) => w.parts.map((x) => x.operation)),
  because: `All together it would come to ${money(p, c.cost.price.likely)}, over ${worthShare(p)}.`,
  would: `It would be right for an instrument worth ${money(p, c.cost.price.likely / p.worth.total)} or more, or if the customer wants it.`,
});

/** Whether the instrument bears what an answer costs altogether; doing nothing always. */
const isBorne = (p: Problem, c: Candidate): boolean =>
  c.operations.size === 0 || c.cost.price.likely <= mostOf(p);

function evaluate(
  p: Problem,
  ways: readonly Way[],
  outcome: Outcome,
  at: Tightest | null,
  withFindings: boolean,
): Candidate {
  const parts = ways.flatMap((w) => w.parts);
  const moves = ways.at(-1)?.moves ?? NO_MOVES;
  const judgedFindings = p.findings.map((finding) => ({
    finding,
    why: withFindings ? whyLeft(p, moves, finding) : 'Left as it is in this plan.',
  }));
  const { operations, cost, leftFindings } = withinWorth(p, parts, moves, judgedFindings);
  const removed = removedBy(
    parts.filter((x) => operations.has(x.operation)),
    p.catalogue,
  );
  // Where findings are left, no new set goes on: pitches stand as they were read.
  const stands = standings(withFindings ? p : { ...p, findings: [] }, outcome);
  const out = stands.filter(isOut);
  const tops = ways.at(-1)?.moves.tops ?? p.model.tops;
  const high = highFrets(p.model, tops, p.limits.highFret);
  // What is forecast to touch by less than readings can be wrong by is close, not a buzz; what stands there is heard as it is.
  const unsure = parts.length > 0 ? p.limits.planned : 0;
  const room = at === null ? 'clear' : roomOf(at.margin + unsure, at.still);
  const buzz = room === 'buzz' ? 1 : room === 'choked' ? 2 : 0;
  const close = buzz === 0 && parts.length > 0 && at !== null && at.margin < p.limits.planned;
  return {
    ways,
    moves,
    outcome,
    operations,
    cost,
    removed,
    stands,
    highFrets: high,
    tightest: at,
    tight: buzz > 0 || close,
    leftFindings,
    misses: out.length + high.length + buzz + leftFindings.length,
    short:
      Math.round(
        SHORT_STEP *
          (out.reduce((s, x) => s + x.off - 1, 0) + high.reduce((s, h) => s + h.over / p.limits.highFret, 0)),
      ) / SHORT_STEP,
    off: Math.round(OFF_STEP * stands.reduce((s, x) => s + x.off, 0)) / OFF_STEP,
    beside: ways.filter((w) => w.beside).length,
    weight: weigh(p, cost, shareTaken(removed, leftOf(p))) + (close ? p.weights.close : 0),
  };
}

interface Look {
  readonly p: Problem;
  readonly sizes: Sizes;
  /** where the frets lie */
  readonly x: Float64Array;
  /** action at the 12th per rise of the saddle */
  readonly share: number;
  readonly after: (moves: Moves) => Outcome;
  readonly note: (refused: readonly Refused[]) => void;
  /** whether answers that begin like this are worth following */
  readonly goOn: (ways: readonly Way[], outcome: Outcome, decided: readonly Judged['quantity'][]) => boolean;
  readonly found: (ways: readonly Way[], outcome: Outcome, tightest: () => Tightest | null) => void;
}

/** Goes through every way to answer the questions together, each sized by what the earlier ones leave. */
function lookAll(l: Look): void {
  const { p, sizes, after, note, goOn } = l;
  const rods = rodWays(p, NO_MOVES, sizes);
  note(rods.refused);
  for (const rod of rods.ways) {
    if (!goOn([rod], after(rod.moves), ['relief'])) continue;
    const frets = fretWays(p, rod.moves);
    // Left as it is, the neck is not straight: what is refused for that is refused only there.
    if (rod.parts.length > 0 || rods.ways.length === 1) note(frets.refused);
    for (const fret of frets.ways) {
      const bare = after(fret.moves);
      if (!goOn([rod, fret], bare, ['relief'])) continue;
      const nuts = onlyOnStraight(p, fret.moves, nutWays(p, fret.moves, bare, sizes));
      note(nuts.refused);
      for (const nut of nuts.ways) {
        const low = after(nut.moves);
        if (!goOn([rod, fret, nut], low, ['relief', 'nut-gap'])) continue;
        const heights = onlyOnStraight(p, nut.moves, heightWays(p, nut.moves, low, l.share, sizes));
        note(heights.refused);
        for (const height of heights.ways) {
          const up = after(height.moves);
          if (!goOn([rod, fret, nut, height], up, ['relief', 'nut-gap', 'action'])) continue;
          // The contact moves along the string: what is tightest does not change with it.
          const tightest = once(() => tightestFor(p, up, l.x));
          const contacts = onlyOnStraight(p, height.moves, contactWays(p, height.moves, up, sizes));
          note(contacts.refused);
          for (const contact of contacts.ways) {
            const outcome = contact.parts.length === 0 ? up : after(contact.moves);
            l.found([rod, fret, nut, height, contact], outcome, tightest);
          }
        }
      }
    }
  }
}

function once<T>(work: () => T): () => T {
  let done: { readonly value: T } | null = null;
  return () => (done ??= { value: work() }).value;
}

const LEAST = 1e-6;

/** What a set of answers weighs at the least, with what the inspection asks for. */
function weightOf(p: Problem, ways: readonly Way[]): number {
  const parts = ways.flatMap((w) => w.parts);
  const moves = ways.at(-1)?.moves ?? NO_MOVES;
  const ids = [...parts.map((x) => x.operation), ...p.findings.map((f) => dealsWith(f, moves))];
  const all = closure(p, new Set(ids));
  const done = parts.filter((x) => all.has(x.operation));
  return weigh(p, costOf(p, all), shareTaken(removedBy(done, p.catalogue), leftOf(p)));
}

/**
 * Looks at every way to answer the questions of a setup together: rod, frets, nut, height, contact, in the order of the
 * work. Nothing is passed over, so what is chosen from it is the best there is among the sizes considered: each band's
 * aim, the rod also on both sides of its aim, a saddle also at its limit. First what stands out of its band is moved; then
 * it is asked whether moving more, or something else, leaves nothing undone and weighs less. What a narrower band would
 * have moved is thereby looked at too: a looser band never costs more.
 */
export function search(p: Problem): Search {
  const x = positionsOf(p.model.construction);
  const { scale, compensation } = p.model.construction;
  const refused = new Map<string, Refused>();
  const found: Candidate[] = [];
  const dear: Candidate[] = [];
  const look = {
    p,
    x,
    share: fretPosition(scale, 12) / (scale + compensation),
    after: (moves: Moves) => consequences(p.model, moves, p.ratio, x),
  };
  lookAll({
    ...look,
    sizes: 'asked',
    goOn: () => true,
    note: (all) => {
      for (const r of all) {
        const key = r.operations.join('+');
        if (!refused.has(key)) refused.set(key, r);
      }
    },
    found: (ways, outcome, tightest) => {
      const still = ways.every((w) => w.parts.length === 0);
      const c = evaluate(p, ways, outcome, tightest(), true);
      if (isBorne(p, c)) found.push(c);
      else dear.push(c);
      if (still && p.findings.length > 0) found.push(evaluate(p, ways, outcome, tightest(), false));
    },
  });
  for (const c of dear) {
    const r = overWorth(p, c);
    const key = r.operations.join('+');
    if (!refused.has(key)) refused.set(key, r);
  }
  const asked = [...found];
  if (p.findings.some((f) => offered(p, f.leadsTo) === null || tooDear(p, f.leadsTo) !== null))
    return { candidates: found, asked, refused: [...refused.values()] };
  let best = first(found, BY_COST);
  const lighter = (ways: readonly Way[]) => best.misses > 0 || weightOf(p, ways) <= best.weight + LEAST;
  lookAll({
    ...look,
    sizes: 'every',
    note: () => {},
    goOn: (ways, outcome, decided) => !standings(p, outcome, decided).some(isOut) && lighter(ways),
    found: (ways, outcome, tightest) => {
      if (!lighter(ways) || standings(p, outcome, undefined, 'as it was read').some(isOut)) return;
      const c = evaluate(p, ways, outcome, tightest(), true);
      if (c.misses > 0 || !isBorne(p, c) || !before(BY_COST(c), BY_COST(best))) return;
      best = c;
      found.push(c);
    },
  });
  return { candidates: found, asked, refused: [...refused.values()] };
}

/**
 * A candidate that cuts only as far as the band, where that leaves no more undone than cutting to the aim: the least that is
 * enough. The same candidate where nothing is gained by it.
 */
export function leastOf(p: Problem, c: Candidate): Candidate {
  const x = positionsOf(p.model.construction);
  const { scale, compensation } = p.model.construction;
  const after = (moves: Moves) => consequences(p.model, moves, p.ratio, x);
  const ways = trimmed(p, c.ways, fretPosition(scale, 12) / (scale + compensation), after);
  if (ways === null) return c;
  const outcome = after(ways.at(-1)?.moves ?? NO_MOVES);
  const less = evaluate(p, ways, outcome, tightestFor(p, outcome, x), true);
  return before(BY_COST(less), BY_COST(c)) ? less : c;
}

const sameWork = (a: Candidate, b: Candidate): boolean =>
  a.operations.size === b.operations.size && [...a.operations].every((id) => b.operations.has(id));

/**
 * The least of all candidates that do the same work as the lightest with the rod brought elsewhere in its band: how far is cut
 * hangs on the relief, and only what is cut as little as it goes can be compared.
 */
export function leastAmong(p: Problem, candidates: readonly Candidate[], lightest: Candidate): Candidate {
  const byRelief = new Map<string, Candidate>();
  for (const c of candidates) {
    if (c.misses !== lightest.misses || !sameWork(c, lightest)) continue;
    const key = c.moves.relief.toFixed(4);
    const known = byRelief.get(key);
    if (known === undefined || before(BY_COST(c), BY_COST(known))) byRelief.set(key, c);
  }
  return first(
    [lightest, ...byRelief.values()].map((c) => leastOf(p, c)),
    BY_COST,
  );
}

type Rank = (c: Candidate) => readonly number[];
/** The cheapest that leaves least undone. */
export const BY_COST: Rank = (c) => [c.misses, c.short, c.weight, c.beside, c.off];
/** The one nearest to every aim that leaves least undone. */
export const BY_AIM: Rank = (c) => [c.misses, c.short, Number(c.tight), c.off, c.weight];

/** The first of the candidates by a rank. @throws RangeError when there are none */
export function first(candidates: readonly Candidate[], rank: Rank): Candidate {
  const [head, ...rest] = candidates;
  if (!head) throw new RangeError('no candidates');
  return rest.reduce((best, c) => (before(rank(c), rank(best)) ? c : best), head);
}

function before(a: readonly number[], b: readonly number[]): boolean {
  const i = a.findIndex((v, n) => v !== b[n]);
  return i >= 0 && (a[i] ?? 0) < (b[i] ?? 0);
}

/** The candidate that does nothing at all. */
export const leaveIt = (candidates: readonly Candidate[]): Candidate =>
  first(
    candidates.filter((c) => c.operations.size === 0),
    BY_COST,
  );
