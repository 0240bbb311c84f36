import type { JobParts } from '../job-parts.ts';
import type { NameOf } from '../shop.ts';

/** Whether the picture itself is kept: of what is gone only the digest is. */
const stillKept = (p: { readonly goneAt?: Date | null }): boolean => (p.goneAt ?? null) === null;

/** The damage marked, numbered in the order it was marked, the photos, and the things that came. */
export const custodyView = ({ marks, photos }: Pick<JobParts, 'marks' | 'photos'>, name: NameOf) => ({
  marks: marks.map((m, i) => ({
    id: m.id,
    number: i + 1,
    view: m.view,
    x: m.x,
    y: m.y,
    words: m.words,
    version: m.version,
    by: name(m.markedBy),
  })),
  photos: photos.filter(stillKept).map((p) => ({
    id: p.id,
    markId: p.markId,
    item: p.item,
    width: p.width,
    height: p.height,
    takenAt: p.takenAt.toISOString(),
    by: name(p.takenBy),
  })),
});

export const thingsView = ({ things }: Pick<JobParts, 'things'>) =>
  things.map((i) => ({
    id: i.id,
    name: i.name,
    state: i.state,
    bag: i.bag,
    returned: i.returnedAt !== null,
    absence: i.absence,
    version: i.version,
  }));
