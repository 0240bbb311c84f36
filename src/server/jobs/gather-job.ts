import type { Transaction } from 'sequelize';
import type { Reading } from '../../core/readings/reading.ts';
import { USUAL_METHODS } from '../../core/readings/methods.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import { stationKey, stationsOf } from '../../core/readings/stations.ts';
import type { TargetWish } from '../../core/targets/target.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import type { Models } from '../db/models/index.ts';
import type { JobTarget, ReadingRow } from '../db/models/readings.ts';
import type { Job } from '../db/models/jobs.ts';
import { readTogether } from '../db/read-together.ts';
import { readShop } from '../house/read-shop.ts';
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

/** Everything a job is, as it stands in the database: its rows in one statement, the shop's in another. */
export async function gatherJob(models: Models, job: Job, t: Transaction | null = null) {
  const { sequelize } = models.Job;
  if (!sequelize) throw new Error('these models belong to no connection');
  const ofJob = 'job_id = :job';
  const shop = await readShop(models, t);
  const rows = await readTogether(
    sequelize,
    {
      instrument: { model: models.Instrument, where: 'id = :instrument' },
      inspection: { model: models.Inspection, where: ofJob },
      answers: {
        model: models.InspectionAnswer,
        where: 'inspection_id IN (SELECT id FROM inspections WHERE job_id = :job)',
      },
      rounds: { model: models.Round, where: ofJob, order: 'started_at, id' },
      readings: {
        model: models.ReadingRow,
        where: 'round_id IN (SELECT id FROM rounds WHERE job_id = :job)',
      },
      targets: { model: models.JobTarget, where: ofJob },
      decisions: { model: models.Decision, where: ofJob },
      lines: { model: models.WorkLine, where: ofJob, order: 'sort, id' },
      handOver: { model: models.HandOver, where: ofJob },
      stringChanges: { model: models.StringChange, where: ofJob },
      choice: { model: models.PlanChoice, where: ofJob },
    } as const,
    { job: job.id, instrument: job.instrumentId },
    t,
  );
  const [instrument] = rows.instrument;
  if (!instrument) throw new Error(`job ${job.number} has no instrument`);
  const [[inspection = null], [handOver = null], [choice = null]] = [
    rows.inspection,
    rows.handOver,
    rows.choice,
  ];
  const { rounds, targets, decisions, lines, stringChanges, answers } = rows;
  const newest = shop.checklists.find((c) => c.id === job.list) ?? null;
  const checklist =
    inspection && inspection.checklistId !== newest?.rowId
      ? await models.ChecklistRow.findByPk(inspection.checklistId, { transaction: t })
      : newest;
  const kindOf = new Map(rounds.map((r) => [r.id, r.kind]));
  const readings = rows.readings.map((r) => asReading(r, kindOf.get(r.roundId) ?? 'as-found'));
  const wishes = targets.map(asWish);
  const { construction } = instrument;
  const habits = habitsOf(shop.settings);
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
    catalogue: shop.catalogue,
    choice,
    shop,
    shopTargets: shop.targets,
    targets,
    wishes,
    stringChanges,
    decisions,
    lines,
    handOver,
    settings: shop.settings,
    stations,
  };
}

export type GatheredJob = Awaited<ReturnType<typeof gatherJob>>;
