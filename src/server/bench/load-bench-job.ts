import { judge } from '../../core/job/judge.ts';
import { namesOf } from '../../core/job/shop.ts';
import { saidView } from '../../core/job/views/words.ts';
import { workOrderView } from '../../core/job/views/work-order.ts';
import type { Database } from '../db/connection.ts';
import { readJobNumber } from '../jobs/read-job.ts';

/** What the Bench shows of the job in these hands: its work order and what was said over it, no more. Null when there is none. */
export async function loadBenchJob({ models }: Database, number: number, now: Date = new Date()) {
  const g = await readJobNumber(models, number, ['remarks', 'passings', 'clocks', 'cuts', 'photos']);
  if (!g) return null;
  const { job, shop } = g;
  const [name, place] = [namesOf(shop), job.placeId && (await models.Place.findByPk(job.placeId))];
  const order = workOrderView(g, judge(g), name, now);
  return {
    id: job.id,
    number: job.number,
    state: job.state,
    instrument: {
      name: `${g.instrument.maker} ${g.instrument.model}`.trim(),
      construction: g.instrument.construction,
    },
    stringsState: job.stringsState,
    place: place ? place.name : null,
    neededBy: job.neededBy,
    holder: name(job.holderId),
    people: shop.people.map((p) => ({ id: p.id, name: p.name })),
    photos: g.photos.map((p) => ({ id: p.id, markId: p.markId, item: p.item, by: name(p.takenBy) })),
    lines: order.lines,
    queue: order.queue,
    waits: order.waits,
    ...saidView(g, name),
  };
}

export type BenchJob = NonNullable<Awaited<ReturnType<typeof loadBenchJob>>>;
