import type { Database } from '../db/connection.ts';
import { readTogether } from '../db/read-together.ts';
import { gatherJob } from '../jobs/gather-job.ts';
import { judge } from '../../core/job/judge.ts';
import { entryRows, saidRows, saidView, workView } from '../work/work-view.ts';

/** What the Bench shows of the job in these hands: its work order and what was said over it, no more. Null when there is none. */
export async function loadBenchJob(db: Database, number: number, now: Date = new Date()) {
  const { models } = db;
  const job = await models.Job.findOne({ where: { number } });
  if (!job) return null;
  const [g, rows] = await Promise.all([
    gatherJob(models, job),
    readTogether(
      db.sequelize,
      {
        ...saidRows(models),
        entries: entryRows(models),
        places: { model: models.Place, where: 'id = :place' },
        photos: { model: models.Photo, where: 'job_id = :job AND removed_at IS NULL' },
      } as const,
      { job: job.id, place: job.placeId },
    ),
  ]);
  const { people } = g.shop;
  const { photos } = rows;
  const [place] = rows.places;
  const name = (id: number | null) => people.find((p) => p.id === id)?.name ?? '';
  const order = workView(g, judge(g), rows.entries, name, now);
  const said = saidView(rows, name);
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
