import { copyBoard, type Board } from './board.ts';
import { finishOf } from './cost.ts';
import { fixedSteps, liftJob, placeJob } from './place.ts';

/** Less to spare than this before its day, minutes, and a job is done as soon as there is room. A number of the trade. */
const TO_SPARE = 1440;
/** Room that is not so much sooner is not worth a move, minutes. */
const WORTH_MOVING = 60;

/**
 * What would be ready on the last day before it is wanted, or later, moves up where there is room for it anyway: what is in time
 * by the likely minutes alone is in time by luck. Nothing else moves, nor what runs or was put somewhere.
 * @param b a plan
 * @returns the plan with what moved up; the same one where nothing did
 */
export function pullUp(b: Board): Board {
  const wanted = (job: number): number =>
    Math.min(b.work.jobs[job]?.due ?? Infinity, b.work.jobs[job]?.promised ?? Infinity);
  const pressed = b.ofJob
    .map((_, job) => ({
      job,
      wanted: wanted(job),
      hard: b.work.jobs[job]?.hard === true,
      is: finishOf(b, job),
    }))
    .filter(({ wanted: w, is }) => w < Infinity && is !== null && is > w - TO_SPARE)
    .sort((x, y) => Number(y.hard) - Number(x.hard) || x.wanted - y.wanted || x.job - y.job);
  if (pressed.length === 0) return b;
  const fixed = fixedSteps(b);
  let best = b;
  for (const { job, is } of pressed) {
    const other = copyBoard(best);
    liftJob(other, job, fixed);
    placeJob(other, job);
    const sooner = finishOf(other, job);
    if (sooner !== null && sooner <= (is ?? 0) - WORTH_MOVING) best = other;
  }
  return best;
}
