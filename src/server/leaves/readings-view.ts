import { QueryTypes } from 'sequelize';
import type { Quantity } from '../../core/readings/quantities.ts';
import {
  afterNumber,
  nextAfterRound,
  roundName,
  roundOrder,
  type RoundKind,
} from '../../core/readings/rounds.ts';
import { stationKey } from '../../core/readings/stations.ts';
import type { Database } from '../db/connection.ts';
import type { Job } from '../db/models/jobs.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { Judged } from '../../core/job/judge.ts';

interface Before {
  readonly quantity: Quantity;
  readonly string: number;
  readonly fret: number;
  readonly value: string;
  readonly job: number;
  readonly at: Date;
}

const BEFORE_SQL = `SELECT r.quantity, r.string_no AS string, r.fret, r.value, v.number AS job, r.taken_at AS at
  FROM (SELECT id, number FROM jobs WHERE instrument_id = :instrument AND number < :number ORDER BY number DESC LIMIT 3) v
  JOIN rounds o ON o.job_id = v.id JOIN readings r ON r.round_id = o.id
  WHERE r.not_representative IS NULL ORDER BY r.taken_at, r.id`;

/** The newest readings of the instrument's visits before this job: what stood there before. */
async function readBefore({ sequelize }: Database, { instrumentId, number }: Job) {
  const rows = await sequelize.query<Before>(BEFORE_SQL, {
    type: QueryTypes.SELECT,
    replacements: { instrument: instrumentId, number },
  });
  const newest = new Map<string, { key: string; value: number; job: number; at: string }>();
  for (const r of rows) {
    const key = stationKey(r.quantity, r.string, r.fret);
    newest.set(key, { key, value: Number(r.value), job: r.job, at: r.at.toISOString() });
  }
  return [...newest.values()];
}

const roundsView = (g: GatheredJob, next: ReturnType<typeof nextAfterRound>) => {
  const begun = [...g.rounds].sort((a, b) => roundOrder(a.kind) - roundOrder(b.kind));
  const newest = g.rounds.at(-1);
  const usual = (kind: RoundKind, title: string) => ({
    kind,
    name: roundName(kind, title),
    begun: false,
    strings: g.job.stringsState === 'off' ? ('off' as const) : ('at-pitch' as const),
    position: newest?.position ?? ('playing' as const),
    tuning: newest?.tuning ?? '',
    temperature: null,
    humidity: null,
    pitch: null,
    methods: newest?.methods ?? g.habits.methods,
    gauges: { ...g.habits.gauges, ...newest?.gauges },
    startedAt: '',
    version: 0,
  });
  const all = [
    ...begun.map((r) => ({
      kind: r.kind,
      name: roundName(r.kind, r.title),
      begun: true,
      strings: r.strings,
      position: r.position,
      tuning: r.tuning,
      temperature: r.temperature === null ? null : Number(r.temperature),
      humidity: r.humidity === null ? null : Number(r.humidity),
      pitch: r.pitch === null ? null : Number(r.pitch),
      methods: r.methods ?? g.habits.methods,
      gauges: { ...g.habits.gauges, ...r.gauges },
      startedAt: r.startedAt.toISOString(),
      version: r.version,
    })),
    ...(begun.some((r) => r.kind === 'as-found') ? [] : [usual('as-found', '')]),
    ...(next ? [usual(next.kind, next.title)] : []),
    ...(next === null && !begun.some((r) => afterNumber(r.kind) > 0) ? [usual('after-work', '')] : []),
    ...(begun.some((r) => r.kind === 'as-left') ? [] : [usual('as-left', '')]),
  ];
  return all.sort((a, b) => roundOrder(a.kind) - roundOrder(b.kind));
};

const readingView = (
  r: GatheredJob['standard'][number],
  asRead: GatheredJob['readings'][number] | undefined,
  stale: string | null,
  name: (id: number | null) => string,
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
  by: name(r.takenBy),
  takenAt: new Date(r.takenAt).toISOString(),
  notRepresentative: r.notRepresentative,
  stale,
  version: r.version,
});

/** What the Readings leaf and everything that shows readings need of a job, as plain data. */
export async function readingsView(
  db: Database,
  g: GatheredJob,
  judged: Judged,
  name: (id: number | null) => string,
) {
  const next = nextAfterRound(
    g.rounds.map((r) => ({ kind: r.kind, startedAt: r.startedAt.getTime() })),
    judged.operations.filter((o) => o.stale.length > 0),
  );
  const before = await readBefore(db, g.job);
  const { gauges } = g.shop;
  return {
    stations: g.stations.map((s) => ({ ...s, target: judged.targets.get(s.key) ?? null })),
    rounds: roundsView(g, next),
    readings: g.standard.map((r, i) =>
      readingView(r, g.readings[i], judged.staleByReading.get(r)?.because ?? null, name),
    ),
    before,
    habits: g.habits,
    wishes: g.wishes,
    shopTargets: g.shopTargets,
    gauges,
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
