import type { CommandInput } from '../../contracts/commands/commands.ts';
import { invalidField, refuse, type Failure } from '../../contracts/failure.ts';
import { agreedOperation, isStringing } from '../../core/catalogue/operations.ts';
import { sayPlaces } from '../../core/readings/say-places.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import type { WorkLine } from '../db/models/work.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { catalogueOf } from '../house/load-operations.ts';
import { readJob } from '../jobs/read-job.ts';
import { countLater } from '../jobs/job-facts.ts';
import { judge } from '../../core/job/judge.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { benchOrder } from '../../core/work/bench-order.ts';
import { isPassable, sayHindrance } from '../../core/work/may-start.ts';
import { stopClocks, takeUp } from './clocks.ts';
import { openLine } from './open-line.ts';
import { moverOf } from '../stores/move.ts';
import { forgetWants, hangByParts } from '../stores/wants.ts';
import { restAfterSteps } from './rest.ts';
import { undoStep } from './undo-step.ts';
import { lostNow, stringsComeOff, stringsStayedOn } from './strings-come-off.ts';

type Input = CommandInput<'work.step'>;
type Action = Exclude<Input['action'], 'undo'>;
type Change = Pick<WorkLine, 'step' | 'finishedAt' | 'finishedBy'>;

const MAY_COME_FROM: Readonly<Record<Action, readonly WorkLine['step'][]>> = {
  start: ['ready', 'paused'],
  pause: ['running'],
  finish: ['running', 'paused'],
  reopen: ['finished'],
};
const GOES_TO: Readonly<Record<Action, WorkLine['step']>> = {
  start: 'running',
  pause: 'paused',
  finish: 'finished',
  reopen: 'paused',
};

/** Why a step may not be begun now, or null. A rest, and what was only not read, can be passed by, with a reason. */
async function whyNotStart(work: Work, job: Job, line: WorkLine, without: string): Promise<Failure | null> {
  const g = await readJob(work.models, job, ['clocks'], work.t);
  const now = work.now.getTime();
  const bench = benchOrder(g, judge(g), g.clocks, now);
  const own = bench.ordered.find((l) => l.id === line.id) ?? line;
  const found = bench.hindrances(own).map((h) => {
    const stations = h.kind === 'reading' ? h.stations : [];
    const labels = bench.places.filter((p) => stations.includes(p.key)).map((p) => p.label);
    const said = sayHindrance(h, now);
    return { words: labels.length === 0 ? said : `${said} ${sayPlaces(labels)}.`, passable: isPassable(h) };
  });
  const firm = found.find((h) => !h.passable);
  if (firm) return refuse(firm.words);
  return found.length === 0 || without !== ''
    ? null
    : invalidField('without', `${found.map((h) => h.words).join(' ')} Or say why it is begun without.`);
}

async function carryOut(
  work: Work,
  { action }: { readonly action: Action },
  line: WorkLine,
  job: Job,
): Promise<Change> {
  await stopClocks(work, { lineId: line.id });
  if (action === 'start') await takeUp(work, line, job);
  const finished = action === 'finish';
  return {
    step: GOES_TO[action],
    finishedAt: finished ? work.now : null,
    finishedBy: finished ? work.actor.personId : null,
  };
}

/** What a step becomes, or why it may not. */
async function changeOf(
  work: Work,
  input: Input,
  line: WorkLine,
  job: Job,
): Promise<Result<Change, Failure>> {
  const { action, without = '' } = input;
  if (action === 'undo') return undoStep(work, line);
  if (line.approval !== 'yes') return fail(refuse('The customer has not said yes to this line.'));
  if (!MAY_COME_FROM[action].includes(line.step))
    return fail(refuse(`A step that is ${line.step} cannot ${action}.`));
  if (action === 'start') {
    const why = await whyNotStart(work, job, line, without);
    if (why) return fail(why);
  }
  if (action === 'finish') {
    const stands = await work.models.WorkLine.findOne({
      where: { jobId: job.id, stops: line.id, approval: 'asked' },
      transaction: work.t,
    });
    if (stands) return fail(refuse(`Stands still until the customer has answered “${stands.title}”.`));
  }
  return ok(await carryOut(work, { action }, line, job));
}

/** The record of the strings follows the step that takes them off: done, they are off; not done after all, they are on as before. */
async function sayStrings(work: Work, job: Job, done: boolean, doneBefore: Date | null): Promise<void> {
  if (done && job.stringsState !== 'off') await stringsComeOff(work, job, '', await lostNow(work, job));
  if (!done && doneBefore !== null && job.stringsState === 'off')
    await stringsStayedOn(work, job, doneBefore);
}

/** Carries out one action on a line that was opened: its clock, its rest, its event. */
export async function stepOpened(
  work: Work,
  input: Input,
  { line, job }: { readonly line: WorkLine; readonly job: Job },
): Promise<Result<number, Failure>> {
  const before = { step: line.step, finishedAt: line.finishedAt, finishedBy: line.finishedBy };
  const change = await changeOf(work, input, line, job);
  if (!change.ok) return change;
  await line.update({ ...change.value, version: line.version + 1 }, { transaction: work.t });
  if (input.action !== 'start' && input.action !== 'pause') {
    await restAfterSteps(work, job);
    if (input.action === 'finish') await forgetWants(moverOf(work), job, line.id);
    await hangByParts(work, job);
  }
  await countLater(work, job);
  const finished = input.action === 'finish';
  const { stale, strings } = agreedOperation(line, await catalogueOf(work.models, work.t));
  if (strings === 'off') await sayStrings(work, job, line.step === 'finished', before.finishedAt);
  await recordEvent(work, {
    jobId: job.id,
    kind: input.action === 'undo' ? 'step undone' : `step ${input.action}`,
    entity: 'work line',
    entityId: line.id,
    fromVersion: line.version - 1,
    data: {
      before: before.step,
      ...(input.action === 'undo' && { after: line.step }),
      ...(input.action === 'reopen' && { finishedAt: before.finishedAt, finishedBy: before.finishedBy }),
      ...(input.without && { without: input.without }),
      stale: finished ? stale : [],
    },
  });
  return ok(line.version);
}

/** A stringing is not finished while the record says that the strings are off: which went on is said with it. */
async function stringsUnsaid({ models, t }: Work, line: WorkLine, job: Job): Promise<Failure | null> {
  if (job.stringsState !== 'off') return null;
  return isStringing(agreedOperation(line, await catalogueOf(models, t)))
    ? refuse('The strings are off by the record: say which went on, that finishes it.')
    : null;
}

/**
 * Starts, pauses, finishes or reopens a step, or takes the last of these back; time is counted. A finished step makes its
 * readings stale and begins its rest.
 */
export const stepLine = defineUseCase({
  name: 'work.step',
  run: async (work, input) => {
    const opened = await openLine(work, input.lineId, input.version);
    if (!opened.ok) return opened;
    const { line, job } = opened.value;
    const unsaid = input.action === 'finish' ? await stringsUnsaid(work, line, job) : null;
    if (unsaid) return fail(unsaid);
    const version = await stepOpened(work, input, opened.value);
    return version.ok ? ok({ version: version.value }) : version;
  },
});
