import { invalidField, refuse } from '../../contracts/failure.ts';
import { ok } from '../../core/result.ts';
import { openJob } from '../jobs/open-job.ts';
import { lostNow, stringsComeOff } from '../work/strings-come-off.ts';
import { defineUseCase } from '../use-case/use-case.ts';

/**
 * The strings come off. What can be read only with them on must be read first, or a reason given; who did it, when, and
 * what was lost is kept. What is read from now on is not representative until strings are on again.
 */
export const takeStringsOff = defineUseCase({
  name: 'strings.off',
  run: async (work, input) => {
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    if (job.stringsState === 'off') return { ok: false, error: refuse('The strings are off already.') };
    const lost = await lostNow(work, job);
    const count = lost.readings.length + lost.items.length;
    if (count > 0 && input.reason === '') {
      const message = `${count} things can be read only with the strings on. Read them, or say why not.`;
      return { ok: false, error: invalidField('reason', message) };
    }
    await stringsComeOff(work, job, input.reason, lost);
    return ok({ lost: count });
  },
});
