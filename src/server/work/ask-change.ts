import { refuse, type Failure } from '../../contracts/failure.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { NOTHING_TO_PAY } from '../../core/work/free-line.ts';
import { withinLimit } from '../../core/work/limit.ts';
import { stopped } from '../../core/work/may-start.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { shopOf } from '../house/load-shop.ts';
import { countLater } from '../jobs/job-facts.ts';
import { partsOn, pricedParts } from '../plan/price-set.ts';
import { openJob } from '../jobs/open-job.ts';
import { tellDesk } from '../people/notices.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { stopClocks } from './clocks.ts';
import { moverOf } from '../stores/move.ts';
import { setAsideFor } from '../stores/set-aside.ts';

/** The line that stands still from now on: its clock stops with it. */
async function standStill(work: Work, job: Job, lineId: number): Promise<Result<WorkLine, Failure>> {
  const line = await work.models.WorkLine.findOne({
    where: { id: lineId, jobId: job.id },
    transaction: work.t,
    lock: work.t.LOCK.UPDATE,
  });
  if (!line) return fail({ code: 'not-found', message: 'This line is not on the work order any more.' });
  if (line.step === 'finished') return fail(refuse(`“${line.title}” is finished: it cannot stand still.`));
  if (line.step === 'running') {
    await stopClocks(work, { lineId });
    await line.update({ step: 'paused', version: line.version + 1 }, { transaction: work.t });
    await recordEvent(work, {
      jobId: job.id,
      kind: 'step interrupted',
      entity: 'work line',
      entityId: lineId,
      fromVersion: line.version - 1,
      data: { by: 'a change' },
    });
  }
  return ok(line);
}

/** A line as a limit is judged by it. */
const priced = (l: WorkLine) => ({
  price: l.priceMinor,
  parts: l.partsMinor,
  tax: l.tax,
  partsTax: l.partsTax,
  approval: l.approval,
});

/** Where nothing can go on, the instrument hangs with those that wait for a word. */
export async function hangForWord({ models, t }: Work, job: Job, title: string): Promise<void> {
  const lines = await models.WorkLine.findAll({ where: { jobId: job.id }, transaction: t });
  const catalogue = await catalogueOf(models, t);
  const all = lines.map((l) => ({ ...l.get(), finished: l.step === 'finished' }));
  const still = stopped(all, (id) => operation(id, catalogue).needs);
  const free = lines.some((l) => l.approval === 'yes' && l.step !== 'finished' && !still.includes(l.id));
  if (free || job.waitingFor === 'time') return;
  job.set({
    waitingFor: 'word',
    waitingNote: `asked: ${title}`.slice(0, 200),
    waitingUntil: null,
    version: job.version + 1,
  });
}

/** The yes of what nobody has to be asked about: it costs nothing, or stays within the limit the customer named. */
const agreedBefore = (free: boolean, now: Date) => ({
  approval: 'yes' as const,
  approvedBy: free ? '' : 'agreed before',
  approvedHow: free ? NOTHING_TO_PAY : 'within the limit',
  approvedAt: now,
});

/**
 * Something found while inside: the line it stops stands still until the customer has answered, and so do those that need
 * it; the rest goes on. Within the limit the customer named it may go on at once; over it they are always asked.
 */
export const askChange = defineUseCase({
  name: 'work.ask-change',
  run: async (work, input) => {
    const { models, t, actor, now } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    const op = operation(input.operation, await catalogueOf(models, t));
    const lines = await models.WorkLine.findAll({ where: { jobId: job.id }, transaction: t });
    const { parts, reason } = await partsOn(work, job, op);
    const { tax } = shopOf(await models.Setting.findAll({ where: { name: 'shop' }, transaction: t }));
    const fits = withinLimit(lines.map(priced), { ...op, parts }, job.limitMinor, tax, {
      kind: job.discountKind,
      value: job.discountValue,
    });
    if (input.withinLimit && !fits)
      return fail(refuse('This comes to more than the limit the customer named: they are asked.'));
    if (input.stops !== null) {
      const still = await standStill(work, job, input.stops);
      if (!still.ok) return still;
    }
    const free = op.price + parts === 0;
    const goes = input.withinLimit || free;
    const line = await models.WorkLine.create(
      {
        jobId: job.id,
        operation: op.id,
        record: op,
        title: op.name,
        detail: input.detail,
        sort: op.order,
        minutes: op.minutes.likely,
        priceMinor: op.price,
        ...pricedParts({ parts, reason }),
        found: input.found,
        stops: input.stops,
        askedBy: actor.personId,
        askedAt: now,
        offeredAt: now,
        ...(goes && agreedBefore(free, now)),
      },
      { transaction: t },
    );
    if (goes) await setAsideFor(moverOf(work), job, [line]);
    if (!goes) {
      await hangForWord(work, job, op.name);
      await tellDesk(work, job.id, 'customer', `Job ${job.number}: ask about “${op.name}”.`);
    }
    await countLater(work, job);
    await recordEvent(work, {
      jobId: job.id,
      kind: 'change asked',
      entity: 'work line',
      entityId: line.id,
      fromVersion: null,
      data: { title: op.name, found: input.found, stops: input.stops, answer: line.approval },
    });
    return ok({ lineId: line.id, approval: goes ? 'yes' : 'asked' });
  },
});
