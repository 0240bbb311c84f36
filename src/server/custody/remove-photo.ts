import { fail, ok } from '../../core/result.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/** Takes a photo away from the job: nobody is shown it any more. */
export const removePhoto = defineUseCase({
  name: 'custody.remove-photo',
  run: async (work, { photoId }) => {
    const { models, t, now } = work;
    const photo = await models.Photo.findByPk(photoId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!photo) return fail({ code: 'not-found', message: 'There is no such photo.' });
    const opened = await openJob(work, photo.jobId);
    if (!opened.ok) return opened;
    if (photo.removedAt !== null) return ok({ photoId });
    await photo.update({ removedAt: now }, { transaction: t });
    await recordEvent(work, {
      jobId: photo.jobId,
      kind: 'photo taken away',
      entity: 'photo',
      entityId: photoId,
      fromVersion: null,
      data: { digest: photo.digest },
    });
    return ok({ photoId });
  },
});
