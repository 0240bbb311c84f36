import { ok } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import { countLater } from '../jobs/job-facts.ts';
import { priceSetAnew } from '../plan/price-set.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase } from '../use-case/use-case.ts';

type Plain = Readonly<Record<string, unknown>>;

/** What differs, before and after. */
function differing(before: Plain, after: Plain): { readonly before: Plain; readonly after: Plain } {
  const keys = Object.keys(after).filter((k) => before[k] !== after[k]);
  const pick = (from: Plain) => Object.fromEntries(keys.map((k) => [k, from[k]]));
  return { before: pick(before), after: pick(after) };
}

/** What was said at the counter, as it stands. */
function saidOf(job: Job): Plain {
  const { complaint, touch, matters, setPaidBy, plays, wish, neededBy, hardDate, hardReason, limitMinor } =
    job;
  return { complaint, touch, matters, setPaidBy, plays, wish, neededBy, hardDate, hardReason, limitMinor };
}

/**
 * Puts right what was written at the counter, until the job is signed. What was there before, who changed it and why stand in
 * the log; the customer's own entry follows everywhere.
 */
export const correctJob = defineUseCase({
  name: 'desk.correct',
  run: async (work, { jobId, version, said: typed, customer: theirs, why }) => {
    const { models, t } = work;
    const opened = await openJob(work, jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.version !== version) return conflict(work, null, 'what was said at the counter', job.version);
    const customer = await models.Customer.findByPk(job.customerId, { transaction: t, lock: t.LOCK.UPDATE });
    const { version: theirVersion, ...named } = theirs;
    if (customer && customer.version !== theirVersion)
      return conflict(work, null, `how ${customer.name} is reached`, job.version);
    const said = {
      ...typed,
      matters: typed.matters === undefined ? job.matters : typed.matters,
      setPaidBy: typed.setPaidBy === undefined ? job.setPaidBy : typed.setPaidBy,
    };
    const was = saidOf(job);
    const called = { name: customer?.name, phone: customer?.phone, email: customer?.email };
    const changed = differing({ ...was, ...called }, { ...said, ...named });
    if (Object.keys(changed.after).length === 0) return ok({ version });
    job.set({ ...said, version: version + 1 });
    await job.save({ transaction: t });
    if ('setPaidBy' in changed.after) await priceSetAnew(work, job);
    if (Object.keys(differing(called, named).after).length > 0)
      await customer?.update({ ...named, version: theirVersion + 1 }, { transaction: t });
    await countLater(work, job);
    await recordEvent(work, {
      jobId,
      kind: 'job corrected',
      entity: 'job',
      entityId: jobId,
      fromVersion: version,
      data: { ...changed, why },
      // As they were called before, too.
      names: customer
        ? [{ id: customer.id, name: called.name ?? '', phone: called.phone ?? '', email: called.email ?? '' }]
        : [],
    });
    return ok({ version: version + 1 });
  },
});
