import {
  ANSWER_FACTS,
  type Answer,
  type Checklist,
  type ChecklistItem,
} from '../../core/inspection/checklist.ts';
import { leafStates } from '../../core/job/leaves.ts';
import { operation } from '../../core/plan/operations.ts';
import type { Database } from '../db/connection.ts';
import type { Job } from '../db/models/jobs.ts';
import type { SeenOnReceipt } from '../db/models/receipts.ts';
import { readTogether } from '../db/read-together.ts';
import { custodyView } from '../custody/load-custody.ts';
import { seenOnReceipt } from '../desk/receipt.ts';
import type { CustomerSheet } from '../../core/hand-over/customer-sheet.ts';
import { needsSecond } from '../../core/hand-over/rules.ts';
import { canonicalJson, type Json } from '../../core/record/canonical.ts';
import { benchTrouble } from '../../core/hand-over/bench-trouble.ts';
import { checkSeal, sha256 } from '../hand-over/sealed-record.ts';
import { sheetView, type SheetRows } from '../hand-over/sheet-of.ts';
import { rulesOf } from '../house/load-rules.ts';
import { entryRows, wordsRows, wordsView, workView } from '../work/work-view.ts';
import type { OfferedKind } from '../house/kinds.ts';
import { placesWithJobs } from '../desk/places.ts';
import { shopOf } from '../house/load-shop.ts';
import { looksDouble } from '../shelf/look-alike.ts';
import { gatherJob, type GatheredJob } from '../jobs/gather-job.ts';
import { judge } from '../../core/job/judge.ts';
import { planView } from '../plan/plan-view.ts';
import { readingsView } from './readings-view.ts';

const iso = (d: Date | null | undefined): string | null => d?.toISOString() ?? null;

function inspectionView(
  g: GatheredJob,
  items: readonly ChecklistItem[],
  lists: readonly Pick<Checklist, 'id' | 'name'>[],
  name: (id: number | null) => string,
) {
  return {
    list: g.job.list,
    lists,
    ends: g.checklist?.ends ?? [],
    ending: g.inspection?.ending ?? '',
    version: g.inspection?.version ?? 0,
    checklistVersion: g.checklist?.version ?? 0,
    finishedAt: iso(g.inspection?.finishedAt),
    finishedBy: name(g.inspection?.finishedBy ?? null),
    items: items.map((item) => {
      const given = g.answers.find((a) => a.item === item.key);
      return {
        key: item.key,
        group: item.group,
        phase: item.phase,
        title: item.title,
        help: item.help,
        fine: item.fine ?? '',
        caution: item.caution ?? '',
        reading: item.reading ?? null,
        leadsTo: item.leadsTo ? operation(item.leadsTo, g.catalogue).name : '',
        answer: (given?.answer ?? null) as Answer | null,
        answerName: given?.answer ? ANSWER_FACTS[given.answer].name : '',
        note: given?.note ?? '',
        by: name(given?.answeredBy ?? null),
        version: given?.version ?? 0,
      };
    }),
  };
}

/** What all leaves of a job show, as plain data, with what it was made from. Null when there is no such job. */
export async function loadJobCore(db: Database, number: number, now: Date = new Date()) {
  const { models } = db;
  const job = await models.Job.findOne({ where: { number } });
  if (!job) return null;
  const [g, rows, places] = await Promise.all([
    gatherJob(models, job),
    readTogether(
      db.sequelize,
      {
        ...wordsRows(models),
        customer: { model: models.Customer, where: 'id = :customer' },
        items: { model: models.JobItem, where: 'job_id = :job' },
        entries: entryRows(models),
        marks: { model: models.Mark, where: 'job_id = :job AND removed_at IS NULL' },
        photos: { model: models.Photo, where: 'job_id = :job AND removed_at IS NULL' },
      } as const,
      { job: job.id, customer: job.customerId },
    ),
    placesWithJobs(db),
  ]);
  const { people, kinds, checklists: lists } = g.shop;
  const { items } = rows;
  const [customer = null] = rows.customer;
  const name = (id: number | null) => people.find((p) => p.id === id)?.name ?? '';
  const judged = judge(g);
  const order = workView(g, judged, rows.entries, name, now);
  const words = wordsView(rows, name, now);
  const custody = custodyView(rows.marks, rows.photos);
  const readings = await readingsView(db, g, judged, name);
  const view = {
    ...headOf(job, g, customer, kinds, name),
    kinds,
    shop: shopOf(g.settings),
    people: people.map((p) => ({ id: p.id, name: p.name })),
    places: places.map(({ id, name, holds }) => ({ id, name, holds })),
    place: places.find((p) => p.id === job.placeId)?.name ?? null,
    items: items.map((i) => ({
      id: i.id,
      name: i.name,
      state: i.state,
      bag: i.bag,
      returned: i.returnedAt !== null,
      absence: i.absence,
      version: i.version,
    })),
    marks: custody.marks.map(({ markedBy, ...m }) => ({ ...m, by: name(markedBy) })),
    photos: custody.photos.map(({ takenBy, digest: _d, ...p }) => ({ ...p, by: name(takenBy) })),
    inspection: inspectionView(
      g,
      judged.items,
      lists.map((l) => ({ id: l.id, name: l.name })),
      name,
    ),
    readings,
    proposal: judged.proposal,
    decisions: g.decisions.map((d) => ({
      line: d.line,
      decision: d.decision,
      change: d.changeText,
      reason: d.reason,
      by: name(d.decidedBy),
      proposed: d.proposed,
      version: d.version,
    })),
    lines: order.lines,
    queue: order.queue,
    waits: order.waits,
    ...words,
    handOver: {
      version: g.handOver?.version ?? 0,
      checks: g.handOver?.checks ?? {},
      exception: g.handOver?.exceptionText ?? '',
      checkedBy: name(g.handOver?.checkedBy ?? null),
      checkedAt: iso(g.handOver?.checkedAt),
      signer: g.handOver?.signer ?? '',
      signature: g.handOver?.signature ?? null,
      signedAt: iso(g.handOver?.signedAt),
      second: {
        wanted: needsSecond(rulesOf(g.settings), g.instrument.worthMinor ?? null),
        by: name(g.handOver?.secondBy ?? null),
        at: iso(g.handOver?.secondAt),
      },
      checker: g.handOver?.checkedBy ?? null,
      trouble: job.state === 'open' ? benchTrouble(g, judged) : null,
      adviceWritten: g.handOver?.advice ?? null,
      paid:
        g.handOver?.paidMinor === null || g.handOver?.paidMinor === undefined
          ? null
          : { amount: g.handOver.paidMinor, how: g.handOver.paidHow, at: iso(g.handOver.paidAt) },
      tweakDays: rulesOf(g.settings).tweakDays,
    },
  };
  return { view, g, judged, name, customer, rows, now };
}

export type JobCore = NonNullable<Awaited<ReturnType<typeof loadJobCore>>>;

/** What only Arrival shows: whether it is in the book twice, earlier visits, the receipt. */
export async function arrivalParts(db: Database, { g, customer }: Pick<JobCore, 'g' | 'customer'>) {
  const [double, visits, receipt] = await Promise.all([
    g.job.state === 'open' ? looksDouble(db.models, customer, g.instrument) : null,
    earlierVisits(db, g.job),
    receiptView(db, g.job),
  ]);
  return { double, visits, receipt };
}

/** What Plan shows, and who adds to the order: the catalogue, what was tried, offered and achieved. */
export const planParts = async (db: Database, { g, judged, name }: JobCore) => ({
  plan: await planView(db, g, judged, name),
});

/** What Hand-over shows: the customer's sheet, and whether the seal holds. */
export async function sheetParts({ models }: Database, { g, judged, rows, customer, now }: JobCore) {
  const more = { customer, things: rows.items, accidents: rows.accidents, photos: rows.photos };
  const [sheet, seal] = await Promise.all([shownSheet(g, judged.items, more, now), checkSeal(models, g.job)]);
  return { sheet, seal };
}

/** Everything a job's leaves show, as plain data. Null when there is no such job. */
export async function loadJob(db: Database, number: number, now: Date = new Date()) {
  const core = await loadJobCore(db, number, now);
  if (!core) return null;
  const [arrival, plan, sheet] = await Promise.all([
    arrivalParts(db, core),
    planParts(db, core),
    sheetParts(db, core),
  ]);
  return { ...core.view, ...arrival, ...plan, ...sheet };
}

function headOf(
  job: Job,
  g: GatheredJob,
  customer: { name: string; phone: string; email: string; id: number } | null,
  kinds: readonly OfferedKind[],
  name: (id: number | null) => string,
) {
  const i = g.instrument;
  return {
    id: job.id,
    number: job.number,
    version: job.version,
    state: job.state,
    customer: {
      id: customer?.id ?? 0,
      name: customer?.name ?? '',
      phone: customer?.phone ?? '',
      email: customer?.email ?? '',
    },
    instrument: {
      id: i.id,
      name: `${i.maker} ${i.model}`.trim(),
      kind: i.kind,
      kindName: kinds.find((k) => k.id === i.kind)?.name ?? i.kind,
      maker: i.maker,
      model: i.model,
      year: i.year,
      yearFrom: i.yearFrom,
      version: i.version,
      serial: i.serial,
      construction: i.construction,
    },
    complaint: job.complaint,
    touch: job.touch,
    plays: job.plays,
    wish: job.wish,
    neededBy: job.neededBy,
    hardDate: job.hardDate,
    hardReason: job.hardReason,
    limit: job.limitMinor,
    discount: { kind: job.discountKind, value: job.discountValue, reason: job.discountReason },
    stringsState: job.stringsState,
    strings: g.stringChanges.map((c) => ({
      kind: c.kind,
      reason: c.reason,
      lost: c.lost,
      setName: c.setName,
      fresh: c.fresh,
      by: name(c.changedBy),
      at: c.changedAt.toISOString(),
    })),
    placeId: job.placeId,
    holder: name(job.holderId),
    holderId: job.holderId,
    waitingFor: job.waitingFor,
    waitingNote: job.waitingNote,
    waitingUntil: iso(job.waitingUntil),
    takenInAt: job.takenInAt.toISOString(),
    takenInBy: name(job.takenInBy),
    closedAt: iso(job.closedAt),
    leaves: leafStates(job.facts),
    facts: job.facts,
  };
}

/** The customer's sheet: as it was signed, or as it stands now, with the digest a signer puts their name to. */
function shownSheet(
  g: GatheredJob,
  items: readonly ChecklistItem[],
  more: SheetRows,
  now: Date,
): { readonly content: CustomerSheet; readonly digest: string } {
  const signed = g.handOver?.signedAt ? (g.handOver.shown ?? null) : null;
  const text = signed ?? canonicalJson(sheetView(g, items, more, now) as unknown as Json);
  return { content: JSON.parse(text) as CustomerSheet, digest: sha256(text) };
}

/** What a receipt says, to compare: the state of the strings may change under the bench’s hands. */
const shown = ({ things, damage, marks = [] }: SeenOnReceipt): string =>
  JSON.stringify([things.map((t) => [t.name, t.state]), damage, marks]);

/** The receipt as it would be printed, and the newest one that was initialled. */
async function receiptView({ models }: Database, job: Job) {
  const [seen, given] = await Promise.all([
    seenOnReceipt(models, job),
    models.Receipt.findOne({ where: { jobId: job.id }, order: [['id', 'DESC']] }),
  ]);
  return {
    seen,
    given: given && {
      name: given.name,
      initials: given.initials,
      at: given.givenAt.toISOString(),
      same: shown(given.seen) === shown(seen),
    },
  };
}

async function earlierVisits({ models }: Database, job: Job) {
  const others = await models.Job.findAll({
    where: { instrumentId: job.instrumentId },
    order: [['number', 'DESC']],
  });
  return others
    .filter((j) => j.id !== job.id)
    .map((j) => ({
      number: j.number,
      complaint: j.complaint,
      takenInAt: j.takenInAt.toISOString(),
      closedAt: iso(j.closedAt),
    }));
}

export type JobView = NonNullable<Awaited<ReturnType<typeof loadJob>>>;
