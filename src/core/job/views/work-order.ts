import { CARED_OPERATIONS } from '../../care/where-it-counts.ts';
import { PROTECTION, protectionFor } from '../../catalogue/hazards.ts';
import { sayNextTurn } from '../../plan/next-turn.ts';
import { agreedOperation, customerSays, sayForGood, saysStrings } from '../../catalogue/operations.ts';
import { benchOrder, type BenchOrder } from '../../work/bench-order.ts';
import { looksForgotten, workedMs } from '../../work/clocks.ts';
import { toFetch } from '../../work/fetch.ts';
import { isPassable, stopped } from '../../work/may-start.ts';
import { rangeOf } from '../../work/order-of-lines.ts';
import { cutPlaces, isCutOperation, nextCut, plannedCuts } from '../../work/cuts.ts';
import { sayLeft } from '../../days/say-left.ts';
import { RELIEF_FRET, stationKey } from '../../readings/stations.ts';
import { unrestedBy } from '../../staleness/stale.ts';
import type { JobLine } from '../job.ts';
import type { JobClock, JobWith } from '../job-parts.ts';
import type { JudgingShop } from '../judged-job.ts';
import type { Judged } from '../judge.ts';
import type { NameOf } from '../shop.ts';
import { iso } from './moment.ts';

type LabelOf = (key: string) => string;

function hindersView(bench: BenchOrder<JobLine>, line: JobLine, label: LabelOf) {
  if (line.approval !== 'yes' || (line.step !== 'ready' && line.step !== 'paused')) return [];
  return bench.hindrances(line).map((h) => ({
    kind: h.kind,
    words: h.words,
    passable: isPassable(h),
    /** when it is over by itself */
    until: h.kind === 'rest' ? h.until : null,
    places: h.kind === 'reading' ? h.stations.map((key) => ({ key, label: label(key) })) : [],
  }));
}

/** The clocks of one line, and what they come to; a step that usually takes `high` minutes tells which was forgotten. */
function clocksView(own: readonly JobClock[], high: number, name: NameOf, now: Date) {
  const running = own.find((e) => e.endedAt === null);
  return {
    workedMs: workedMs(
      own
        .filter((e) => e.endedAt !== null)
        .map((e) => ({ from: e.startedAt.getTime(), to: e.endedAt?.getTime() ?? 0 })),
      now.getTime(),
    ),
    runningSince: iso(running?.startedAt),
    runningBy: name(running?.personId ?? null),
    clocks: own.map((e) => ({
      id: e.id,
      by: name(e.personId),
      from: e.startedAt.toISOString(),
      to: iso(e.endedAt),
      correction: e.correction,
      forgotten: e.endedAt === null && looksForgotten(e.startedAt.getTime(), now.getTime(), high),
    })),
  };
}

/** What is said before the next turn where the relief was read while the neck was still moving; nothing where it had rested. */
function readTooSoon({ latest, operations }: Judged, now: number): string {
  const relief = latest.get(stationKey('relief', 0, RELIEF_FRET));
  const soon = relief ? unrestedBy(relief, operations) : null;
  if (!soon) return '';
  const when = soon.until > now ? ` in ${sayLeft(now, soon.until)}` : '';
  return `The relief was read before the neck had rested: read it again${when}. By what it read then: `;
}

/** The turns a rod was given, and what the next one is. */
function rodView(g: JobWith<'clocks'>, judged: Judged, name: NameOf, now: number) {
  const turns = judged.plannedFor.turns ?? [];
  const next = readTooSoon(judged, now) + sayNextTurn(judged.planInput, turns);
  return {
    turns: g.turns.map((t) => ({
      id: t.id,
      eighths: t.eighths,
      before: t.before,
      after: t.after,
      by: name(t.turnedBy),
      at: t.turnedAt.toISOString(),
      version: t.version,
    })),
    next,
    way: next.includes('loosen') ? ('loosen' as const) : ('tighten' as const),
  };
}

/** The cuts of one line place by place: what the plan says, what was made, what to mean next. */
function cutsView(g: JobWith<'cuts'>, judged: Judged, l: JobLine, name: NameOf) {
  if (!isCutOperation(l.operation)) return null;
  const { operation } = l;
  const c = g.instrument.construction;
  const amounts = g.choice?.content.operations.find((o) => o.id === operation)?.amounts ?? [];
  const planned = plannedCuts(operation, amounts);
  const made = g.cuts.filter((x) => x.lineId === l.id);
  const share = operation === 'saddle-lower' ? judged.planInput.settings.firstCutShare : ALL_BUT_A_LITTLE;
  const places = cutPlaces(operation, c).map((place) => ({
    place,
    planned: planned.get(place) ?? null,
    next: nextCut(planned.get(place), made, place, share),
    made: made
      .filter((x) => x.place === place)
      .map((x) => ({
        id: x.id,
        meant: x.meant,
        took: x.took,
        by: name(x.madeBy),
        at: x.madeAt.toISOString(),
        version: x.version,
      })),
  }));
  return { places };
}
/** Nut slots are all brought nearly down first. */
const ALL_BUT_A_LITTLE = 0.8;

interface Showing {
  readonly judged: Judged;
  readonly g: JobWith<'clocks' | 'cuts'> & JudgingShop;
  readonly bench: BenchOrder<JobLine>;
  readonly label: LabelOf;
  readonly still: readonly number[];
  readonly name: NameOf;
  readonly now: Date;
}

/** One line: what it is, what it costs, how it stands, what is in its way. */
function lineView({ g, judged, bench, label, still, name, now }: Showing, l: JobLine) {
  const op = agreedOperation(l, g.catalogue);
  const own = g.clocks.filter((e) => e.lineId === l.id);
  return {
    id: l.id,
    version: l.version,
    operation: l.operation,
    title: l.title,
    /** the customer’s sentence of it, and what a person wrote for them: the bench’s sums are not their words */
    says: customerSays(l, g.catalogue),
    saysDetail: l.decisionId === null ? l.detail : '',
    detail: l.detail,
    minutes: op.minutes,
    price: l.priceMinor,
    parts: l.partsMinor,
    tax: l.tax,
    partsTax: l.partsTax,
    priceReason: l.priceReason,
    hazards: op.hazards,
    /** what is worn or switched on for it */
    wear: protectionFor(op.hazards).map((p) => PROTECTION[p] as string),
    /** whether it puts something on the instrument: what may touch it is shown */
    cared: CARED_OPERATIONS.includes(l.operation),
    /** what is said of it where it cannot be undone */
    forGood: sayForGood(op),
    wait: op.wait,
    /** to finish it is to say which strings went on */
    saysStrings: saysStrings(op, g.job.stringsState, g.stringChanges.at(-1)?.kind ?? null),
    fetch: toFetch(
      op,
      g.instrument.construction.strings.map((s) => s.gauge),
    ),
    needs: bench.ordered.filter((o) => op.needs.includes(o.operation)).map((o) => o.title),
    range: rangeOf(bench.ordered, l.id, bench.rules.needs),
    approval: l.approval,
    approvedBy: l.approvedBy,
    approvedHow: l.approvedHow,
    approvedAt: iso(l.approvedAt),
    found: l.found,
    stops: l.stops,
    still: still.includes(l.id),
    askedBy: name(l.askedBy),
    step: l.step,
    finishedAt: iso(l.finishedAt),
    finishedBy: name(l.finishedBy),
    decisionLine: g.decisions.find((d) => d.id === l.decisionId)?.line ?? null,
    hinders: hindersView(bench, l, label),
    /** what has to be done with the strings before it, beside what the order has for that */
    strings: bench.strings.get(l.id) ?? null,
    rod: l.operation === 'rod' ? rodView(g, judged, name, now.getTime()) : null,
    cuts: cutsView(g, judged, l, name),
    ...clocksView(own, op.minutes.high, name, now),
  };
}

/** The work order of a job as the Work leaf and the Bench show it. Money in minor units, spans in minutes and ms. */
export function workOrderView(
  g: JobWith<'clocks' | 'cuts'> & JudgingShop,
  judged: Judged,
  name: NameOf,
  now: Date,
) {
  const bench = benchOrder(g, judged, g.clocks, now.getTime());
  const label: LabelOf = (key) => bench.places.find((p) => p.key === key)?.label ?? key;
  const asked = bench.ordered.map((l) => ({
    id: l.id,
    operation: l.operation,
    title: l.title,
    approval: l.approval,
    stops: l.stops,
    finished: l.step === 'finished',
  }));
  const showing: Showing = { g, judged, bench, label, still: stopped(asked, bench.needs), name, now };
  const lines = bench.ordered.map((l) => lineView(showing, l));
  return {
    lines,
    queue: bench.queue.map((n) =>
      n.kind === 'step' ? n : { ...n, places: n.places.map((key) => ({ key, label: label(key) })) },
    ),
    waits: bench.resting,
  };
}
