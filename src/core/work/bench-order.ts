import type { JobLine } from '../job/job.ts';
import type { JobClock } from '../job/job-parts.ts';
import type { Judged } from '../job/judge.ts';
import type { JudgedStringChange } from '../job/judged-job.ts';
import { isLookedAt, type Answer } from '../inspection/checklist.ts';
import { lostWithoutStrings } from '../inspection/strings-gate.ts';
import { needsStrings, type Conditions } from '../readings/conditions.ts';
import { staleReasons } from '../staleness/stale.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Operation } from '../catalogue/operation.ts';
import { agreedOperation, operation } from '../catalogue/operations.ts';
import type { Station } from '../readings/stations.ts';
import {
  cutBy,
  hindrances,
  type Hindrance,
  type LostWithStrings,
  type PlaceRead,
  type StartLine,
} from './may-start.ts';
import type { Quantity } from '../readings/quantities.ts';
import { stringsBefore } from '../catalogue/strings-before.ts';
import { inWorkOrder, STRINGS_OFF, type NeedsOf } from '../catalogue/order-of-work.ts';
import { isNeckFirst, orderRules, type OrderRules } from './order-rules.ts';
import { queueOf, type Next } from './queue.ts';
import { restsOf } from './rests-of.ts';
import type { Wait } from './waits.ts';

/** What a bench looks at a work order by. */
export interface Ordered<L extends JobLine> {
  readonly lines: readonly L[];
  readonly stations: readonly Station[];
  readonly catalogue: readonly Operation[];
  readonly instrument: { readonly construction: Pick<Construction, 'rodNut'> };
  /** the rod's turns where they were logged, in their order */
  readonly turns: readonly { readonly turnedAt: Date }[];
  readonly job: { readonly stringsState: Conditions['strings'] };
  readonly stringChanges: readonly JudgedStringChange[];
  readonly answers: readonly {
    readonly item: string;
    readonly answer: Answer | null;
    readonly finding?: string | null | undefined;
  }[];
}

/** A work order as a bench sees it: its lines in order, what hinders each, and what comes next. */
export interface BenchOrder<L extends JobLine> {
  readonly needs: NeedsOf;
  /** what its order goes by */
  readonly rules: OrderRules;
  /** the rests that run, the last to end first */
  readonly resting: readonly Wait[];
  readonly ordered: readonly L[];
  readonly places: readonly PlaceRead[];
  readonly hindrances: (line: L) => Hindrance[];
  readonly queue: readonly Next[];
  /** by line: what has to be done with the strings before it, beside what the order has for that */
  readonly strings: ReadonlyMap<number, 'on' | 'off'>;
}

type Clock = Pick<JobClock, 'lineId' | 'endedAt'>;

/** When the rod was last let go on this job, ms: its last logged turn, else the clock of its step; null when nobody touched it. */
function lastTurn(
  lines: readonly JobLine[],
  clocks: readonly Clock[],
  turns: readonly { readonly turnedAt: Date }[],
): number | null {
  const logged = turns.at(-1);
  if (logged) return logged.turnedAt.getTime();
  const rods = lines.filter((l) => l.operation === 'rod');
  const ends = [
    ...clocks.filter((e) => rods.some((l) => l.id === e.lineId)).map((e) => e.endedAt),
    ...rods.map((l) => l.finishedAt),
  ].flatMap((d) => (d === null ? [] : [d.getTime()]));
  return ends.length === 0 ? null : Math.max(...ends);
}

/** Since when the strings are off, ms: by the record of the strings and by finished steps; null where they are on. */
function stringsOffSince<L extends JobLine>(
  lines: readonly L[],
  op: (l: L) => Operation,
  changes: readonly JudgedStringChange[],
): number | null {
  const moments = [
    ...changes.map((c) => ({ kind: c.kind, at: c.changedAt.getTime() })),
    ...lines.flatMap((l) => {
      const kind = op(l).strings;
      return kind === null || l.finishedAt === null ? [] : [{ kind, at: l.finishedAt.getTime() }];
    }),
  ].sort((a, b) => a.at - b.at);
  const on = moments.findLastIndex((m) => m.kind === 'on');
  return moments.slice(on + 1).find((m) => m.kind === 'off')?.at ?? null;
}

/**
 * What is lost when the strings come off now: what they are wanted on for, and what was read with them, holds no more, and is cut by
 * once they are off.
 */
function lostWith(
  { job: { stringsState }, stations, answers }: Pick<Ordered<JobLine>, 'job' | 'stations' | 'answers'>,
  { latest, items }: Pick<Judged, 'latest' | 'items'>,
  places: readonly PlaceRead[],
  cut: ReadonlySet<Quantity>,
): LostWithStrings {
  const looked = new Set(answers.filter((a) => isLookedAt(a.answer)).map((a) => a.item));
  const gate = lostWithoutStrings(stringsState, stations, [...latest.values()], items, looked);
  const isHeldNoMore = (p: PlaceRead): boolean =>
    p.takenAt !== null && p.stale && needsStrings(p.quantity) && cut.has(p.quantity);
  const again = stringsState === 'missing' ? [] : places.filter(isHeldNoMore);
  return { stations: [...gate.readings, ...again].map((s) => s.key), items: gate.items.length };
}

const startLine = (l: JobLine): StartLine => ({
  id: l.id,
  operation: l.operation,
  title: l.title,
  approval: l.approval,
  finished: l.step === 'finished',
  stops: l.stops,
});

/** The places a setup is read at, as they stand; what held when the strings came off is told from what did not. */
function placesRead(
  stations: readonly Station[],
  { latest, stale, operations }: Pick<Judged, 'latest' | 'stale' | 'operations'>,
  bareSince: number | null,
): PlaceRead[] {
  const earlier = operations.filter((o) => bareSince !== null && o.at <= bareSince);
  return stations
    .filter((s) => !s.optional)
    .map((s) => {
      const read = latest.get(s.key);
      const held = read !== undefined && staleReasons([read], earlier)[0] === null;
      return {
        key: s.key,
        label: s.label,
        quantity: s.quantity,
        takenAt: read?.takenAt ?? null,
        stale: stale.has(s.key),
        bare: bareSince !== null && needsStrings(s.quantity) && held,
      };
    });
}

/**
 * Looks at a job's work order the way the bench does.
 * @param now ms since the epoch
 */
export function benchOrder<L extends JobLine>(
  { lines, stations, catalogue, turns, instrument, job, stringChanges, answers }: Ordered<L>,
  judged: Pick<Judged, 'latest' | 'stale' | 'operations' | 'items'>,
  clocks: readonly Clock[],
  now: number,
): BenchOrder<L> {
  const agreed = new Map(lines.map((l) => [l.id, agreedOperation(l, catalogue)]));
  const found = answers.filter((a) => a.answer === 'work');
  const neckFirst = isNeckFirst(instrument.construction.rodNut, found);
  const op = (l: Pick<JobLine, 'id' | 'operation'>): Operation => {
    const own = agreed.get(l.id) ?? operation(l.operation, catalogue);
    return own.id === 'rod' && neckFirst ? { ...own, strung: false } : own;
  };
  const onOrder = new Map([...agreed.values()].map((o) => [o.id, o]));
  const needs: NeedsOf = (id) => (onOrder.get(id) ?? operation(id, catalogue)).needs;
  const rules = orderRules(agreed.values(), catalogue, neckFirst);
  const ordered = inWorkOrder(lines, rules.needs, rules.usual);
  const bareSince = stringsOffSince(lines, op, stringChanges);
  const places = placesRead(stations, judged, bareSince);
  const bareWork = lines.filter(
    (l) => l.approval === 'yes' && l.step !== 'finished' && needs(l.operation).includes(STRINGS_OFF),
  );
  const cut = new Set(bareWork.flatMap((l) => cutBy(op(l))));
  const bare = bareSince !== null || job.stringsState === 'off';
  const lost = bare ? null : lostWith({ job, stations, answers }, judged, places, cut);
  const open = ordered.filter((l) => l.approval !== 'no' && l.step !== 'finished');
  const before = stringsBefore(open.map(op), bare);
  const all = ordered.map(startLine);
  const turned = lastTurn(lines, clocks, turns);
  const lastTurned = turns.at(-1)?.turnedAt.getTime() ?? null;
  const resting = restsOf(lines, catalogue, lastTurned).filter((w) => w.until > now);
  return {
    needs,
    rules,
    resting,
    ordered,
    places,
    hindrances: (line) =>
      hindrances(startLine(line), op(line), {
        all,
        needs,
        places,
        lastTurn: turned,
        lost,
        bare,
        rest: resting[0] ?? null,
      }),
    strings: new Map(
      open.flatMap((l, i) => {
        const now = before[i] ?? null;
        return now === null ? [] : [[l.id, now] as const];
      }),
    ),
    queue: queueOf(all, (l) => op(l), places),
  };
}
