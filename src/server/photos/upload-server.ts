import { randomUUID } from 'node:crypto';
import { Server } from '@tus/server';
import { may } from '../../core/people/roles.ts';
import type { Database } from '../db/connection.ts';
import type { Actor } from '../use-case/use-case.ts';
import { isFull } from '../keep/no-room.ts';
import { keepPhoto } from './keep-photo.ts';
import { MOST_BYTES } from './prepare-photo.ts';
import { placeOf, UploadStore, type PhotoPlace } from './upload-store.ts';

export const UPLOADS_PATH = '/api/uploads';

const refusal = (status_code: number, body: string) => ({ status_code, body });

async function belongs({ models }: Database, place: PhotoPlace): Promise<boolean> {
  const job = await models.Job.findByPk(place.jobId);
  if (!job || job.state === 'closed') return false;
  if (place.markId === null) return true;
  const mark = await models.Mark.findByPk(place.markId);
  return mark?.jobId === place.jobId;
}

/** The resumable upload of photos for one person: begin, go on from where it stopped, become a photo. */
export function uploadServer(db: Database, actor: Actor, now: () => Date = () => new Date()): Server {
  const datastore = new UploadStore(db, actor, now);
  const finish = async (id: string): Promise<void> => {
    const kept = await keepPhoto(db, actor, id, await datastore.whole(id), now());
    if (!kept.ok) throw refusal(422, kept.error);
  };
  return new Server({
    path: UPLOADS_PATH,
    datastore,
    relativeLocation: true,
    maxSize: MOST_BYTES,
    namingFunction: () => randomUUID(),
    onUploadCreate: async (_request, upload) => {
      if (!may(actor.role, 'take-in')) throw refusal(403, `${actor.name} may not add photos.`);
      const place = placeOf(upload.metadata);
      if (!place || !(await belongs(db, place)))
        throw refusal(409, 'This job takes no photos: it is closed or gone.');
      return {};
    },
    // What came so far stays: the tablet goes on from there when there is room.
    onResponseError: (_request, error) =>
      Promise.resolve(isFull(error) ? refusal(507, 'The disk of the house is full.') : undefined),
    // Whoever asks how far an upload came must not hear “all of it” while no photo was made of it yet.
    onIncomingRequest: async (request, id) => {
      if (request.method !== 'HEAD') return;
      const { offset, size } = await datastore.getUpload(id);
      if (offset === size) await finish(id);
    },
    onUploadFinish: async (_request, upload) => {
      await finish(upload.id);
      return {};
    },
  });
}
