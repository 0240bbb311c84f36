import { operation } from '../../core/plan/operations.ts';
import { looksForgotten, workedMs } from '../../core/work/clocks.ts';
import { toFetch } from '../../core/work/fetch.ts';
import { stopped } from '../../core/work/may-start.ts';
import { rangeOf } from '../../core/work/order-of-lines.ts';
import { waitsOf } from '../../core/work/waits.ts';
import type { Accident, CustomerLink, EarlierSeal, HandOn, MessageRow, Remark } from '../db/models/bench.ts';
import type { Models } from '../db/models/index.ts';
import type { TimeEntry } from '../db/models/work.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { Judged } from '../../core/job/judge.ts';
import { benchOf } from './bench-of.ts';

const iso = (d: Date | null | undefined): string | null => d?.toISOString() ?? null;
type Name = (id: number | null) => string;

/** The work order of a job as the Work leaf and the Bench show it, as plain data. */
export function workView(
  g: GatheredJob,
  judged: Judged,
  entries: readonly TimeEntry[],
  name: Name,
  now: Date,
) {
  const bench = benchOf(g, judged, entries);
  const label = (key: string): string => bench.places.find((p) => p.key === key)?.label ?? key;
  const gauges = g.instrument.construction.strings.map((s) => s.gauge);
  const still = stopped(
    bench.ordered.map((l) => ({ ...l.get(), finished: l.step === 'finished' })),
    bench.needs,
  );
  const lines = bench.ordered.map((l) => {
    const own = entries.filter((e) => e.lineId === l.id);
    const running = own.find((e) => e.endedAt === null);
    const op = operation(l.operation, g.catalogue);
    return {
      id: l.id,
      version: l.version,
      operation: l.operation,
      title: l.title,
      detail: l.detail,
      minutes: op.minutes,
      price: l.priceMinor,
      parts: l.partsMinor,
      hazards: op.hazards,
      reversible: op.reversible,
      wait: op.wait,
      fetch: toFetch(op, gauges),
      needs: bench.ordered.filter((o) => op.needs.includes(o.operation)).map((o) => o.title),
      range: rangeOf(bench.ordered, l.id, bench.needs),
      approval: l.approval,
      approvedBy: l.approvedBy,
      approvedHow: l.approvedHow,
      approvedAt: iso(l.approvedAt),
      found: l.found,
      stops: l.stops,
      still: still.includes(l.id),
      askedBy: name(l.askedBy),
      step: l.step,
      finishedAt: iso(l.finishedAt),
      finishedBy: name(l.finishedBy),
      decisionLine: g.decisions.find((d) => d.id === l.decisionId)?.line ?? null,
      hinders:
        l.approval === 'yes' && (l.step === 'ready' || l.step === 'paused')
          ? bench.hindrances(l).map((h) => ({
              kind: h.kind,
              words: h.words,
              passable: h.kind === 'reading' && h.passable,
              places: h.kind === 'reading' ? h.stations.map((key) => ({ key, label: label(key) })) : [],
            }))
          : [],
      workedMs: workedMs(
        own
          .filter((e) => e.endedAt !== null)
          .map((e) => ({ from: e.startedAt.getTime(), to: e.endedAt?.getTime() ?? 0 })),
        now.getTime(),
      ),
      runningSince: iso(running?.startedAt),
      runningBy: name(running?.personId ?? null),
      clocks: own.map((e) => ({
        id: e.id,
        by: name(e.personId),
        from: e.startedAt.toISOString(),
        to: iso(e.endedAt),
        correction: e.correction,
        forgotten:
          e.endedAt === null && looksForgotten(e.startedAt.getTime(), now.getTime(), op.minutes.high),
      })),
    };
  });
  return {
    lines,
    queue: bench.queue.map((n) =>
      n.kind === 'step' ? n : { ...n, places: n.places.map((key) => ({ key, label: label(key) })) },
    ),
    waits: waitsOf(
      lines.map((l) => ({
        lineId: l.id,
        title: l.title,
        finishedAt: l.finishedAt === null ? null : Date.parse(l.finishedAt),
        wait: l.wait,
      })),
    ).filter((w) => w.until > now.getTime()),
  };
}

/** What was said over a job, as its rows. */
interface Said {
  readonly remarks: readonly Remark[];
  readonly handOns: readonly HandOn[];
}

interface Words extends Said {
  readonly accidents: readonly Accident[];
  readonly links: readonly CustomerLink[];
  readonly seals: readonly EarlierSeal[];
  readonly messages: readonly MessageRow[];
}

const OF_JOB = 'job_id = :job';

/** What was said over a job, to be read together with the rest of it. */
export const saidRows = (models: Models) =>
  ({
    remarks: { model: models.Remark, where: OF_JOB },
    handOns: { model: models.HandOn, where: OF_JOB },
  }) as const;

/** The same with what went wrong, the customer's ways in, earlier signatures and messages. */
export const wordsRows = (models: Models) =>
  ({
    ...saidRows(models),
    accidents: { model: models.Accident, where: OF_JOB },
    links: { model: models.CustomerLink, where: OF_JOB },
    seals: { model: models.EarlierSeal, where: OF_JOB, without: ['record', 'shown'] },
    messages: { model: models.MessageRow, where: OF_JOB, without: ['body'] },
  }) as const;

/** The clocks of a job's lines, to be read together with the rest of it. */
export const entryRows = (models: Models) =>
  ({ model: models.TimeEntry, where: 'line_id IN (SELECT id FROM work_lines WHERE job_id = :job)' }) as const;

/** What was said over a job at the bench: notes, questions, answers, and what went along when it changed hands. */
export function saidView({ remarks, handOns }: Said, name: Name) {
  return {
    remarks: remarks.map((r) => ({
      id: r.id,
      version: r.version,
      lineId: r.lineId,
      kind: r.kind,
      words: r.words,
      by: r.byPerson === null ? r.byCustomer : name(r.byPerson),
      customer: r.byPerson === null,
      to: r.toPerson === null ? '' : name(r.toPerson),
      at: r.at.toISOString(),
      answer: r.answer,
      answeredBy: name(r.answeredBy),
      answeredAt: iso(r.answeredAt),
    })),
    handOns: handOns.map((h) => ({
      id: h.id,
      from: name(h.fromPerson),
      to: name(h.toPerson),
      state: h.state,
      tried: h.tried,
      beware: h.beware,
      stale: h.stale,
      at: h.at.toISOString(),
    })),
  };
}

/** What people said to each other about a job, what went wrong, who handed it on, and the customer's ways in. */
export function wordsView(words: Words, name: Name, now: Date) {
  const { accidents, links, seals, messages } = words;
  return {
    ...saidView(words, name),
    accidents: accidents.map((a) => ({
      id: a.id,
      version: a.version,
      happened: a.happened,
      remedy: a.remedy,
      by: name(a.recordedBy),
      at: a.at.toISOString(),
    })),
    links: links
      .filter((l) => l.withdrawnAt === null && l.expiresAt > now)
      .map((l) => ({
        id: l.id,
        purpose: l.purpose,
        by: name(l.madeBy),
        at: l.madeAt.toISOString(),
        expiresAt: l.expiresAt.toISOString(),
      })),
    earlier: seals.map((s) => ({
      number: s.number,
      signer: s.signer,
      signedAt: s.signedAt.toISOString(),
      digest: s.digest,
      tweak: s.tweak,
      free: s.free,
      reopenedAt: s.reopenedAt.toISOString(),
    })),
    messages: messages.map((m) => ({
      id: m.id,
      purpose: m.purpose,
      channel: m.channel,
      state: m.state as 'waiting' | 'delivered' | 'failed',
      trouble: m.trouble,
      madeAt: m.madeAt.toISOString(),
    })),
  };
}
