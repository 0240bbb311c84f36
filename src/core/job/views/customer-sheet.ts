import { isDealtWithBy } from '../../plan/solve/findings.ts';
import { homeAdvice, type ShopCare } from '../../care/care.ts';
import { partsOf } from '../../care/surfaces.ts';
import { adviceFor } from '../../hand-over/advice.ts';
import {
  sayWhatChanged,
  type BeforeAfterReading,
  type CustomerSheet,
} from '../../hand-over/customer-sheet.ts';
import { plainFinding } from '../../inspection/plain-findings.ts';
import { dayIn } from '../../days/zone.ts';
import { nextCheckDay } from '../../hand-over/rules.ts';
import type { Taxing } from '../../money/tax.ts';
import { total } from '../../money/money.ts';
import { agreedOperation, customerIsTold, customerSays, operation } from '../../catalogue/operations.ts';
import { countingLines, droppedLines, type End } from '../../hand-over/ends.ts';
import { endOfJob } from '../../hand-over/obstacles.ts';
import { benchChecks } from '../bench-check.ts';
import type { JobLine } from '../job.ts';
import type { JobThing, JobWith } from '../job-parts.ts';
import type { JudgingShop } from '../judged-job.ts';
import { KIND_RECORDS } from '../../instrument/kinds.ts';
import type { Judged } from '../judge.ts';
import type { Shop } from '../shop.ts';

/** The parts a customer's sheet is made from. */
export type SheetParts = 'customer' | 'things' | 'accidents' | 'photos';
type SheetJob = JobWith<SheetParts> & JudgingShop;

function readingsOf(g: SheetJob): BeforeAfterReading[] {
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

function foundOf(g: SheetJob, items: Judged['items']): string[] {
  const given = (answer: 'work' | 'watch') =>
    items.flatMap((item) => {
      const one = g.answers.find((a) => a.item === item.key && a.answer === answer);
      return one ? [{ item, finding: one.finding }] : [];
    });
  return [
    ...given('work').map(({ item, finding }) => plainFinding(item.key, finding, item.title)),
    // What is watched is good enough: without a name for it nothing more is said.
    ...given('watch').map(({ item, finding }) =>
      finding === null
        ? `To watch: ${item.title}`
        : `To watch: ${plainFinding(item.key, finding, item.title)}`,
    ),
    ...g.lines.flatMap((l) => (l.found === null ? [] : [`While inside: ${l.found}`])),
  ];
}

/** What was done beyond the line's name, where a person wrote it: the bench's sums are not the customer's words. */
const detailOf = (g: SheetJob, line: JobLine): string =>
  g.decisions.find((d) => d.id === line.decisionId)?.decision === 'accepted' ? '' : line.detail;

/** What was found and is on no order, and why. */
function notDealtWith(g: SheetJob, { planInput }: Pick<Judged, 'planInput'>): string[] {
  const ordered = new Set(
    g.lines
      .filter((l) => l.approval !== 'no')
      .flatMap((l) => [l.operation, ...agreedOperation(l, g.catalogue).includes]),
  );
  const decided = new Set(
    g.decisions.filter((d) => d.decision === 'declined').map((d) => d.proposed.operation),
  );
  return [
    // What the bench only asks itself is no line of the customer's.
    ...(planInput.unplanned ?? []).filter((u) => !u.asked).map((u) => u.plain),
    ...planInput.findings
      .filter((f) => !isDealtWithBy(f, ordered) && !decided.has(f.leadsTo))
      .map((f) => `${f.plain} It was found, and not dealt with.`),
  ];
}

/** Whether a line is anything to a customer; taking the strings off only goes along with what is. */
function isTheirs(g: SheetJob, line: JobLine): boolean {
  const op = agreedOperation(line, g.catalogue);
  return op.strings !== 'off' && (op.customer !== '' || line.operation.startsWith('own-'));
}

/** What was proposed and is not done, in the customer's words, with why where somebody said so. */
function notDone(g: SheetJob): string[] {
  const proposed = (says: string, why: string): string =>
    `Proposed, and not done: ${says}${why === '' ? '' : ` (${why})`}`;
  return [
    ...g.decisions
      .filter((d) => d.decision === 'declined')
      .filter((d) => operation(d.proposed.operation, g.catalogue).strings !== 'off')
      .map((d) =>
        proposed(operation(d.proposed.operation, g.catalogue).customer || d.proposed.title, d.reason),
      ),
    ...g.lines
      .filter((l) => l.approval === 'no' && isTheirs(g, l))
      .map((l) => `${l.approvedBy} said no: ${customerSays(l, g.catalogue)}`),
    ...droppedLines(endOfJob(g), g.lines)
      .filter((l) => isTheirs(g, l))
      .map((l) => proposed(customerSays(l, g.catalogue), '')),
  ];
}

const leftOf = (g: SheetJob, judged: Pick<Judged, 'planInput'>): string[] => [
  ...notDealtWith(g, judged),
  ...notDone(g),
];

/** How it ends, as the customer reads it, where the work was not simply done. */
function sayEnd(g: SheetJob, end: End): string {
  const why = g.handOver?.endingNote ? ` ${g.handOver.endingNote}` : '';
  return g.lines.some((l) => l.step === 'finished')
    ? `Only what stands under “What was done” was done; otherwise it goes home as it is.${why}`
    : `No setup was made: it goes home as it is.${end === 'as-it-is' ? why : ''}`;
}

/** What of the list nobody has answered and no reading answers, by the list’s groups, where the inspection was begun. */
function notLookedAt(g: SheetJob, { items, bySheet }: Pick<Judged, 'items' | 'bySheet'>): string[] {
  const answered = new Set(g.answers.flatMap((a) => (a.answer === null ? [] : [a.item])));
  if (answered.size === 0 && g.inspection === null) return [];
  const groups = new Map<string, { open: string[]; all: number }>();
  for (const item of items) {
    const group = groups.get(item.group) ?? { open: [], all: 0 };
    group.all += 1;
    if (!answered.has(item.key) && !bySheet.has(item.key)) group.open.push(item.title);
    groups.set(item.group, group);
  }
  return [...groups].flatMap(([name, { open, all }]) =>
    open.length === 0 ? [] : [open.length === all ? `${name}: all of it` : `${name}: ${open.join(', ')}`],
  );
}

function priceOf(g: SheetJob, taxing: Taxing): CustomerSheet['price'] {
  const { job } = g;
  const discount = { kind: job.discountKind, value: job.discountValue };
  const priced = g.lines.map((l) => ({
    price: l.priceMinor,
    parts: l.partsMinor,
    tax: l.tax,
    partsTax: l.partsTax,
    line: l,
  }));
  const counting = new Set(countingLines(endOfJob(g), g.lines));
  const done = priced.filter((p) => counting.has(p.line));
  const planned = priced.filter((p) => p.line.approval === 'yes' && p.line.found === null);
  return {
    ...total(done, taxing, discount),
    reason: job.discountReason,
    estimate: total(planned, taxing, discount).toPay,
  };
}

/** Advice as the bench wrote it, or what Rubrica would say of this instrument. */
function adviceOf(g: SheetJob, items: Judged['items'], care: ShopCare): string[] {
  const written = g.handOver?.advice;
  if (written !== null && written !== undefined)
    return written
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean);
  const finished = g.lines.filter((l) => l.step === 'finished');
  const humidity = g.rounds.findLast((r) => r.humidity !== null)?.humidity ?? null;
  return adviceFor({
    care: partsOf(g.instrument.construction)
      .filter((p) => p.part !== 'Fingerboard' || p.surface !== 'unknown')
      .map((p) => homeAdvice(care, p.surface))
      .filter((says) => says !== ''),
    acoustic: KIND_RECORDS[g.instrument.construction.kind].acoustic,
    newStrings:
      g.stringChanges.some((c) => c.kind === 'on' && c.fresh) ||
      finished.some((l) => l.operation === 'restring' || l.operation === 'play-test'),
    woodMoved: finished.some((l) => agreedOperation(l, g.catalogue).stale.length > 0),
    humidity,
    watch: items.flatMap((item) => {
      const given = g.answers.find((a) => a.item === item.key && a.answer === 'watch');
      return given ? [`${item.title}${given.note ? `: ${given.note}` : ''}`] : [];
    }),
  });
}

/** A line as the customer reads it, and what it costs them. */
const costing = (g: SheetJob, l: JobLine): CustomerSheet['done'][number] => ({
  title: customerIsTold(l, g.catalogue),
  detail: detailOf(g, l),
  price: l.priceMinor + l.partsMinor,
});

const thingSaid = (i: JobThing): string =>
  `${i.bag === null ? '' : `bag ${i.bag}: `}${i.name}${i.returnedAt === null ? ` (not given back: ${i.absence || 'still here'})` : ''}`;

/** What the customer is shown of a job, as it stands now. The same job at the same day gives the same sheet. */
export function sheetView(
  g: SheetJob,
  judged: Pick<Judged, 'items' | 'planInput' | 'bySheet'>,
  { info, rules, care }: Pick<Shop, 'info' | 'rules' | 'care'>,
  now: Date,
): CustomerSheet {
  const { job, customer, things, accidents, photos } = g;
  const { items } = judged;
  const unseen = notLookedAt(g, judged);
  const readings = readingsOf(g);
  const end = endOfJob(g);
  const counting = countingLines(end, g.lines)
    // What is only the bench's own is no line of theirs, unless it costs them something.
    .filter((l) => l.priceMinor + l.partsMinor > 0 || isTheirs(g, l));
  const todo = counting.filter((l) => l.step !== 'finished').map((l) => costing(g, l));
  return {
    shop: info.name,
    currency: info.currency,
    job: job.number,
    customer: customer?.name ?? '',
    instrument: `${g.instrument.maker} ${g.instrument.model}`.trim(),
    serial: g.instrument.serial,
    takenIn: dayIn(job.takenInAt.getTime(), info.zone),
    complaint: job.complaint,
    wish: job.wish,
    found: foundOf(g, items),
    done: counting.filter((l) => l.step === 'finished').map((l) => costing(g, l)),
    ...(todo.length > 0 && { todo }),
    left: leftOf(g, judged),
    change: sayWhatChanged(readings),
    readings,
    photos: photos.map((p) => p.digest).sort(),
    accidents: accidents.map(({ happened, remedy }) => ({ happened, remedy })),
    things: things.map(thingSaid),
    ...(end !== 'done' && { end: sayEnd(g, end) }),
    ...(unseen.length > 0 && { notLookedAt: unseen }),
    exception: g.handOver?.exceptionText ?? '',
    checked: benchChecks(g, things.length > 0)
      .filter((c) => g.handOver?.checks[c.key])
      .map((c) => c.title),
    price: priceOf(g, info.tax),
    advice: adviceOf(g, items, care),
    nextCheck:
      g.handOver?.nextCheck ??
      (end === 'done' ? nextCheckDay(rules, now.getTime(), info.zone, g.opening) : null),
  };
}
