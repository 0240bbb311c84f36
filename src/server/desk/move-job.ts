import { fail, ok } from '../../core/result.ts';
import { WAIT_NAMES } from '../../core/job/waiting.ts';
import { placeTaken } from './places.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Says where a job hangs, who has it and what it waits for. */
export const moveJob = defineUseCase({
  name: 'rack.move',
  run: async (work, input) => {
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.version !== input.version) {
      return conflict(
        work,
        job.holderId,
        `waiting for ${WAIT_NAMES[job.waitingFor].name.toLowerCase()}`,
        job.version,
      );
    }
    const stays = input.placeId === job.placeId;
    const taken = stays ? null : await placeTaken(work, input.placeId, job.id, input.together ?? false);
    if (taken) return fail(taken);
    const before = {
      placeId: job.placeId,
      waitingFor: job.waitingFor,
      waitingNote: job.waitingNote,
      holderId: job.holderId,
    };
    const { jobId: _j, version: _v, together: _t, ...after } = input;
    // A rest counted from a step's end is over or was called off by hand: only its rail stays.
    const rests = after.waitingFor === job.waitingFor && after.waitingNote === job.waitingNote;
    job.set({
      ...after,
      ...(!rests && { waitingUntil: null, waitsForStock: false }),
      version: job.version + 1,
    });
    await job.save({ transaction: work.t });
    await recordEvent(work, {
      jobId: job.id,
      kind: 'job moved',
      entity: 'job',
      entityId: job.id,
      fromVersion: input.version,
      data: { before, after },
    });
    return ok({ version: job.version });
  },
});
