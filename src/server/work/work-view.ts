import { operation } from '../../core/plan/operations.ts';
import { looksForgotten, workedMs } from '../../core/work/clocks.ts';
import { toFetch } from '../../core/work/fetch.ts';
import { stopped } from '../../core/work/may-start.ts';
import { rangeOf } from '../../core/work/order-of-lines.ts';
import { waitsOf } from '../../core/work/waits.ts';
import type { Database } from '../db/connection.ts';
import type { GatheredJob } from '../jobs/gather-job.ts';
import type { judge } from '../jobs/judge.ts';
import { benchOf, entriesOf } from './bench-of.ts';

const iso = (d: Date | null | undefined): string | null => d?.toISOString() ?? null;
type Name = (id: number | null) => string;

/** The work order of a job as the Work leaf and the Bench show it, as plain data. */
export async function workView(
  db: Database,
  g: GatheredJob,
  judged: ReturnType<typeof judge>,
  name: Name,
  now: Date,
) {
  const entries = await entriesOf(db.models, g.lines);
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

const ownOf = (jobId: number) => ({ where: { jobId }, order: [['id', 'ASC']] as [string, string][] });

/** What was said over a job at the bench: notes, questions, answers, and what went along when it changed hands. */
export async function saidView({ models }: Pick<Database, 'models'>, jobId: number, name: Name) {
  const [remarks, handOns] = await Promise.all([
    models.Remark.findAll(ownOf(jobId)),
    models.HandOn.findAll(ownOf(jobId)),
  ]);
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
export async function wordsView({ models }: Database, jobId: number, name: Name, now: Date) {
  const own = ownOf(jobId);
  const [said, accidents, links, seals, messages] = await Promise.all([
    saidView({ models }, jobId, name),
    models.Accident.findAll(own),
    models.CustomerLink.findAll(own),
    models.EarlierSeal.findAll({
      ...own,
      attributes: { exclude: ['record', 'shown'] },
    }),
    models.MessageRow.findAll(own),
  ]);
  return {
    ...said,
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
