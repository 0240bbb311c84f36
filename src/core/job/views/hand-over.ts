import { agreedOperation } from '../../catalogue/operations.ts';
import { countingLines, droppedLines } from '../../hand-over/ends.ts';
import { endOfJob, obstacles, troubleAsLeft } from '../../hand-over/obstacles.ts';
import { needsSecond } from '../../hand-over/rules.ts';
import { total } from '../../money/money.ts';
import { paidSoFar, stillOpen } from '../../money/payments.ts';
import { benchChecks } from '../bench-check.ts';
import type { JobLine } from '../job.ts';
import type { JobWith } from '../job-parts.ts';
import type { JudgingShop } from '../judged-job.ts';
import type { Judged } from '../judge.ts';
import type { NameOf, Shop, ShopInfo } from '../shop.ts';
import { iso } from './moment.ts';

/** A line as it stands once everything agreed is done. */
const asIfDone = ({ operation, record, approval, step }: JobLine) => ({
  operation,
  record,
  approval,
  step: approval === 'yes' ? ('finished' as const) : step,
});

/** What is asked at the bench once everything agreed is done, whatever state the strings are in until then. */
function checksWhenDone(g: JobWith<'things'> & JudgingShop) {
  const lines = g.lines.map(asIfDone);
  const strung = lines.some((l) => l.step === 'finished' && agreedOperation(l, g.catalogue).strings === 'on');
  const job = strung ? { ...g.job, stringsState: 'at-pitch' as const } : g.job;
  return benchChecks({ ...g, lines, job }, g.things.length > 0);
}

/** What was paid, what is still open; minor units. */
function paymentsView(g: JobWith<'payments'>, { tax }: ShopInfo, name: NameOf) {
  const lines = countingLines(endOfJob(g), g.lines).map((l) => ({
    price: l.priceMinor,
    parts: l.partsMinor,
  }));
  const { job } = g;
  const { toPay } = total(lines, tax, { kind: job.discountKind, value: job.discountValue });
  const said = g.payments.map((p) => ({
    id: p.id,
    version: p.version,
    kind: p.kind,
    amount: p.amountMinor,
    how: p.how,
    note: p.note,
    by: name(p.byPerson),
    at: p.at.toISOString(),
    takenBack: p.backAt !== null,
    back: p.backAt === null ? null : { by: name(p.backBy), why: p.backWhy },
  }));
  return { all: said, toPay, paid: paidSoFar(said), open: stillOpen(toPay, said) };
}

/** The hand-over as it stands: checks, what is still in the way, signature, payment. */
export const handOverView = (
  g: JobWith<'things' | 'payments'> & JudgingShop,
  judged: Judged,
  { rules, info }: Pick<Shop, 'rules' | 'info'>,
  name: NameOf,
  now: Date,
) => {
  const h = g.handOver;
  const end = endOfJob(g);
  return {
    version: h?.version ?? 0,
    checks: h?.checks ?? {},
    exception: h?.exceptionText ?? '',
    checkedBy: name(h?.checkedBy ?? null),
    checkedAt: iso(h?.checkedAt),
    signer: h?.signer ?? '',
    signature: h?.signature ?? null,
    signedAt: iso(h?.signedAt),
    second: {
      wanted: end === 'done' && needsSecond(rules, g.instrument.worthMinor),
      by: name(h?.secondBy ?? null),
      at: iso(h?.secondAt),
    },
    checker: h?.checkedBy ?? null,
    asked: benchChecks(g, g.things.length > 0),
    /** the same once everything agreed is done, for paper that goes to the bench before */
    askedWhenDone: checksWhenDone(g),
    /** new stock, whose check ends in a word for the floor */
    floor: (g.checklist?.ends.length ?? 0) > 0,
    obstacles: g.job.state === 'open' ? obstacles(g, judged, rules, now.getTime()) : [],
    ending: {
      said: h?.ending ?? 'done',
      is: end,
      note: h?.endingNote ?? '',
      at: iso(h?.endedAt),
      by: name(h?.endedBy ?? null),
      dropped: droppedLines(end, g.lines).map((l) => l.title),
    },
    trouble: g.job.state === 'open' ? troubleAsLeft(g, judged) : null,
    adviceWritten: h?.advice ?? null,
    payments: paymentsView(g, info, name),
    tweakDays: rules.tweakDays,
  };
};

/** The invoices made of a job, with which of them were cancelled. */
export const invoicesView = ({ invoices }: JobWith<'invoices'>, name: NameOf) =>
  invoices.map((i) => ({
    number: i.number,
    cancels: i.cancels,
    reason: i.reason,
    cancelled: invoices.some((c) => c.cancels === i.number),
    by: name(i.madeBy),
    at: i.madeAt.toISOString(),
  }));
