import type { Transaction } from 'sequelize';
import type { Reading } from '../../core/readings/reading.ts';
import { USUAL_METHODS } from '../../core/readings/methods.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import { stationKey, stationsOf } from '../../core/readings/stations.ts';
import { SHIPPED_TARGETS } from '../../core/targets/shop-targets.ts';
import type { TargetWish } from '../../core/targets/target.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import type { Models } from '../db/models/index.ts';
import type { JobTarget, ReadingRow } from '../db/models/readings.ts';
import type { Job } from '../db/models/jobs.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { habitsOf } from '../house/load-habits.ts';

/** A reading with what the screens and the record show of it. */
export interface GatheredReading extends Reading {
  readonly roundId: number;
  readonly typed: string;
  readonly unit: string;
  readonly method: string;
  readonly gauge: string;
  readonly position: string;
  readonly copiedFrom: string | null;
  readonly takenBy: number;
  readonly version: number;
}

type RowOfReading = Pick<
  ReadingRow,
  | 'roundId'
  | 'quantity'
  | 'stringNo'
  | 'fret'
  | 'value'
  | 'takenAt'
  | 'notRepresentative'
  | 'typed'
  | 'unit'
  | 'method'
  | 'gauge'
  | 'position'
  | 'uncertainty'
  | 'methodId'
  | 'copiedFrom'
  | 'takenBy'
  | 'version'
>;

/** A row of the readings as the sums and the screens use it. */
export const asReading = (r: RowOfReading, round: RoundKind): GatheredReading => ({
  key: stationKey(r.quantity, r.stringNo, r.fret),
  quantity: r.quantity,
  string: r.stringNo,
  fret: r.fret,
  value: Number(r.value),
  round,
  takenAt: r.takenAt.getTime(),
  notRepresentative: r.notRepresentative,
  roundId: r.roundId,
  typed: r.typed,
  unit: r.unit,
  method: r.method,
  gauge: r.gauge,
  position: r.position,
  uncertainty: r.uncertainty === null ? null : Number(r.uncertainty),
  methodId: r.methodId ?? undefined,
  copiedFrom: r.copiedFrom,
  takenBy: r.takenBy,
  version: r.version,
});

type RowOfTarget = Pick<
  JobTarget,
  'quantity' | 'side' | 'stringNo' | 'layer' | 'relative' | 'low' | 'aim' | 'high'
>;

/** A row of the job's targets as a wish. */
export const asWish = (w: RowOfTarget): TargetWish => ({
  quantity: w.quantity,
  side: w.side,
  string: w.stringNo,
  layer: w.layer,
  relative: w.relative ?? undefined,
  low: Number(w.low),
  aim: Number(w.aim),
  high: Number(w.high),
});

/** Everything a job is, as it stands in the database. */
export async function gatherJob(models: Models, job: Job, t: Transaction | null = null) {
  const at = { transaction: t };
  const where = { jobId: job.id };
  const [
    instrument,
    inspection,
    rounds,
    targets,
    decisions,
    lines,
    handOver,
    checklists,
    settings,
    stringChanges,
    shopTargets,
    catalogue,
    choice,
  ] = await Promise.all([
    models.Instrument.findByPk(job.instrumentId, at),
    models.Inspection.findOne({ where, ...at }),
    models.Round.findAll({ where, order: [['startedAt', 'ASC']], ...at }),
    models.JobTarget.findAll({ where, ...at }),
    models.Decision.findAll({ where, ...at }),
    models.WorkLine.findAll({
      where,
      order: [
        ['sort', 'ASC'],
        ['id', 'ASC'],
      ],
      ...at,
    }),
    models.HandOver.findOne({ where, ...at }),
    models.ChecklistRow.findAll({
      where: { list: job.list },
      order: [['version', 'DESC']],
      limit: 1,
      ...at,
    }),
    models.Setting.findAll(at),
    models.StringChange.findAll({ where, order: [['id', 'ASC']], ...at }),
    models.TargetVersion.findOne({ order: [['version', 'DESC']], ...at }),
    catalogueOf(models, t),
    models.PlanChoice.findOne({ where, ...at }),
  ]);
  if (!instrument) throw new Error(`job ${job.number} has no instrument`);
  const checklist =
    inspection && inspection.checklistId !== checklists[0]?.id
      ? await models.ChecklistRow.findByPk(inspection.checklistId, at)
      : (checklists[0] ?? null);
  const [answers, rows] = await Promise.all([
    inspection
      ? models.InspectionAnswer.findAll({
          where: { inspectionId: inspection.id },
          order: [['id', 'ASC']],
          ...at,
        })
      : [],
    rounds.length > 0
      ? models.ReadingRow.findAll({
          where: { roundId: rounds.map((r) => r.id) },
          order: [['id', 'ASC']],
          ...at,
        })
      : [],
  ]);
  const kindOf = new Map(rounds.map((r) => [r.id, r.kind]));
  const readings = rows.map((r) => asReading(r, kindOf.get(r.roundId) ?? 'as-found'));
  const wishes = targets.map(asWish);
  const { construction } = instrument;
  const habits = habitsOf(settings);
  // What the sums rest on is read in one way; how a shop reads is converted to it.
  const stations = stationsOf(construction, { ...habits, methods: USUAL_METHODS });
  return {
    job,
    instrument,
    inspection,
    checklist,
    answers,
    rounds,
    readings,
    /** the readings as the sums want them: first those above in their order, then what follows from them */
    standard: standardReadings(construction, readings),
    habits,
    catalogue,
    choice,
    shopTargets: shopTargets?.targets ?? SHIPPED_TARGETS,
    targets,
    wishes,
    stringChanges,
    decisions,
    lines,
    handOver,
    settings,
    stations,
  };
}

export type GatheredJob = Awaited<ReturnType<typeof gatherJob>>;
