import type { Transaction } from 'sequelize';
import { adviceFor } from '../../core/hand-over/advice.ts';
import {
  sayWhatChanged,
  type BeforeAfterReading,
  type CustomerSheet,
} from '../../core/hand-over/customer-sheet.ts';
import { nextCheckDay } from '../../core/hand-over/rules.ts';
import { BENCH_CHECKS } from '../../core/job/bench-check.ts';
import { total } from '../../core/money/money.ts';
import { operation } from '../../core/plan/operations.ts';
import type { Accident } from '../db/models/bench.ts';
import type { JobItem } from '../db/models/jobs.ts';
import type { Models } from '../db/models/index.ts';
import { rulesOf } from '../house/load-rules.ts';
import { shopOf } from '../house/load-shop.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { Judged } from '../../core/job/judge.ts';

const ACOUSTIC: ReadonlySet<string> = new Set([
  'steel-acoustic',
  'twelve-string',
  'nylon',
  'ukulele',
  'archtop',
]);

function readingsOf(g: GatheredJob): BeforeAfterReading[] {
  const value = (key: string, round: string): number | null =>
    g.standard.find((r) => r.key === key && r.round === round && r.notRepresentative === null)?.value ?? null;
  return g.stations
    .filter((s) => !s.optional)
    .map((s) => ({
      label: s.label,
      quantity: s.quantity,
      string: s.string,
      fret: s.fret,
      before: value(s.key, 'as-found'),
      after: value(s.key, 'as-left'),
    }));
}

function foundOf(g: GatheredJob, items: Judged['items']): string[] {
  const said = (answer: 'work' | 'watch', lead: string) =>
    items.flatMap((item) => {
      const given = g.answers.find((a) => a.item === item.key && a.answer === answer);
      return given ? [`${lead}${item.title}${given.note ? `: ${given.note}` : ''}`] : [];
    });
  return [
    ...said('work', ''),
    ...said('watch', 'To watch: '),
    ...g.lines.flatMap((l) => (l.found === null ? [] : [`While inside: ${l.found}`])),
  ];
}

/** What was done beyond the line's name, where a person wrote it: the bench's sums are not the customer's words. */
const detailOf = (g: GatheredJob, line: GatheredJob['lines'][number]): string =>
  g.decisions.find((d) => d.id === line.decisionId)?.decision === 'accepted' ? '' : line.detail;

const leftOf = (g: GatheredJob): string[] => [
  ...g.decisions
    .filter((d) => d.decision === 'declined')
    .map((d) => `${d.proposed.title}${d.reason ? `: ${d.reason}` : ''}`),
  ...g.lines.filter((l) => l.approval === 'no').map((l) => `${l.title}: ${l.approvedBy} said no`),
];

function priceOf(g: GatheredJob, taxRate: number): CustomerSheet['price'] {
  const { job } = g;
  const discount = { kind: job.discountKind, value: job.discountValue };
  const priced = g.lines.map((l) => ({ price: l.priceMinor, parts: l.partsMinor, line: l }));
  const done = priced.filter((p) => p.line.approval === 'yes');
  const planned = done.filter((p) => p.line.found === null);
  return {
    ...total(done, taxRate, discount),
    reason: job.discountReason,
    estimate: total(planned, taxRate, discount).toPay,
  };
}

/** Advice as the bench wrote it, or what Rubrica would say of this instrument. */
function adviceOf(g: GatheredJob, items: Judged['items']): string[] {
  const written = g.handOver?.advice;
  if (written !== null && written !== undefined)
    return written
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean);
  const finished = g.lines.filter((l) => l.step === 'finished');
  const humidity = g.rounds.findLast((r) => r.humidity !== null)?.humidity ?? null;
  return adviceFor({
    construction: g.instrument.construction,
    acoustic: ACOUSTIC.has(g.instrument.construction.kind),
    newStrings:
      g.stringChanges.some((c) => c.kind === 'on' && c.fresh) ||
      finished.some((l) => l.operation === 'restring' || l.operation === 'play-test'),
    woodMoved: finished.some((l) => operation(l.operation, g.catalogue).stale.length > 0),
    humidity: humidity === null ? null : Number(humidity),
    watch: items.flatMap((item) => {
      const given = g.answers.find((a) => a.item === item.key && a.answer === 'watch');
      return given ? [`${item.title}${given.note ? `: ${given.note}` : ''}`] : [];
    }),
  });
}

const thingSaid = (i: JobItem): string =>
  `${i.bag === null ? '' : `bag ${i.bag}: `}${i.name}${i.returnedAt === null ? ` (not given back: ${i.absence || 'still here'})` : ''}`;

/** What the customer is shown of a job, as it stands now. The same job at the same day gives the same sheet. */
export async function sheetOf(
  models: Models,
  g: GatheredJob,
  items: Judged['items'],
  now: Date,
  t: Transaction | null = null,
): Promise<CustomerSheet> {
  const { job } = g;
  const at = { where: { jobId: job.id }, order: [['id', 'ASC']] as [string, string][], transaction: t };
  const [customer, things, accidents, photos] = await Promise.all([
    models.Customer.findByPk(job.customerId, { transaction: t }),
    models.JobItem.findAll(at),
    models.Accident.findAll(at),
    models.Photo.findAll({ where: { jobId: job.id, removedAt: null }, transaction: t }),
  ]);
  return sheetView(g, items, { customer, things, accidents, photos }, now);
}

/** What the sheet says beyond the gathered job, as rows. */
export interface SheetRows {
  readonly customer: { readonly name: string } | null;
  readonly things: readonly JobItem[];
  readonly accidents: readonly Accident[];
  readonly photos: readonly { readonly digest: string }[];
}

/** The same of rows that were read already. */
export function sheetView(
  g: GatheredJob,
  items: Judged['items'],
  { customer, things, accidents, photos }: SheetRows,
  now: Date,
): CustomerSheet {
  const { job } = g;
  const [shop, rules] = [shopOf(g.settings), rulesOf(g.settings)];
  const readings = readingsOf(g);
  return {
    shop: shop.name,
    currency: shop.currency,
    job: job.number,
    customer: customer?.name ?? '',
    instrument: `${g.instrument.maker} ${g.instrument.model}`.trim(),
    serial: g.instrument.serial,
    takenIn: job.takenInAt.toISOString().slice(0, 10),
    complaint: job.complaint,
    wish: job.wish,
    found: foundOf(g, items),
    done: g.lines
      .filter((l) => l.approval === 'yes')
      .map((l) => ({ title: l.title, detail: detailOf(g, l), price: l.priceMinor + l.partsMinor })),
    left: leftOf(g),
    change: sayWhatChanged(readings),
    readings,
    photos: photos.map((p) => p.digest).sort(),
    accidents: accidents.map(({ happened, remedy }: Accident) => ({ happened, remedy })),
    things: things.map(thingSaid),
    exception: g.handOver?.exceptionText ?? '',
    checked: BENCH_CHECKS.filter((c) => g.handOver?.checks[c.key]).map((c) => c.title),
    price: priceOf(g, shop.taxRate),
    advice: adviceOf(g, items),
    nextCheck: g.handOver?.nextCheck ?? nextCheckDay(rules, now.getTime()),
  };
}
