import type { EventKind } from '../../contracts/commands/commands.ts';
import { refuse } from '../../contracts/failure.ts';
import { NO_HUNT, type Hunt } from '../../core/hunt/hunt-record.ts';
import { fail, ok } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

interface About {
  readonly jobId: number;
  readonly version: number;
}

/** The job and its hunt as they stand, where the screen knew that; else why not. */
async function standing(work: Work, { jobId, version }: About) {
  const opened = await openJob(work, jobId);
  if (!opened.ok) return opened;
  const hunt = opened.value.hunt ?? NO_HUNT;
  if (hunt.version === version) return ok({ job: opened.value, hunt });
  const last = hunt.trail.at(-1);
  return conflict(work, last?.by ?? hunt.ended?.by ?? null, 'more of the hunt', hunt.version);
}

/** Keeps a hunt as it stands now, and says so in the history. */
async function keep(
  work: Work,
  job: Job,
  next: Omit<Hunt, 'version'>,
  event: { readonly kind: EventKind; readonly data: Readonly<Record<string, unknown>> },
): Promise<number> {
  const before = job.hunt?.version ?? 0;
  job.hunt = { ...next, version: before + 1 };
  await job.save({ transaction: work.t });
  await recordEvent(work, {
    jobId: job.id,
    kind: event.kind,
    entity: 'hunt',
    entityId: job.id,
    fromVersion: before,
    data: event.data,
  });
  return before + 1;
}

/** Begins the hunt for a noise, or changes how long it may take. */
export const beginHunt = defineUseCase({
  name: 'hunt.begin',
  run: async (work, { limit, agreed, ...about }) => {
    const found = await standing(work, about);
    if (!found.ok) return found;
    const { job, hunt } = found.value;
    const data = { limit, agreed };
    return ok({ version: await keep(work, job, { ...hunt, limit, agreed }, { kind: 'hunt begun', data }) });
  },
});

const ENDED = 'This hunt has ended: open it again to try more.';

/** Keeps one try of a hunt, with the house's own moment. */
export const tryNoise = defineUseCase({
  name: 'hunt.try',
  run: async (work, { what, answer, words, heard, ...about }) => {
    const found = await standing(work, about);
    if (!found.ok) return found;
    const { job, hunt } = found.value;
    if (hunt.ended) return fail(refuse(ENDED));
    const id = Math.max(0, ...hunt.trail.map((e) => e.id)) + 1;
    const entry = { id, what, answer, words, heard, by: work.actor.personId, at: work.now.toISOString() };
    const version = await keep(
      work,
      job,
      { ...hunt, trail: [...hunt.trail, entry] },
      { kind: 'noise tried', data: { what, answer, words, byEar: heard !== null } },
    );
    return ok({ version, entry: id });
  },
});

/** Takes one try back. */
export const takeBackTry = defineUseCase({
  name: 'hunt.take-back',
  run: async (work, { entry, ...about }) => {
    const found = await standing(work, about);
    if (!found.ok) return found;
    const { job, hunt } = found.value;
    const gone = hunt.trail.find((e) => e.id === entry);
    if (!gone) return fail({ code: 'not-found' as const, message: 'It was taken back already.' });
    if (hunt.ended) return fail(refuse(ENDED));
    const trail = hunt.trail.filter((e) => e !== gone);
    const data = { what: gone.what, answer: gone.answer };
    return ok({ version: await keep(work, job, { ...hunt, trail }, { kind: 'try taken back', data }) });
  },
});

/** Ends a hunt with its cause, leaves it, or opens it again. */
export const endHunt = defineUseCase({
  name: 'hunt.end',
  run: async (work, { end, ...about }) => {
    const found = await standing(work, about);
    if (!found.ok) return found;
    const { job, hunt } = found.value;
    const goesOn = end === 'goes on';
    const ended = goesOn ? null : { ...end, by: work.actor.personId, at: work.now.toISOString() };
    const event = goesOn
      ? { kind: 'hunt opened again' as const, data: {} }
      : { kind: 'hunt ended' as const, data: { cause: end.cause, words: end.words } };
    return ok({ version: await keep(work, job, { ...hunt, ended }, event) });
  },
});
