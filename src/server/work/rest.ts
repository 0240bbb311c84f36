import { agreedOperation } from '../../core/catalogue/operations.ts';
import { restsSince, runningWait } from '../../core/work/waits.ts';
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
  const lastTurn = turned?.getTime() ?? null;
  const rest = runningWait(
    lines.map((l) => ({
      lineId: l.id,
      title: l.title,
      finishedAt: restsSince(l.finishedAt?.getTime() ?? null, l.operation === 'rod' ? lastTurn : null),
      wait: agreedOperation(l, catalogue).wait,
    })),
    now.getTime(),
  );
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
