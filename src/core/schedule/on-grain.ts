/** Work whose moments all lie on the grain of plans: what is done as soon as it can be begins and ends on it then, too. */
import { GRAIN, newBoard, type Board, type Seat } from './board.ts';
import { calendarOf, workedBefore, type Calendar } from './calendar.ts';
import type { ShopWork, Step, Worker } from './shop-work.ts';

const isOn = (moment: number): boolean => moment % GRAIN === 0;
const before = (moment: number): number => Math.floor(moment / GRAIN) * GRAIN;
const after = (moment: number): number => Math.ceil(moment / GRAIN) * GRAIN;

const stepOn = (s: Step, isWhole: boolean): Step => ({
  ...s,
  // Longer hours do not make whole what was longer than all of them.
  cut: !isWhole,
  wait: before(s.wait),
  pin: s.pin === null ? null : before(s.pin),
  waits: s.waits && {
    ...s.waits,
    until: { ...s.waits.until, likely: before(Math.max(0, s.waits.until.likely)) },
  },
});

const calendarOn = (c: Calendar): Calendar =>
  c.from.every(isOn) && c.to.every(isOn)
    ? c
    : calendarOf(c.from.map((from, i) => ({ from: before(from), to: after(c.to[i] ?? from) })));

/**
 * The same work on the grain: people work from a little sooner until a little later, rests and what is waited for end a little sooner,
 * by less than the grain. Whatever can be done in a shop's time can be done in this, and as soon.
 */
export function onGrain(work: ShopWork): ShopWork {
  const whole = new Set(newBoard(work).steps.flatMap((s) => (s.whole ? [s.step.id] : [])));
  return {
    ...work,
    workers: work.workers.map((w) => ({ ...w, calendar: calendarOn(w.calendar) })),
    jobs: work.jobs.map((j) => ({ ...j, steps: j.steps.map((s) => stepOn(s, whole.has(s.id))) })),
  };
}

/** Where something stands in work that was put on the grain: its rest ends a little sooner, too. */
export function seatOnGrain(s: Seat, { calendar }: Worker): Seat {
  const free = Math.max(s.end, before(s.free));
  return { ...s, free, hold: Math.min(s.hold, free), worked: workedBefore(calendar, s.start) };
}

const isSeatOn = (s: Seat): boolean => isOn(s.start) && isOn(s.end) && isOn(s.free);

/** Whether all moments of a board lie on the grain. */
export const isOnGrain = ({ calendars, steps, seats }: Board): boolean =>
  calendars.every((c) => c.from.every(isOn) && c.to.every(isOn)) &&
  steps.every(
    ({ minutes, earliest, step }) =>
      isOn(minutes) && isOn(earliest) && isOn(step.wait) && isOn(step.pin ?? 0),
  ) &&
  seats.every((s) => s === null || isSeatOn(s));
