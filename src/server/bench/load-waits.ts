import { Op } from 'sequelize';
import type { Database } from '../db/connection.ts';

const LATELY_MS = 12 * 3_600_000;

/** The rests that run or were over in the last hours, soonest first: what a bench wants to be told. */
export async function loadWaits({ models }: Pick<Database, 'models'>, now: Date = new Date()) {
  const jobs = await models.Job.findAll({
    where: {
      state: 'open',
      waitingFor: 'time',
      waitingUntil: { [Op.gt]: new Date(now.getTime() - LATELY_MS) },
    },
    attributes: ['number', 'waitingNote', 'waitingUntil'],
    order: [['waitingUntil', 'ASC']],
    limit: 40,
  });
  return jobs.map((j) => ({
    number: j.number,
    title: j.waitingNote,
    until: j.waitingUntil?.getTime() ?? 0,
  }));
}

export type BenchWait = Awaited<ReturnType<typeof loadWaits>>[number];
