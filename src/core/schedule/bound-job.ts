/** The cheapest way to do one job at given prices of everybody's time: every order of its steps, every hand, every moment. */
import type { Board } from './board.ts';
import type { AskedJob, AskedStep, Costs, LastStep } from './bound-asked.ts';
import type { BoundTime } from './bound-time.ts';
import { costWhenReady, UNPLACED } from './cost.ts';

/** A step of a way: by whom, and the cell it begins in. */
export interface WayStep {
  readonly step: AskedStep;
  readonly worker: number;
  readonly cell: number;
}

/** The cheapest way of a job, and what it costs with what is paid for hands and places. */
export interface Way {
  readonly cost: number;
  readonly steps: readonly WayStep[];
}

/** What one more step follows on, and what it costs: by cell. */
interface Follows {
  /** what it costs that all before is done, by the same hand the last; null: it cannot have been */
  readonly own: Float64Array | null;
  readonly any: Float64Array;
  readonly hands: number;
  readonly next: Int32Array;
  readonly price: Float64Array;
  readonly place: Float64Array | null;
}

/** Where it is written down. */
interface Written {
  readonly line: Float64Array;
  readonly from: Int32Array;
  readonly n: number;
}

/** One more step, begun in each cell: what is cheaper than what was found is written down in the cell in which it is over. */
function follow(
  f: Follows,
  { line, from, n }: Written,
  [first, end, most]: readonly [number, number, number],
): void {
  const { own, any, hands, next, price, place } = f;
  for (let cell = first; cell <= end; cell++) {
    const over = next[cell] as number;
    if (over < 0) continue;
    if (over > end) break;
    let cost = (any[cell] as number) + hands;
    if (own !== null && (own[cell] as number) < cost) cost = own[cell] as number;
    cost += price[cell] as number;
    if (place !== null) cost += place[cell] as number;
    if (cost >= most || cost >= (line[over] as number)) continue;
    line[over] = cost;
    from[over] = (cell << 6) | n;
  }
}

/** What was done by a cell is done by every later one. */
function soonestFirst(line: Float64Array, from: Int32Array, least: Float64Array, end: number): void {
  let best = Infinity;
  let at = 0;
  for (let cell = 0; cell <= end; cell++) {
    const cost = line[cell] as number;
    if (cost < best) {
      best = cost;
      at = from[cell] as number;
    } else {
      line[cell] = best;
      from[cell] = at;
    }
    if (best < (least[cell] as number)) least[cell] = best;
  }
}

/** Room to look for ways in, used again for each job. */
export class WaySearch {
  /** by set and worker: the least it costs that the set is done by each cell, with that hand the last */
  private readonly least: Float64Array[][] = [];
  /** by set: the same, whoever is last */
  private readonly any: Float64Array[] = [];
  /** by set and worker: the cell in which the last step begins, and which of the set's last steps it is */
  private readonly from: Int32Array[][] = [];
  /** by set: whose hands can have been the last */
  private readonly hands: Set<number>[] = [];

  private readonly b: Board;
  private readonly t: BoundTime;

  constructor(b: Board, t: BoundTime) {
    this.b = b;
    this.t = t;
  }

  private room(sets: number): void {
    const cells = this.t.from.length;
    const workers = this.b.calendars.length;
    while (this.least.length < sets) {
      this.least.push(Array.from({ length: workers }, () => new Float64Array(cells)));
      this.from.push(Array.from({ length: workers }, () => new Int32Array(cells)));
      this.any.push(new Float64Array(cells));
      this.hands.push(new Set());
    }
  }

  /** What a way costs at the present prices. */
  costOfWay({ job, soonest }: AskedJob, { steps }: Way, costs: Costs): number {
    let cost = 0;
    let ready = soonest;
    let hand = this.b.work.workers.findIndex((w) => w.id === this.b.work.jobs[job]?.holder);
    for (const { step, worker, cell } of steps) {
      cost += costs.of(worker, step.minutes)[cell] ?? 0;
      if (step.place >= 0) cost += costs.of(step.place, step.placeMinutes)[cell] ?? 0;
      if (hand >= 0 && hand !== worker) cost += this.b.work.weights.hands;
      hand = worker;
      ready = Math.max(ready, (step.ends[step.who.indexOf(worker)]?.[cell] ?? 0) + step.wait);
    }
    return cost + costWhenReady(this.b, job, ready);
  }

  /**
   * The cheapest way of a job.
   * @param known some way of it, as far as there is one: nothing dearer is looked at
   */
  cheapest(asked: AskedJob, costs: Costs, known: Way | null): Way {
    const { t } = this;
    const last = t.from.length - 1;
    const most = known ? this.costOfWay(asked, known, costs) : Infinity;
    let end = last;
    if (known) {
      // Ready later than this it costs more by its dates alone.
      let low = 0;
      while (low < end) {
        const middle = (low + end) >> 1;
        if (costWhenReady(this.b, asked.job, t.from[middle] ?? 0) > most) end = middle;
        else low = middle + 1;
      }
    }
    this.room(asked.sets.length);
    this.begin(asked, end);
    for (let set = 1; set < asked.sets.length - 1; set++) this.fill(asked, set, costs, end, most);
    const found = this.finish(asked, costs, end, most);
    const way = found ?? known ?? { cost: 0, steps: [] };
    const cost = found ? found.cost : most;
    return cost >= UNPLACED ? { cost: UNPLACED, steps: [] } : { ...way, cost };
  }

  private begin({ holder }: AskedJob, end: number): void {
    const { hands } = this.b.work.weights;
    this.least[0]?.forEach((line, w) => line.fill(holder < 0 || w === holder ? 0 : hands, 0, end + 1));
    this.any[0]?.fill(0, 0, end + 1);
    this.b.calendars.forEach((_, w) => this.hands[0]?.add(w));
  }

  /** Fills in what it costs at least that a set of steps is done by each cell. */
  private fill(asked: AskedJob, set: number, costs: Costs, end: number, most: number): void {
    const lines = this.least[set] as Float64Array[];
    const froms = this.from[set] as Int32Array[];
    const hands = this.hands[set] as Set<number>;
    hands.clear();
    const choices = asked.sets[set] as readonly LastStep[];
    for (const { step } of choices) for (const w of (asked.steps[step] as AskedStep).who) hands.add(w);
    for (const w of hands) lines[w]?.fill(Infinity, 0, end + 1);
    choices.forEach(({ step: at, before }, n) => {
      const step = asked.steps[at] as AskedStep;
      const place = step.place < 0 ? null : costs.of(step.place, step.placeMinutes);
      step.who.forEach((w, i) => {
        const own = this.hands[before]?.has(w) ? this.least[before]?.[w] : null;
        follow(
          {
            own: own ?? null,
            any: this.any[before] as Float64Array,
            hands: this.b.work.weights.hands,
            next: step.next[i] as Int32Array,
            price: costs.of(w, step.minutes),
            place,
          },
          { line: lines[w] as Float64Array, from: froms[w] as Int32Array, n },
          [step.first, end, most],
        );
      });
    });
    const least = this.any[set] as Float64Array;
    least.fill(Infinity, 0, end + 1);
    for (const w of hands) soonestFirst(lines[w] as Float64Array, froms[w] as Int32Array, least, end);
  }

  /** The last step of all: what its end costs is told by the minute. */
  private finish(asked: AskedJob, costs: Costs, end: number, most: number): Way | null {
    const set = asked.sets.length - 1;
    const { hands } = this.b.work.weights;
    const stay = this.b.work.weights.stay / 60;
    let least = most;
    let found: { readonly worker: number; readonly cell: number; readonly n: number } | null = null;
    const choices = asked.sets[set] as readonly LastStep[];
    for (let n = 0; n < choices.length; n++) {
      const { step: at, before } = choices[n] as LastStep;
      const step = asked.steps[at] as AskedStep;
      const place = step.place < 0 ? null : costs.of(step.place, step.placeMinutes);
      const any = this.any[before] as Float64Array;
      for (let i = 0; i < step.who.length; i++) {
        const w = step.who[i] as number;
        const own = this.hands[before]?.has(w) ? (this.least[before]?.[w] ?? null) : null;
        const ends = step.ends[i] as Float64Array;
        const price = costs.of(w, step.minutes);
        for (let cell = step.first; cell <= end; cell++) {
          const done = ends[cell] as number;
          if (done < 0) continue;
          let cost = (any[cell] as number) + hands;
          if (own !== null && (own[cell] as number) < cost) cost = own[cell] as number;
          cost += (price[cell] as number) + (place ? (place[cell] as number) : 0);
          if (cost + stay * done >= least) continue;
          const whole = cost + costWhenReady(this.b, asked.job, Math.max(asked.soonest, done + step.wait));
          if (whole >= least) continue;
          least = whole;
          found = { worker: w, cell, n };
        }
      }
    }
    return found && { cost: least, steps: this.wayBack(asked, set, found) };
  }

  private wayBack(
    asked: AskedJob,
    all: number,
    end: { readonly worker: number; readonly cell: number; readonly n: number },
  ): WayStep[] {
    const { hands } = this.b.work.weights;
    const steps: WayStep[] = [];
    let { worker, cell, n } = end;
    for (let set = all; set > 0;) {
      const choice = asked.sets[set]?.[n];
      if (!choice) break;
      steps.push({ step: asked.steps[choice.step] as AskedStep, worker, cell });
      set = choice.before;
      if (set === 0) break;
      const last = this.hands[set] ?? new Set();
      const kept = last.has(worker) ? (this.least[set]?.[worker]?.[cell] ?? Infinity) : Infinity;
      const any = this.any[set]?.[cell] ?? Infinity;
      if (any + hands < kept) worker = [...last].find((w) => this.least[set]?.[w]?.[cell] === any) ?? worker;
      const from = this.from[set]?.[worker]?.[cell] ?? 0;
      [cell, n] = [from >> 6, from & 63];
    }
    return steps.reverse();
  }
}
