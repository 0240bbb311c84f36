import { learnedNumbers, type LearnedNumbers } from '../../core/learn/learned.ts';
import type { NumberId } from '../../core/learn/numbers.ts';
import type { Database } from '../db/connection.ts';
import { readShop } from '../house/read-shop.ts';
import { asNumberedAct } from '../jobs/job-rows.ts';

/** An act as a screen shows it. */
export interface ShownAct {
  readonly number: NumberId;
  readonly job: number;
  readonly at: string;
  readonly between: string;
  readonly by: number;
  readonly gave: number;
}

/** What an instrument shows of itself now, with the acts behind it, the newest first; null when it is not known. */
export async function loadNumbers(
  { models }: Database,
  id: number,
): Promise<{ readonly numbers: LearnedNumbers; readonly acts: readonly ShownAct[] } | null> {
  const instrument = await models.Instrument.findByPk(id);
  if (!instrument) return null;
  const [shop, rows, ofKind, jobs] = await Promise.all([
    readShop(models),
    models.ActRow.findAll({ where: { instrumentId: id }, order: [['at', 'DESC']] }),
    models.KindNumber.findAll({ where: { kind: instrument.kind } }),
    models.Job.findAll({ attributes: ['id', 'number'], where: { instrumentId: id } }),
  ]);
  const numberOf = new Map(jobs.map((j) => [j.id, j.number]));
  const acts = rows.map(asNumberedAct);
  return {
    numbers: learnedNumbers(
      instrument.construction.kind,
      shop.planning,
      acts,
      acts,
      Object.fromEntries(ofKind.map((k) => [k.number, k])),
    ),
    acts: rows.map((r) => ({
      number: r.number,
      job: numberOf.get(r.jobId) ?? 0,
      at: r.at.toISOString(),
      between: r.between,
      by: Number(r.moved),
      gave: Number(r.gave),
    })),
  };
}
