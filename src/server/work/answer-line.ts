import type { CommandInput } from '../../contracts/commands/commands.ts';
import { refuse, type Failure } from '../../contracts/failure.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { backToHands } from '../jobs/back-to-hands.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { countLater } from '../jobs/job-facts.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { moverOf } from '../stores/move.ts';
import { letGoFor, setAsideFor } from '../stores/set-aside.ts';
import { openLine } from './open-line.ts';

type Answer = Pick<CommandInput<'work.answer'>, 'answer' | 'by' | 'how'>;

/** Puts the answer on a line nobody has begun. */
async function answerOne(
  work: Work,
  { lineId, version }: { readonly lineId: number; readonly version: number },
  { answer, by, how }: Answer,
): Promise<Result<{ readonly line: WorkLine; readonly job: Job }, Failure>> {
  const opened = await openLine(work, lineId, version);
  if (!opened.ok) return opened;
  const { line, job } = opened.value;
  if (line.step !== 'ready') return fail(refuse(`Work on “${line.title}” has begun.`));
  const before = line.approval;
  await line.update(
    { approval: answer, approvedBy: by, approvedHow: how, approvedAt: work.now, version: line.version + 1 },
    { transaction: work.t },
  );
  await recordEvent(work, {
    jobId: job.id,
    kind: `customer said ${answer}`,
    entity: 'work line',
    entityId: line.id,
    fromVersion: version,
    data: { before, by, how },
  });
  return ok({ line, job });
}

/** Where nothing is asked any more, the job need not wait for a word. */
async function afterAnswers(work: Work, job: Job): Promise<void> {
  const asked = await work.models.WorkLine.count({
    where: { jobId: job.id, approval: 'asked' },
    transaction: work.t,
  });
  if (asked === 0) backToHands(job);
  await countLater(work, job);
}

/** Records the customer's yes or no to one line: by whom, how and when. A no takes the line out. */
export const answerLine = defineUseCase({
  name: 'work.answer',
  run: async (work, input) => {
    const done = await answerOne(work, input, input);
    if (!done.ok) return done;
    const { line, job } = done.value;
    await afterAnswers(work, job);
    await (input.answer === 'yes' ? setAsideFor : letGoFor)(moverOf(work), job, [line]);
    return ok({ version: done.value.line.version });
  },
});

/** The same for several lines of one job: all of them, or none. */
export const answerAll = defineUseCase({
  name: 'work.answer-all',
  run: async (work, { jobId, lines, ...answer }) => {
    let job: Job | null = null;
    const answered: WorkLine[] = [];
    for (const line of lines) {
      const done = await answerOne(work, line, answer);
      if (!done.ok) return done;
      if (done.value.job.id !== jobId) return fail(refuse('These lines are not all of this job.'));
      job = done.value.job;
      answered.push(done.value.line);
    }
    if (job) {
      await afterAnswers(work, job);
      await (answer.answer === 'yes' ? setAsideFor : letGoFor)(moverOf(work), job, answered);
    }
    return ok({ answered: lines.length });
  },
});
