import type { Json } from '../../record/canonical.ts';
import type { Job, SignedInstrument } from '../job.ts';
import type { JobSeal, JobWith } from '../job-parts.ts';
import type { NameOf } from '../shop.ts';
import { iso } from './moment.ts';

const readingsOf = (g: Job): Json =>
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

const workOf = (g: Job): Json =>
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

const answersOf = (g: Job): Json =>
  g.answers
    .map((a) => ({
      item: a.item,
      answer: a.answer,
      note: a.note,
      ...(a.finding !== null && { finding: a.finding }),
    }))
    .sort((a, b) => (a.item < b.item ? -1 : 1));

const decisionsOf = (g: Job): Json =>
  g.decisions
    .map((d) => ({
      line: d.line,
      says: d.proposed.says,
      decision: d.decision,
      change: d.changeText,
      reason: d.reason,
      ...(d.instead !== null && { instead: d.instead }),
    }))
    .sort((a, b) => (a.line < b.line ? -1 : 1));

/** The parts a sealed record is made from. */
export type RecordParts = 'customer' | 'things' | 'marks' | 'photos' | 'accidents' | 'seals';

/**
 * The record that is sealed: everything the customer signs for, as it stands.
 * @param sha256 the digest of a text, in hex
 */
export function sealedRecord(g: JobWith<RecordParts>, name: NameOf, sha256: (text: string) => string): Json {
  const { job, customer, accidents } = g;
  const earlier = g.seals.reduce<JobSeal | null>((n, s) => (n === null || s.number > n.number ? s : n), null);
  const previous = earlier?.digest ?? null;
  // As it was said: what was sealed before there were other ends reads as it did then.
  const end = g.handOver?.ending ?? 'done';
  // What it was signed for: an instrument or customer may be called otherwise later, or joined with another entry.
  const subject = g.handOver?.subject ?? subjectOf(g.instrument, customer?.name ?? '');
  return {
    // Only where there is any: a record sealed before these were known reads as it did then.
    ...(previous !== null && { previous }),
    ...(g.handOver?.shown && { shown: sha256(g.handOver.shown) }),
    ...(g.handOver?.secondAt && {
      second: { by: name(g.handOver.secondBy), at: g.handOver.secondAt.toISOString() },
    }),
    ...(accidents.length > 0 && {
      accidents: accidents.map(({ happened, remedy, at }) => ({ happened, remedy, at: at.toISOString() })),
    }),
    ...(g.marks.length > 0 && {
      damage: g.marks.map(({ view, x, y, words }) => ({
        view,
        x: x.toFixed(5),
        y: y.toFixed(5),
        words,
      })),
    }),
    ...(g.photos.length > 0 && { photos: g.photos.map((p) => p.digest).sort() }),
    ...(job.discountKind !== 'none' && {
      discount: { kind: job.discountKind, value: job.discountValue, reason: job.discountReason },
    }),
    ...(end !== 'done' && { end: { how: end, why: g.handOver?.endingNote ?? '' } }),
    job: g.handOver?.subject?.number ?? job.number,
    customer: subject.customer,
    instrument: { ...subject.instrument },
    complaint: job.complaint,
    wish: job.wish,
    takenIn: job.takenInAt.toISOString(),
    checklist: g.checklist?.version ?? null,
    answers: answersOf(g),
    readings: readingsOf(g),
    decisions: decisionsOf(g),
    work: workOf(g),
    things: g.things.map((i) => ({
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
