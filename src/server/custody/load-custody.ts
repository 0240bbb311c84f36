import type { Transaction } from 'sequelize';
import type { View } from '../../core/instrument/outline.ts';
import type { Mark, Photo } from '../db/models/custody.ts';
import type { Models } from '../db/models/index.ts';

/** A mark as it is shown: numbered in the order it was made. */
export interface ShownMark {
  readonly id: number;
  readonly number: number;
  readonly view: View;
  readonly x: number;
  readonly y: number;
  readonly words: string;
  readonly markedBy: number;
  readonly version: number;
}

/** The damage marked and the photos taken on a job, without what was taken away. */
export async function custodyOf(models: Models, jobId: number, transaction: Transaction | null = null) {
  const where = { jobId, removedAt: null };
  const [marks, photos] = await Promise.all([
    models.Mark.findAll({ where, order: [['id', 'ASC']], transaction }),
    models.Photo.findAll({ where, order: [['id', 'ASC']], transaction }),
  ]);
  return custodyView(marks, photos);
}

/** The same of rows that were read already. */
export const custodyView = (marks: readonly Mark[], photos: readonly Photo[]) => ({
  marks: marks.map((m, i): ShownMark => ({
    id: m.id,
    number: i + 1,
    view: m.view,
    x: Number(m.x),
    y: Number(m.y),
    words: m.words,
    markedBy: m.markedBy,
    version: m.version,
  })),
  photos: photos.map((p) => ({
    id: p.id,
    markId: p.markId,
    item: p.item,
    digest: p.digest,
    width: p.width,
    height: p.height,
    takenBy: p.takenBy,
    takenAt: p.takenAt.toISOString(),
  })),
});
