import type { CommandInput } from '../../contracts/commands/commands.ts';
import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import { agreedOperation, isStringing } from '../../core/catalogue/operations.ts';
import { saidOf } from '../../core/instrument/assumed.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { currentAfterRound, openRound } from '../readings/open-round.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { openLine } from '../work/open-line.ts';
import { stepOpened } from '../work/step-line.ts';

type Input = CommandInput<'strings.on'>;

/** What of it cannot be: a gauge too few, a string the instrument does not have. */
function wrongField({ strings, newOnes = [], broke = [] }: Input, count: number): Failure | null {
  if (strings.length !== count)
    return invalidField('strings', `${count} gauges are needed; ${strings.length} are written.`);
  if (newOnes.some((n) => n > count)) return invalidField('newOnes', `It has ${count} strings.`);
  return broke.some((n) => n > count) ? invalidField('broke', `It has ${count} strings.`) : null;
}

/** Finishes the step this was, begun in the same moment where nobody had begun it. */
async function finishStep(
  work: Work,
  job: Job,
  { finishes, without = '' }: Input,
): Promise<Result<null, Failure>> {
  if (!finishes) return ok(null);
  const opened = await openLine(work, finishes.lineId, finishes.version);
  if (!opened.ok) return opened;
  const { line } = opened.value;
  if (line.jobId !== job.id) return fail(refuse('That step is another job’s.'));
  if (!isStringing(agreedOperation(line, await catalogueOf(work.models, work.t))))
    return fail(refuse(`“${line.title}” is no stringing.`));
  for (const action of line.step === 'ready' ? (['start', 'finish'] as const) : (['finish'] as const)) {
    const done = await stepOpened(
      work,
      { lineId: line.id, version: line.version, action, without },
      { line, job },
    );
    if (!done.ok) return done;
  }
  return ok(null);
}

async function keepChange({ models, t, actor, now }: Work, job: Job, input: Input): Promise<void> {
  await models.StringChange.create(
    {
      jobId: job.id,
      kind: 'on',
      lost: { readings: [], items: [] },
      setName: input.setName,
      fresh: input.fresh,
      newOnes: input.newOnes ?? null,
      broke: input.broke && input.broke.length > 0 ? input.broke : null,
      brokeNote: input.brokeNote ?? '',
      strings: input.strings,
      changedBy: actor.personId,
      changedAt: now,
    },
    { transaction: t },
  );
}

/**
 * Strings go on: which set, which are new, what broke, each gauge; the step that was for it is finished in the same transaction.
 * From here on readings belong to the round after the work; those taken before are stale where strings move them.
 */
export const putStringsOn = defineUseCase({
  name: 'strings.on',
  run: async (work, input) => {
    const { models, t } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const job = opened.value;
    const instrument = await models.Instrument.findByPk(job.instrumentId, {
      transaction: t,
      lock: t.LOCK.UPDATE,
    });
    if (!instrument) return { ok: false, error: refuse('This job has no instrument.') };
    const { construction } = instrument;
    const wrong = wrongField(input, construction.strings.length);
    if (wrong) return { ok: false, error: wrong };
    const stepped = await finishStep(work, job, input);
    if (!stepped.ok) return stepped;
    const before = construction.strings;
    await instrument.update(
      { construction: saidOf({ ...construction, strings: input.strings }, ['gauges', 'tuning']) },
      { transaction: t },
    );
    await keepChange(work, job, input);
    await job.update({ stringsState: 'at-pitch', version: job.version + 1 }, { transaction: t });
    const round = await openRound(work, job, await currentAfterRound(work, job));
    await round.update({ strings: 'at-pitch', version: round.version + 1 }, { transaction: t });
    await countLater(work, job);
    const { setName, fresh, newOnes = [], broke = [], brokeNote = '' } = input;
    await recordEvent(work, {
      jobId: job.id,
      kind: 'strings put on',
      entity: 'job',
      entityId: job.id,
      fromVersion: job.version - 1,
      data: { before, after: input.strings, setName, fresh, newOnes, broke, brokeNote },
    });
    return ok({ round: round.kind });
  },
});
