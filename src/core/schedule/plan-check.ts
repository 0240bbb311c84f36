import { piecesBetween } from './calendar.ts';
import type { ShopWork, Step, WeekPlan, Worker } from './shop-work.ts';

type Placed = WeekPlan['steps'][number];
type Say = (words: string) => void;

/** What one step breaks of its worker's hours, its own minutes and rest, its place, and what comes before it. */
function brokenAlone(work: ShopWork, s: Step, p: Placed, at: ReadonlyMap<string, Placed>, say: Say): void {
  const worker = work.workers.find((w) => w.id === p.worker);
  if (!worker) {
    say(`${s.id}: nobody of that number`);
    return;
  }
  const pieces = piecesBetween(worker.calendar, p.start, p.end);
  const worked = pieces.reduce((sum, x) => sum + x.to - x.from, 0);
  if (pieces[0]?.from !== p.start || pieces.at(-1)?.to !== p.end)
    say(`${s.id}: outside the hours of ${worker.name}`);
  if (worked < s.minutes.likely || worked >= s.minutes.likely + 5 + 1e-9) say(`${s.id}: ${worked} minutes`);
  const may = (w: Worker): boolean => (s.only === null ? w.skill >= s.skill : s.only.includes(w.id));
  const fits = work.workers.some(
    (w) => may(w) && w.calendar.from.some((from, i) => (w.calendar.to[i] ?? 0) - from >= worked),
  );
  if (!s.cut && fits && pieces.length > 1) say(`${s.id}: cut`);
  if (!may(worker)) say(`${s.id}: ${worker.name} may not`);
  const spot = work.spots.find((x) => x.id === p.spot);
  const needs = s.place !== null && work.spots.some((x) => x.kind === s.place);
  if (needs && spot?.kind !== s.place) say(`${s.id}: not at ${s.place ?? ''}`);
  const until = s.holds ? p.free : p.end;
  if (spot?.out.some((o) => o.from < until && p.start < o.to))
    say(`${s.id}: ${spot.name} cannot be used then`);
  if (p.free !== p.end + s.wait) say(`${s.id}: its rest`);
  if (s.pin !== null && p.start < s.pin) say(`${s.id}: before it was put there`);
  if (s.waits && p.start < s.waits.until.likely) say(`${s.id}: before what it waits for`);
  for (const id of s.after) {
    const before = at.get(id);
    if (!before || before.free > p.start) say(`${s.id}: before ${id} is done and has rested`);
  }
}

/** Steps that have the same of something at the same time. */
function brokenTogether(
  steps: readonly Placed[],
  of: (p: Placed) => string | null,
  until: (p: Placed) => number,
  say: Say,
): void {
  const last = new Map<string, Placed>();
  for (const p of [...steps].sort((x, y) => x.start - y.start)) {
    const key = of(p);
    if (key === null) continue;
    const before = last.get(key);
    if (before && until(before) > p.start) say(`${before.step} and ${p.step}: both at ${key}`);
    if (!before || until(before) < until(p)) last.set(key, p);
  }
}

/**
 * What a plan breaks of what holds in the shop, in words; nothing where it can be done as it stands. Counted from the plan
 * and the work alone, not from the way it was found.
 */
export function whatBreaks(work: ShopWork, plan: WeekPlan): string[] {
  const broken: string[] = [];
  const say: Say = (words) => broken.push(words);
  const at = new Map(plan.steps.map((p) => [p.step, p]));
  const all = work.jobs.flatMap((j) => j.steps);
  for (const s of all) {
    const p = at.get(s.id);
    if (p) brokenAlone(work, s, p, at, say);
  }
  const holds = new Set(all.filter((s) => s.holds).map((s) => s.id));
  brokenTogether(
    plan.steps,
    (p) => `worker ${p.worker}`,
    (p) => p.end,
    say,
  );
  brokenTogether(
    plan.steps,
    (p) => `job ${p.job}`,
    (p) => p.free,
    say,
  );
  brokenTogether(
    plan.steps,
    (p) => p.spot,
    (p) => (holds.has(p.step) ? p.free : p.end),
    say,
  );
  return broken;
}
