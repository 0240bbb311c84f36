import type { Transaction } from 'sequelize';
import type { JobPart, JobParts } from '../../core/job/job-parts.ts';
import { USUAL_METHODS } from '../../core/readings/methods.ts';
import { standardReadings } from '../../core/readings/standard.ts';
import { stationKey, stationsOf } from '../../core/readings/stations.ts';
import type { Models } from '../db/models/index.ts';
import { learnedNumbers, type LearnedNumbers } from '../../core/learn/learned.ts';
import type { ChecklistRow } from '../db/models/inspections.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Instrument } from '../db/models/shop.ts';
import { readTogether, seeTogether, type RowsOf, type Seen, type SeenRowsOf } from '../db/read-together.ts';
import { readShop, type ShopChecklist } from '../house/read-shop.ts';
import { asCut, asNumberedAct, asReading, asRound, asTurn, asWish } from './job-rows.ts';

/** How the rows of a job are named in a statement: by its own row, or by its number. */
interface Named {
  readonly job: string;
  readonly instrument: string;
  readonly customer: string;
  readonly number: string;
}

const BY_ROW: Named = { job: ':job', instrument: ':instrument', customer: ':customer', number: ':number' };
const column = (name: string): string => `(SELECT ${name} FROM jobs WHERE number = :number)`;
const BY_NUMBER: Named = {
  job: column('id'),
  instrument: column('instrument_id'),
  customer: column('customer_id'),
  number: ':number',
};

/** The rows every reader of a job wants. */
const always = (models: Models, n: Named) => {
  const ofJob = `job_id = ${n.job}`;
  return {
    self: { model: models.Job, where: `id = ${n.job}` },
    instrument: { model: models.Instrument, where: `id = ${n.instrument}` },
    inspection: { model: models.Inspection, where: ofJob },
    answers: {
      model: models.InspectionAnswer,
      where: `inspection_id IN (SELECT id FROM inspections WHERE ${ofJob})`,
    },
    asked: {
      model: models.ChecklistRow,
      where: `id IN (SELECT checklist_id FROM inspections WHERE ${ofJob})
        AND (list, version) NOT IN (SELECT list, MAX(version) FROM checklists GROUP BY list)`,
    },
    rounds: { model: models.Round, where: ofJob, order: ['startedAt', 'id'] },
    readings: {
      model: models.ReadingRow,
      where: `round_id IN (SELECT id FROM rounds WHERE ${ofJob})`,
    },
    targets: { model: models.JobTarget, where: ofJob },
    decisions: { model: models.Decision, where: ofJob },
    lines: { model: models.WorkLine, where: ofJob, order: ['sort', 'id'] },
    handOver: { model: models.HandOver, where: ofJob },
    stringChanges: { model: models.StringChange, where: ofJob },
    choice: { model: models.PlanChoice, where: ofJob },
    turns: { model: models.RodTurn, where: ofJob, order: ['turnedAt', 'id'] },
    acts: { model: models.ActRow, where: `instrument_id = ${n.instrument}` },
    kindNumbers: {
      model: models.KindNumber,
      where: `kind = (SELECT kind FROM instruments WHERE id = ${n.instrument})`,
    },
  } as const;
};

/** The rows of the parts that only some readers want. */
const more = (models: Models, n: Named) => {
  const ofJob = `job_id = ${n.job}`;
  const standing = `${ofJob} AND removed_at IS NULL`;
  const before = `SELECT id FROM (SELECT id FROM jobs WHERE instrument_id = ${n.instrument} AND number < ${n.number}
    ORDER BY number DESC LIMIT 3) v`;
  return {
    customer: { model: models.Customer, where: `id = ${n.customer}` },
    things: { model: models.JobItem, where: ofJob },
    marks: { model: models.Mark, where: standing },
    photos: { model: models.Photo, where: standing },
    payments: { model: models.PaymentRow, where: ofJob, order: ['id'] },
    invoices: { model: models.InvoiceRow, where: ofJob, order: ['number'], without: ['content'] },
    clocks: { model: models.TimeEntry, where: `line_id IN (SELECT id FROM work_lines WHERE ${ofJob})` },
    cuts: { model: models.CutRow, where: ofJob, order: ['id'] },
    remarks: { model: models.Remark, where: ofJob },
    passings: { model: models.HandOn, where: ofJob },
    accidents: { model: models.Accident, where: ofJob },
    links: { model: models.CustomerLink, where: ofJob, without: ['tokenHash'] },
    seals: { model: models.EarlierSeal, where: ofJob, without: ['record', 'shown', 'signature'] },
    messages: { model: models.MessageRow, where: ofJob, without: ['body', 'calendar'] },
    tries: { model: models.WhatIf, where: ofJob },
    results: { model: models.PlanResult, where: ofJob },
    offers: {
      model: models.Offer,
      where: `id IN (SELECT id FROM (SELECT id FROM offers WHERE ${ofJob} ORDER BY id DESC LIMIT 5) newest)`,
      backwards: true,
      without: ['tokenHash'],
    },
    visits: {
      model: models.Job,
      where: `instrument_id = ${n.instrument} AND number <> ${n.number}`,
      order: ['number'],
      backwards: true,
    },
    earlierJobs: { model: models.Job, where: `id IN (${before})` },
    earlierRounds: { model: models.Round, where: `job_id IN (${before})` },
    earlier: {
      model: models.ReadingRow,
      where: `not_representative IS NULL AND round_id IN (SELECT id FROM rounds WHERE job_id IN (${before}))`,
      order: ['takenAt', 'id'],
    },
    watches: {
      model: models.Watch,
      where: `instrument_id = ${n.instrument} AND ended_at IS NULL`,
      order: ['id'],
    },
    receipt: { model: models.Receipt, where: `id = (SELECT MAX(id) FROM receipts WHERE ${ofJob})` },
  } as const;
};

type More = ReturnType<typeof more>;
type Always = ReturnType<typeof always>;
/** Rows as they are looked at: those that can be changed are such, too. */
type AlwaysRows = SeenRowsOf<RowsOf<Always>>;
type MoreRows = SeenRowsOf<RowsOf<More>>;

const ROWS_OF: Readonly<Partial<Record<JobPart, readonly (keyof More)[]>>> = {
  earlier: ['earlier', 'earlierJobs', 'earlierRounds'],
};
const rowsOf = (part: JobPart): readonly (keyof More)[] => ROWS_OF[part] ?? [part];

/** Readings of visits before, each with the number of the job it was taken on. */
function earlierOf({ earlier, earlierJobs, earlierRounds }: MoreRows): JobParts['earlier'] {
  const numbers = new Map(earlierJobs.map((j) => [j.id, j.number]));
  const jobs = new Map(earlierRounds.map((r) => [r.id, numbers.get(r.jobId) ?? 0]));
  return earlier.map((r) => ({
    key: stationKey(r.quantity, r.stringNo, r.fret),
    value: Number(r.value),
    takenAt: r.takenAt.getTime(),
    job: jobs.get(r.roundId) ?? 0,
  }));
}

/** Each part out of its rows. */
const PART_OF: { readonly [P in JobPart]: (rows: MoreRows) => JobParts[P] } = {
  customer: ({ customer: [c = null] }) => c,
  things: ({ things }) => things,
  marks: ({ marks }) =>
    marks.map((m) => ({
      id: m.id,
      view: m.view,
      x: Number(m.x),
      y: Number(m.y),
      words: m.words,
      markedBy: m.markedBy,
      version: m.version,
    })),
  photos: ({ photos }) => photos,
  payments: ({ payments }) => payments,
  invoices: ({ invoices }) => invoices,
  clocks: ({ clocks }) => clocks,
  cuts: ({ cuts }) => cuts.map(asCut),
  remarks: ({ remarks }) => remarks,
  passings: ({ passings }) => passings,
  accidents: ({ accidents }) => accidents,
  links: ({ links }) => links,
  seals: ({ seals }) => seals,
  messages: ({ messages }) => messages,
  tries: ({ tries }) => tries,
  results: ({ results }) =>
    results.map((r) => ({
      place: r.place,
      predicted: Number(r.predicted),
      achieved: Number(r.achieved),
    })),
  offers: ({ offers }) => offers,
  visits: ({ visits }) => visits,
  earlier: earlierOf,
  watches: ({ watches }) =>
    watches.map(({ id, what, limit, side, note }) => ({ id, what, limit: Number(limit), side, note })),
  receipt: ({ receipt: [r = null] }) => r,
};

/** What is wanted for a job and some of its parts, and the connection it is asked on. */
function wantedOf(models: Models, named: Named, parts: readonly JobPart[]) {
  const { sequelize } = models.Job;
  if (!sequelize) throw new Error('these models belong to no connection');
  const all = more(models, named);
  const asked = Object.fromEntries(parts.flatMap((p) => rowsOf(p).map((row) => [row, all[row]]))) as More;
  return { sequelize, wanted: { ...always(models, named), ...asked } };
}

type Shop = Awaited<ReturnType<typeof readShop>>;

/** What is believed of the instrument's own numbers at this visit: by the visits before it, its kind, and the shop's rules. */
function numbersOfJob(
  { construction }: Pick<Instrument, 'construction'>,
  { id }: Pick<Job, 'id'>,
  { acts, kindNumbers }: Pick<AlwaysRows, 'acts' | 'kindNumbers'>,
  rules: Shop['planning'],
): LearnedNumbers {
  const before = acts.filter((a) => a.jobId < id).map(asNumberedAct);
  const ofKind = Object.fromEntries(kindNumbers.map((k) => [k.number, k]));
  return learnedNumbers(construction.kind, rules, before, acts.map(asNumberedAct), ofKind);
}

/** A list as it was when the instrument was asked by it. */
const asChecklist = ({
  id: rowId,
  list: id,
  name,
  version,
  ends,
  items,
}: Seen<ChecklistRow>): ShopChecklist => ({
  rowId,
  id,
  name,
  version,
  ends,
  items,
});

/** A job out of its rows, and the shop. What the sums rest on is read in one way; how a shop reads is converted to it. */
function jobOf<J extends Seen<Job>, R extends AlwaysRows>(job: J, rows: R, shop: Shop) {
  const [instrument]: readonly R['instrument'][number][] = rows.instrument;
  if (!instrument) throw new Error(`job ${job.number} has no instrument`);
  const first = <T>([one]: readonly T[]): T | null => one ?? null;
  const inspection = first<R['inspection'][number]>(rows.inspection);
  const older = first(rows.asked);
  const newest = shop.checklists.find((c) =>
    inspection ? c.rowId === inspection.checklistId : c.id === job.list,
  );
  const kindOf = new Map(rows.rounds.map((r) => [r.id, r.kind]));
  const readings = rows.readings.map((r) => asReading(r, kindOf.get(r.roundId) ?? 'as-found'));
  const { construction } = instrument;
  return {
    job,
    instrument,
    inspection,
    checklist: older ? asChecklist(older) : (newest ?? null),
    answers: rows.answers as R['answers'],
    rounds: rows.rounds.map(asRound),
    readings,
    standard: standardReadings(construction, readings),
    targets: rows.targets as R['targets'],
    wishes: rows.targets.map(asWish),
    stations: stationsOf(construction, { ...shop.habits, methods: USUAL_METHODS }),
    stringChanges: rows.stringChanges as R['stringChanges'],
    decisions: rows.decisions as R['decisions'],
    lines: rows.lines as R['lines'],
    turns: rows.turns.map(asTurn),
    handOver: first<R['handOver'][number]>(rows.handOver),
    choice: first<R['choice'][number]>(rows.choice),
    shop,
    catalogue: shop.catalogue,
    shopTargets: shop.targets,
    planning: shop.planning,
    numbers: numbersOfJob(instrument, job, rows, shop.planning),
    opening: shop.opening,
    info: shop.info,
  };
}

/** A job as it stands in the database, its rows where use cases change them, with the shop and the parts asked for. */
export type ReadJob<P extends JobPart = never> = ReturnType<typeof jobOf<Job, RowsOf<Always>>> &
  Pick<JobParts, P>;

/** A job as it stands in the database, to be looked at. */
export type SeenJob<P extends JobPart = never> = ReturnType<typeof jobOf<Seen<Job>, AlwaysRows>> &
  Pick<JobParts, P>;

const partsOf = <P extends JobPart>(rows: MoreRows, parts: readonly P[]): Pick<JobParts, P> =>
  Object.fromEntries(parts.map((p) => [p, PART_OF[p](rows)])) as unknown as Pick<JobParts, P>;

/**
 * Reads a job whose row is known: everything that belongs to it in one statement, the shop in another (once it is known, only
 * its version).
 * @param parts what is wanted beside what every reader wants
 */
export async function readJob<P extends JobPart = never>(
  models: Models,
  job: Job,
  parts: readonly P[] = [],
  t: Transaction | null = null,
): Promise<ReadJob<P>> {
  const shop = await readShop(models, t);
  const { id, instrumentId, customerId, number } = job;
  const named = { job: id, instrument: instrumentId, customer: customerId, number };
  const { sequelize, wanted } = wantedOf(models, BY_ROW, parts);
  const rows = await readTogether(sequelize, wanted, named, t);
  return { ...jobOf(job, rows, shop), ...partsOf(rows, parts) };
}

/** The same by a job's number, its own row with it, for who only looks. Null when there is no such job. */
export async function readJobNumber<P extends JobPart = never>(
  models: Models,
  number: number,
  parts: readonly P[] = [],
): Promise<SeenJob<P> | null> {
  const { sequelize, wanted } = wantedOf(models, BY_NUMBER, parts);
  const [shop, rows] = await Promise.all([readShop(models), seeTogether(sequelize, wanted, { number })]);
  const [job] = rows.self;
  return job ? { ...jobOf(job, rows, shop), ...partsOf(rows, parts) } : null;
}
