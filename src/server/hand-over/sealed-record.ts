import { createHash } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { canonicalJson, type Json } from '../../core/record/canonical.ts';
import { brokenLinks, differing } from '../../core/record/chain.ts';
import type { SignedInstrument } from '../db/models/work.ts';
import type { Models } from '../db/models/index.ts';
import type { Job } from '../db/models/jobs.ts';
import { custodyOf } from '../custody/load-custody.ts';
import { gatherJob, type GatheredJob } from '../jobs/gather-job.ts';

const iso = (d: Date | null | undefined): string | null => d?.toISOString() ?? null;

const readingsOf = (g: GatheredJob): Json =>
  g.readings
    .map((r) => ({
      place: `${r.round} ${r.key}`,
      typed: r.typed,
      value: r.value.toFixed(9),
      unit: r.unit,
      method: r.method,
      notRepresentative: r.notRepresentative,
      at: new Date(r.takenAt).toISOString(),
    }))
    .sort((a, b) => (a.place < b.place ? -1 : 1));

const workOf = (g: GatheredJob): Json =>
  g.lines.map((l, i) => ({
    line: g.handOver?.subject?.lines?.[i] ?? l.id,
    title: l.title,
    detail: l.detail,
    answer: l.approval,
    answeredBy: l.approvedBy,
    how: l.approvedHow,
    step: l.step,
    finished: iso(l.finishedAt),
    price: l.priceMinor,
    parts: l.partsMinor,
  }));

const decisionsOf = (g: GatheredJob): Json =>
  g.decisions
    .map((d) => ({
      line: d.line,
      says: d.proposed.says,
      decision: d.decision,
      change: d.changeText,
      reason: d.reason,
    }))
    .sort((a, b) => (a.line < b.line ? -1 : 1));

/** Builds the record that is sealed: everything the customer signs for, as it stands in the database now. */
export async function buildRecord(models: Models, job: Job, t: Transaction | null = null): Promise<Json> {
  const g = await gatherJob(models, job, t);
  const own = { where: { jobId: job.id }, transaction: t };
  const [customer, items, custody, accidents, earlier, second] = await Promise.all([
    models.Customer.findByPk(job.customerId, { transaction: t }),
    models.JobItem.findAll({ ...own, order: [['id', 'ASC']] }),
    custodyOf(models, job.id, t),
    models.Accident.findAll({ ...own, order: [['id', 'ASC']] }),
    models.EarlierSeal.findOne({ ...own, order: [['number', 'DESC']] }),
    g.handOver?.secondBy ? models.Person.findByPk(g.handOver.secondBy, { transaction: t }) : null,
  ]);
  const previous = earlier?.digest ?? null;
  // What it was signed for: an instrument or customer may be called otherwise later, or joined with another entry.
  const subject = g.handOver?.subject ?? subjectOf(g.instrument, customer?.name ?? '');
  return {
    // Only where there is any: a record sealed before these were known reads as it did then.
    ...(previous !== null && { previous }),
    ...(g.handOver?.shown && { shown: sha256(g.handOver.shown) }),
    ...(g.handOver?.secondAt && {
      second: { by: second?.name ?? '', at: g.handOver.secondAt.toISOString() },
    }),
    ...(accidents.length > 0 && {
      accidents: accidents.map(({ happened, remedy, at }) => ({ happened, remedy, at: at.toISOString() })),
    }),
    ...(custody.marks.length > 0 && {
      damage: custody.marks.map(({ view, x, y, words }) => ({
        view,
        x: x.toFixed(5),
        y: y.toFixed(5),
        words,
      })),
    }),
    ...(custody.photos.length > 0 && { photos: custody.photos.map((p) => p.digest).sort() }),
    ...(job.discountKind !== 'none' && {
      discount: { kind: job.discountKind, value: job.discountValue, reason: job.discountReason },
    }),
    job: g.handOver?.subject?.number ?? job.number,
    customer: subject.customer,
    instrument: { ...subject.instrument },
    complaint: job.complaint,
    wish: job.wish,
    takenIn: job.takenInAt.toISOString(),
    checklist: g.checklist?.version ?? null,
    answers: g.answers
      .map((a) => ({ item: a.item, answer: a.answer, note: a.note }))
      .sort((a, b) => (a.item < b.item ? -1 : 1)),
    readings: readingsOf(g),
    decisions: decisionsOf(g),
    work: workOf(g),
    things: items.map((i) => ({
      ...(i.bag !== null && { bag: i.bag }),
      name: i.name,
      returned: i.returnedAt !== null,
      absence: i.absence,
    })),
    benchCheck: {
      checks: g.handOver?.checks ?? {},
      exception: g.handOver?.exceptionText ?? '',
      at: iso(g.handOver?.checkedAt),
    },
    signature: {
      signer: g.handOver?.signer ?? '',
      at: iso(g.handOver?.signedAt),
      drawn: g.handOver?.signature ? sha256(g.handOver.signature) : null,
    },
  };
}

/** Whom and what a signature is given for. */
export const subjectOf = (
  { maker, model, serial, kind }: SignedInstrument,
  customer: string,
): { readonly customer: string; readonly instrument: SignedInstrument } => ({
  customer,
  instrument: { maker, model, serial, kind },
});

/** SHA-256 of a text, in hex. */
export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');

/** The digest of a record: SHA-256 over its one canonical writing. */
export const digestOf = (record: Json): string => sha256(canonicalJson(record));

export type Seal =
  | { readonly kind: 'open' }
  | { readonly kind: 'whole'; readonly digest: string }
  | { readonly kind: 'broken'; readonly digest: string; readonly changed: readonly string[] };

/** What of the earlier signatures of a job no longer holds, in words. */
async function earlierTrouble(models: Models, job: Job, newest: string | null): Promise<string[]> {
  const earlier = await models.EarlierSeal.findAll({
    where: { jobId: job.id },
    order: [['number', 'ASC']],
  });
  const chain = [
    ...earlier.map(({ record, digest }) => ({ record, digest })),
    ...(newest === null ? [] : [{ record: newest, digest: sha256(newest) }]),
  ];
  const shown = earlier.flatMap((s) => {
    const named = (JSON.parse(s.record || '{}') as { readonly shown?: string }).shown;
    return named !== undefined && named !== sha256(s.shown ?? '')
      ? [`the sheet of signature ${s.number}`]
      : [];
  });
  return [
    ...brokenLinks(chain, sha256).map(
      (b) => `${b.why === 'text' ? 'the sealed text' : 'the chain'} of signature ${b.at + 1}`,
    ),
    ...shown,
  ];
}

function record(text: string): { readonly [key: string]: Json } {
  try {
    return JSON.parse(text) as { readonly [key: string]: Json };
  } catch {
    return {};
  }
}

/**
 * Builds the record again and compares it with what was sealed; says which parts differ. Earlier signatures of a job that
 * was reopened are held against their texts and the chain between them.
 */
export async function checkSeal(models: Models, job: Job): Promise<Seal> {
  const handOver = await models.HandOver.findOne({ where: { jobId: job.id } });
  const sealed = handOver?.digest && handOver.record ? handOver : null;
  const before = await earlierTrouble(models, job, sealed?.record ?? null);
  if (!sealed)
    return before.length === 0 ? { kind: 'open' } : { kind: 'broken', digest: '', changed: before };
  const digest = sealed.digest ?? '';
  const now = (await buildRecord(models, job)) as { readonly [key: string]: Json };
  const textHolds = sha256(sealed.record ?? '') === digest;
  if (before.length === 0 && digestOf(now) === digest && textHolds) return { kind: 'whole', digest };
  const changed = digestOf(now) === digest ? [] : differing(record(sealed.record ?? ''), now);
  const all = [...changed, ...(textHolds ? [] : ['the sealed text itself']), ...before];
  return { kind: 'broken', digest, changed: all.length > 0 ? all : ['the sealed text itself'] };
}
