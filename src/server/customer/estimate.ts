import { customerSays } from '../../core/catalogue/operations.ts';
import { total } from '../../core/money/money.ts';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Job } from '../db/models/jobs.ts';
import type { Models } from '../db/models/index.ts';
import type { WorkLine } from '../db/models/work.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { shopOf } from '../house/load-shop.ts';
import { answerOfferWhere, offerOfJob } from '../plan/offers.ts';
import { lockedJob, recordByCustomer, refreshAsCustomer, ringDesk } from './by-customer.ts';
import { POLICIES } from '../../core/care/care.ts';
import { readShop } from '../house/read-shop.ts';
import { setAsideFor } from '../stores/set-aside.ts';
import type { EventFacts } from '../use-case/record-event.ts';
import { openLink } from '../links/customer-link.ts';

export type Answered = { readonly ok: true } | { readonly ok: false; readonly message: string };

const MOST_OPEN = 10;
const NOTHING: Answered = { ok: false, message: 'This link opens nothing any more. Call the shop.' };

const orderOf = (models: Models, jobId: number, t: Transaction | null = null): Promise<WorkLine[]> =>
  models.WorkLine.findAll({
    where: { jobId },
    order: [
      ['sort', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction: t,
  });

/** What the estimate's link shows: each line with its finding and photos, what is agreed, what they asked and were told. */
export async function openEstimate(db: Database, token: string, now: Date) {
  const { models } = db;
  const link = await openLink(db, token, 'estimate', now);
  const job = link && (await models.Job.findByPk(link.jobId));
  if (!link || job?.state !== 'open') return null;
  const [lines, instrument, customer, settings, remarks, photos, offer, catalogue, { care }] =
    await Promise.all([
      orderOf(models, job.id),
      models.Instrument.findByPk(job.instrumentId),
      models.Customer.findByPk(job.customerId),
      models.Setting.findAll(),
      models.Remark.findAll({ where: { jobId: job.id }, order: [['id', 'ASC']] }),
      models.Photo.findAll({ where: { jobId: job.id, removedAt: null }, order: [['id', 'ASC']] }),
      offerOfJob(db, job.id, now),
      catalogueOf(models),
      readShop(models),
    ]);
  const shop = shopOf(settings);
  const agreed = lines
    .filter((l) => l.approval === 'yes')
    .map((l) => ({ price: l.priceMinor, parts: l.partsMinor, tax: l.tax, partsTax: l.partsTax }));
  return {
    shop,
    number: job.number,
    customer: customer?.name ?? '',
    instrument: `${instrument?.maker ?? ''} ${instrument?.model ?? ''}`.trim(),
    complaint: job.complaint,
    limit: job.limitMinor,
    /** how much cleaning is in the price */
    cleaning: POLICIES[care.policy] as string,
    expiresAt: link.expiresAt.toISOString(),
    agreed: total(agreed, shop.tax, { kind: job.discountKind, value: job.discountValue }).toPay,
    offer,
    lines: lines.map((l) => ({
      id: l.id,
      version: l.version,
      title: customerSays(l, catalogue),
      // The bench’s sums are not the customer’s words.
      detail: l.decisionId === null ? l.detail : '',
      found: l.found,
      approval: l.approval as 'asked' | 'yes' | 'no',
      approvedBy: l.approvedBy,
      step: l.step,
      price: total([{ price: l.priceMinor, parts: l.partsMinor, tax: l.tax, partsTax: l.partsTax }], shop.tax)
        .toPay,
      photos: photos.filter((p) => p.item === `line:${l.id}`).map((p) => p.id),
    })),
    questions: remarks
      .filter((r) => r.byCustomer !== '')
      .map((r) => ({ words: r.words, answer: r.answer, at: r.at.toISOString() })),
  };
}

export type Estimate = NonNullable<Awaited<ReturnType<typeof openEstimate>>>;

/** The customer's yes or no to one line, by their link. */
export async function answerEstimate(
  db: Database,
  token: string,
  said: {
    readonly lineId: number;
    readonly version: number;
    readonly answer: 'yes' | 'no';
    readonly by: string;
  },
  now: Date,
): Promise<Answered> {
  return db.sequelize.transaction(async (t) => {
    const { models } = db;
    const job = await jobOfLink(db, token, now, t);
    if (!job) return NOTHING;
    const line = await models.WorkLine.findOne({
      where: { id: said.lineId, jobId: job.id },
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!line) return { ok: false, message: 'The shop has taken this line out meanwhile.' };
    if (line.approval === said.answer && line.approvedHow === 'by the link') return { ok: true };
    if (line.approval !== 'asked') return { ok: false, message: 'This was answered already. Call the shop.' };
    if (line.version !== said.version)
      return { ok: false, message: 'The shop has changed this line meanwhile. Read it once more.' };
    await line.update(
      {
        approval: said.answer,
        approvedBy: said.by,
        approvedHow: 'by the link',
        approvedAt: now,
        version: line.version + 1,
      },
      { transaction: t },
    );
    const mover = { models, t, now, by: null, record: (e: EventFacts) => recordByCustomer(db, t, now, e) };
    await refreshAsCustomer(db, job, now, t);
    if (said.answer === 'yes') await setAsideFor(mover, job, [line]);
    await recordByCustomer(db, t, now, {
      jobId: job.id,
      kind: `customer said ${said.answer}`,
      entity: 'work line',
      entityId: line.id,
      fromVersion: said.version,
      data: { before: 'asked', by: said.by, how: 'by the link' },
    });
    await ringDesk(
      db,
      t,
      now,
      job.id,
      `Job ${job.number}: ${said.by} says ${said.answer} to “${line.title}”.`,
    );
    return { ok: true };
  });
}

/** The customer chooses one of the options put before them, by the estimate's link. */
export async function chooseByLink(
  db: Database,
  token: string,
  answer: { readonly choice: string; readonly by: string; readonly note: string },
  now: Date,
): Promise<Answered> {
  const link = await openLink(db, token, 'estimate', now);
  return link ? answerOfferWhere(db, { jobId: link.jobId }, answer, now) : NOTHING;
}

/** A question from the customer, by their link. */
export async function askByLink(
  db: Database,
  token: string,
  { words, by }: { readonly words: string; readonly by: string },
  now: Date,
): Promise<Answered> {
  return db.sequelize.transaction(async (t) => {
    const job = await jobOfLink(db, token, now, t, null);
    if (!job) return NOTHING;
    const open = await db.models.Remark.count({
      where: { jobId: job.id, kind: 'question', byPerson: null, answer: null },
      transaction: t,
    });
    if (open >= MOST_OPEN)
      return { ok: false, message: 'The shop answers what you have asked first. Call them if it is urgent.' };
    const remark = await db.models.Remark.create(
      { jobId: job.id, kind: 'question', words, byCustomer: by, at: now },
      { transaction: t },
    );
    await recordByCustomer(db, t, now, {
      jobId: job.id,
      kind: 'remark made',
      entity: 'remark',
      entityId: remark.id,
      fromVersion: null,
      data: { after: { kind: 'question', words }, by },
    });
    await ringDesk(db, t, now, job.id, `${by} asks, job ${job.number}: ${words}`);
    return { ok: true };
  });
}

/** The job a link opens, locked. */
async function jobOfLink(
  db: Database,
  token: string,
  now: Date,
  t: Transaction,
  purpose: 'estimate' | null = 'estimate',
): Promise<Job | null> {
  const link = await openLink(db, token, purpose, now, t);
  const job = link && (await lockedJob(db, link.jobId, t));
  return job && (purpose === null || job.state === 'open') ? job : null;
}

/** Whether a photo may be shown to whoever holds a link: it belongs to the link's job and to what the link shows. */
export async function photoByLink(db: Database, token: string, photoId: number, now: Date): Promise<boolean> {
  const link = await openLink(db, token, null, now);
  const photo = link && (await db.models.Photo.findByPk(photoId));
  if (!link || !photo || photo.jobId !== link.jobId || photo.removedAt !== null) return false;
  return link.purpose === 'sheet' || photo.item?.startsWith('line:') === true;
}
