import { tuningName } from '../../instrument/defaults.ts';
import { roundMovers } from '../round-movers.ts';
import { afterNumber, nextAfterRound, roundName, roundOrder, type RoundKind } from '../../readings/rounds.ts';
import type { Job, JobReading } from '../job.ts';
import type { EarlierReading, JobWith } from '../job-parts.ts';
import type { JudgingShop } from '../judged-job.ts';
import { partnersOf } from '../../readings/courses.ts';
import { likelySet, likelyTuning } from '../../readings/set-on.ts';
import { settledAt, unrestedBy, type Unrested } from '../../staleness/stale.ts';
import type { Judged } from '../judge.ts';
import type { NameOf, Shop } from '../shop.ts';

type Habits = Shop['habits'];

/** What stood at each place at the visits before: the newest reading of it, its moment as text. */
function beforeView(earlier: readonly EarlierReading[]) {
  const newest = new Map<string, { key: string; value: number; job: number; at: string }>();
  for (const r of earlier)
    newest.set(r.key, {
      key: r.key,
      value: r.value,
      job: r.job,
      at: new Date(r.takenAt).toISOString(),
    });
  return [...newest.values()];
}

/** A round that may be begun, under the conditions that are likely. */
function offeredRound(g: Job, habits: Habits, kind: RoundKind, title: string) {
  const newest = g.rounds.at(-1);
  return {
    kind,
    name: roundName(kind, title),
    begun: false,
    strings: g.job.stringsState === 'off' ? ('off' as const) : ('at-pitch' as const),
    position: newest?.position ?? ('playing' as const),
    tuning: likelyTuning(newest ?? null, g.stringChanges, tuningName(g.instrument.construction.strings)),
    ...likelySet(newest ?? null, g.stringChanges),
    temperature: null,
    humidity: null,
    pitch: null,
    methods: newest?.methods ?? habits.methods,
    gauges: { ...habits.gauges, ...newest?.gauges },
    startedAt: '',
    version: 0,
  };
}

/** The rounds that were begun and those that may be, in their order. */
function roundsView(g: Job, habits: Habits, next: ReturnType<typeof nextAfterRound>) {
  const begun = g.rounds;
  const has = (kind: RoundKind): boolean => begun.some((r) => r.kind === kind);
  const offered = (kind: RoundKind, title = '') => offeredRound(g, habits, kind, title);
  const all = [
    ...begun.map((r) => ({
      kind: r.kind,
      name: roundName(r.kind, r.title),
      begun: true,
      strings: r.strings,
      setOn: r.setOn ?? '',
      setAge: r.setAge ?? null,
      position: r.position,
      tuning: r.tuning,
      temperature: r.temperature,
      humidity: r.humidity,
      pitch: r.pitch,
      methods: r.methods ?? habits.methods,
      gauges: { ...habits.gauges, ...r.gauges },
      startedAt: r.startedAt.toISOString(),
      version: r.version,
    })),
    ...(has('as-found') ? [] : [offered('as-found')]),
    ...(next ? [offered(next.kind, next.title)] : []),
    ...(next === null && !begun.some((r) => afterNumber(r.kind) > 0) ? [offered('after-work')] : []),
    ...(has('as-left') ? [] : [offered('as-left')]),
  ];
  return all.sort((a, b) => roundOrder(a.kind) - roundOrder(b.kind));
}

/** The mean of a reading and of those of its round it is judged together with; null where it stands alone. */
function courseValue(g: Job, judged: Judged, i: number): number | null {
  const [r, own] = [g.standard[i], g.readings[i]];
  if (!r || !own) return null;
  const partners = partnersOf(g.instrument.construction, r);
  const others = g.standard.flatMap((x, k) => {
    const counts = x.round === r.round && partners.includes(x.key) && x.notRepresentative === null;
    const value = g.readings[k]?.value;
    return counts && value !== undefined && !judged.staleByReading.has(x) ? [value] : [];
  });
  return others.length === 0 ? null : (own.value + others.reduce((s, v) => s + v, 0)) / (others.length + 1);
}

const readingView = (
  r: JobReading,
  asRead: JobReading | undefined,
  { stale, unrested }: { readonly stale: string | null; readonly unrested: Unrested | null },
  name: NameOf,
) => ({
  key: r.key,
  quantity: r.quantity,
  string: r.string,
  fret: r.fret,
  round: r.round,
  /** as it was read, by its method */
  value: asRead?.value ?? r.value,
  /** as the sums use it */
  standard: r.value,
  converted: r.converted ?? null,
  typed: r.typed,
  unit: r.unit,
  method: r.method,
  gauge: r.gauge,
  uncertainty: r.uncertainty ?? null,
  copiedFrom: r.copiedFrom,
  sound: r.sound ?? null,
  buzz: r.buzz ?? null,
  by: name(r.takenBy),
  takenAt: new Date(r.takenAt).toISOString(),
  notRepresentative: r.notRepresentative,
  stale,
  /** after which work it was read before that had rested, with the moment (ms) */
  unrested,
  version: r.version,
});

/** What the Readings leaf and everything that shows readings need of a job. */
export function readingsView(
  g: JobWith<'earlier' | 'watches'> & JudgingShop,
  judged: Judged,
  shop: Shop,
  name: NameOf,
) {
  const next = nextAfterRound(
    g.rounds.map((r) => ({ kind: r.kind, startedAt: r.startedAt.getTime() })),
    roundMovers(g),
  );
  return {
    stations: g.stations.map((s) => ({ ...s, target: judged.targets.get(s.key) ?? null })),
    rounds: roundsView(g, shop.habits, next),
    readings: g.standard.map((r, i) => ({
      ...readingView(
        r,
        g.readings[i],
        {
          stale: judged.staleByReading.get(r)?.because ?? null,
          unrested: unrestedBy(r, judged.operations),
        },
        name,
      ),
      /** with the other string of its course, where they are judged as one */
      asCourse: courseValue(g, judged, i),
    })),
    /** work with a rest after it, what it moved and until when that goes on moving, ms */
    settling: judged.operations.flatMap((o) =>
      (o.wait ?? 0) > 0 ? [{ title: o.title, at: o.at, until: settledAt(o), moves: o.stale }] : [],
    ),
    before: beforeView(g.earlier),
    watches: g.watches,
    habits: shop.habits,
    wishes: g.wishes,
    shopTargets: shop.targets,
    gauges: shop.gauges,
    targetVersions: g.targets.map((w) => ({
      quantity: w.quantity,
      side: w.side,
      string: w.stringNo,
      layer: w.layer,
      relative: w.relative,
      version: w.version,
      reason: w.reason,
    })),
  };
}
