import { restsOf } from '../../core/work/rests-of.ts';
import type { Job } from '../db/models/jobs.ts';
import type { RodTurn } from '../db/models/work.ts';
import { catalogueOf } from '../house/load-operations.ts';
import type { Work } from '../use-case/use-case.ts';

/** What an instrument rests after, as its finished steps say now: hangs it under Time until the last rest is over. */
export async function restAfterSteps({ models, t, now }: Work, job: Job): Promise<void> {
  const [lines, catalogue, turned] = await Promise.all([
    models.WorkLine.findAll({ where: { jobId: job.id, step: 'finished' }, transaction: t }),
    catalogueOf(models, t),
    models.RodTurn.max<Date | null, RodTurn>('turnedAt', { where: { jobId: job.id }, transaction: t }),
  ]);
  const rest = restsOf(lines, catalogue, turned?.getTime() ?? null).find((w) => w.until > now.getTime());
  if (rest) {
    job.set({
      waitingFor: 'time',
      waitingNote: rest.title.slice(0, 200),
      waitingUntil: new Date(rest.until),
      version: job.version + 1,
    });
  } else if (job.waitingFor === 'time' && job.waitingUntil !== null) {
    job.set({ waitingFor: 'hands', waitingNote: '', waitingUntil: null, version: job.version + 1 });
  }
}
