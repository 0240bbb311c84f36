import { randomUUID } from 'node:crypto';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Database } from '../db/connection.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { openJob } from '../jobs/open-job.ts';
import type { Actor } from '../use-case/use-case.ts';
import { preparePhoto } from './prepare-photo.ts';

/**
 * Makes a photo of an upload that has arrived whole, keeps it with its event and lets the pieces go, all or nothing.
 * An upload that already became a photo answers with that one. A file that cannot be kept is forgotten.
 */
export async function keepPhoto(
  db: Database,
  actor: Actor,
  uploadId: string,
  bytes: Buffer,
  now: Date,
): Promise<Result<number, string>> {
  const { models, sequelize } = db;
  const upload = await models.UploadRow.findByPk(uploadId);
  if (!upload) return fail('This upload is not known any more.');
  if (upload.photoId !== null) return ok(upload.photoId);
  const prepared = await preparePhoto(bytes, upload.name);
  if (!prepared.ok) {
    await upload.destroy();
    return prepared;
  }
  return sequelize.transaction(async (t) => {
    const work = { actor, models, t, now, commandId: randomUUID() };
    const opened = await openJob(work, upload.jobId);
    if (!opened.ok) return fail(opened.error.message);
    await upload.reload({ transaction: t, lock: t.LOCK.UPDATE });
    if (upload.photoId !== null) return ok(upload.photoId);
    const { digest, width, height, whole, small } = prepared.value;
    const { jobId, markId, item } = upload;
    const photo = await models.Photo.create(
      { jobId, markId, item, digest, width, height, takenBy: actor.personId, takenAt: now },
      { transaction: t },
    );
    await models.PhotoFile.bulkCreate(
      [
        { photoId: photo.id, size: 'whole', bytes: whole },
        { photoId: photo.id, size: 'small', bytes: small },
      ],
      { transaction: t },
    );
    await models.UploadPiece.destroy({ where: { uploadId }, transaction: t });
    await upload.update({ photoId: photo.id }, { transaction: t });
    await recordEvent(work, {
      jobId,
      kind: 'photo added',
      entity: 'photo',
      entityId: photo.id,
      fromVersion: null,
      data: { markId, item, digest },
    });
    return ok(photo.id);
  });
}
