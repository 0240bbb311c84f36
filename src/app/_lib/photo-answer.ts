import { database } from '../../server/db/connection.ts';

/** A photo's bytes, whole or small. Who may see it was asked before. */
export async function photoAnswer(request: Request, id: string): Promise<Response> {
  const { models } = database();
  const photo = /^\d{1,9}$/.test(id)
    ? await models.Photo.findOne({ where: { id: Number(id), removedAt: null } })
    : null;
  const size = new URL(request.url).searchParams.get('size') === 'small' ? 'small' : 'whole';
  const file = photo && (await models.PhotoFile.findOne({ where: { photoId: photo.id, size } }));
  if (!photo || !file) return new Response('There is no such photo.', { status: 404 });
  return new Response(new Uint8Array(file.bytes), {
    headers: {
      'Content-Type': 'image/jpeg',
      'Content-Disposition': `inline; filename="photo-${photo.id}.jpg"`,
      ETag: `"${photo.digest}-${size}"`,
    },
  });
}
