/** What there is little of in a shop: hands of a level of skill, places of a kind. */
import type { Board } from './board.ts';
import { workedBefore } from './calendar.ts';
import { askedOf } from './skill-price.ts';

/** So many stretches of work tell how much the shop works. */
const SOME_STRETCHES = 40;

/** What jobs wait for: how long all of it that there is takes for each of them, and for all together; minutes. */
export interface Queue {
  readonly ofJob: readonly number[];
  readonly all: number;
}

/** How many minutes all of some people together work in a minute, on average over their next stretches of work. */
function paceOf(b: Board, all: Board['calendars']): number {
  const until = Math.max(1, ...b.calendars.flatMap((c) => c.to.slice(0, SOME_STRETCHES).slice(-1)));
  return Math.max(1e-6, all.reduce((sum, c) => sum + workedBefore(c, until), 0) / until);
}

const queueOf = (ofJob: readonly number[]): Queue => ({
  ofJob,
  all: ofJob.reduce((sum, one) => sum + one, 0),
});

/** What all jobs of a board wait for of each kind of place. */
export function placeQueuesOf(b: Board): Queue[] {
  const open = paceOf(b, [b.anybody]);
  return [...new Set(b.work.spots.map((s) => s.kind))].map((kind) => {
    const many = b.work.spots.filter((s) => s.kind === kind).length;
    return queueOf(
      b.ofJob.map((own) => own.reduce((sum, at) => sum + placeTime(b, at, kind, open), 0) / many),
    );
  });
}

/** What all jobs of a board wait for: hands of each level of skill and above, and each kind of place. */
export function queuesOf(b: Board): Queue[] {
  const hands = [...new Set(b.work.workers.map((w) => w.skill))].map((level) => {
    const able = b.calendars.filter((_, i) => (b.work.workers[i]?.skill ?? 0) >= level);
    const has = paceOf(b, able);
    return queueOf(b.ofJob.map((_, job) => askedOf(b, job, level) / has));
  });
  return [...hands, ...placeQueuesOf(b)];
}

/**
 * How long a step has a place of a kind, minutes: hands only have it in open hours, what rests at any hour.
 * @param open which part of all time the shop is open
 */
function placeTime(b: Board, at: number, kind: string, open: number): number {
  const own = b.steps[at];
  if (!own?.where || own.step.place !== kind) return 0;
  return own.minutes / open + (own.step.holds ? own.step.wait : 0);
}

/**
 * How much each job takes of what there is little of, minutes: of all that it waits for, the more it counts the longer all jobs together
 * wait for that.
 * @param power how much more the longest queue counts than others; 0: all count the same
 */
export function takesOf(queues: readonly Queue[], jobs: number, power: number): Float64Array {
  const takes = new Float64Array(jobs);
  const longest = Math.max(1e-9, ...queues.map(({ all }) => all));
  for (const { ofJob, all } of queues) {
    const counts = (all / longest) ** power;
    ofJob.forEach((one, job) => {
      takes[job] = (takes[job] ?? 0) + counts * one;
    });
  }
  return takes;
}
