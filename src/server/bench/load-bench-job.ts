import type { Database } from '../db/connection.ts';
import { gatherJob } from '../jobs/gather-job.ts';
import { judge } from '../jobs/judge.ts';
import { saidView, workView } from '../work/work-view.ts';

/** What the Bench shows of the job in these hands: its work order and what was said over it, no more. Null when there is none. */
export async function loadBenchJob(db: Database, number: number, now: Date = new Date()) {
  const { models } = db;
  const job = await models.Job.findOne({ where: { number } });
  if (!job) return null;
  const [g, people, place, photos] = await Promise.all([
    gatherJob(models, job),
    models.Person.findAll({ attributes: ['id', 'name'], order: [['name', 'ASC']] }),
    job.placeId === null ? null : models.Place.findByPk(job.placeId),
    models.Photo.findAll({ where: { jobId: job.id, removedAt: null }, order: [['id', 'ASC']] }),
  ]);
  const name = (id: number | null) => people.find((p) => p.id === id)?.name ?? '';
  const [order, said] = await Promise.all([workView(db, g, judge(g), name, now), saidView(db, job.id, name)]);
  return {
    id: job.id,
    number: job.number,
    state: job.state,
    instrument: { name: `${g.instrument.maker} ${g.instrument.model}`.trim() },
    place: place?.name ?? null,
    neededBy: job.neededBy,
    holder: name(job.holderId),
    people: people.map((p) => ({ id: p.id, name: p.name })),
    photos: photos.map((p) => ({ id: p.id, markId: p.markId, item: p.item, by: name(p.takenBy) })),
    lines: order.lines,
    queue: order.queue,
    ...said,
  };
}

export type BenchJob = NonNullable<Awaited<ReturnType<typeof loadBenchJob>>>;
