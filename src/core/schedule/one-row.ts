/** A plan as one row of steps: each stands as soon as those before it in the row allow. What moves in it moves all that hangs on it. */
import { isSpotFree, spotFrom, type Board, type BoardStep, type Seat } from './board.ts';
import { boardWith } from './bound.ts';
import { costWhenReady, movedCost } from './cost.ts';
import { compared, Otherwise, SAME, SOONER } from './otherwise.ts';
import { heldOf } from './row-held.ts';
import { freePieces, momentsOf, pieceAfter, type FreePieces } from './row-pieces.ts';

/** What is asked of a step: to lie in one piece, a place; and that it stood somewhere before. */
const WHOLE = 1;
const PLACED = 2;
const STOOD = 4;
/** What is written down of a step before it stands anew. */
const WRITTEN = 6;

/** A plan as one row of steps, numbered as they came. Moments are minutes. What is held stands where it stands. */
export class Row {
  readonly steps: readonly BoardStep[];
  /** by position in the row: the step; and the other way round */
  readonly list: Int32Array;
  readonly at: Int32Array;
  /** the step of the same job before each, and after it; −1: none */
  readonly prev: Int32Array;
  readonly next: Int32Array;
  readonly hand: Int32Array;
  readonly jobOf: Int32Array;
  /** by job: its first step; −1: it is not in the row */
  readonly first: Int32Array;
  /** what the jobs of the row cost */
  cost = 0;
  /** how many steps the last change stood anew */
  stood = 0;

  private readonly frame: Board;
  private readonly free: FreePieces;
  /** by step: what its person has worked when it begins, and when its instrument has rested */
  private readonly worked: Float64Array;
  private readonly rested: Float64Array;
  private readonly spot: Int32Array;
  private readonly hold: Float64Array;
  /** what it costs that it stands elsewhere than before */
  private readonly moves: Float64Array;
  private readonly earliest: Float64Array;
  private readonly minutes: Float64Array;
  private readonly wait: Float64Array;
  private readonly is: Uint8Array;
  private readonly placed: readonly number[];
  /** by job: whose hands it is in before its first step of the row; −1: nobody’s */
  private readonly before: readonly number[];
  /** by job: what its end costs, and how often it changes hands */
  private readonly ends: Float64Array;
  private readonly changes: Int32Array;
  /** as far as the row is stood: what everybody has worked, the piece they are in, until when places are taken */
  private readonly last: Float64Array;
  private readonly piece: Int32Array;
  private readonly taken: Float64Array;
  private readonly otherwise: Otherwise;
  /** what was before the last change, by step that was stood anew */
  private readonly logStep: Int32Array;
  private readonly log: Float64Array;

  private readonly b: Board;

  /**
   * @param b a plan
   * @param held of each of its steps, whether it stays where it is; so do jobs of which one has no place, or others come before such a one
   */
  constructor(b: Board, held: readonly boolean[]) {
    this.b = b;
    const { stays, heldUntil, handBefore } = heldOf(b, held);
    this.frame = boardWith(
      b.work,
      b.seats.map((s, at) => (stays[at] ? s : null)),
    );
    this.free = freePieces(this.frame);
    this.steps = b.steps.filter(({ at }) => !stays[at]);
    const { steps } = this;
    const n = steps.length;
    const start = (node: number): number => b.seats[steps[node]?.at ?? -1]?.start ?? 0;
    this.list = Int32Array.from(steps.keys()).sort((x, y) => start(x) - start(y) || x - y);
    this.jobOf = Int32Array.from(steps, ({ job }) => job);
    this.hand = Int32Array.from(steps, ({ at }) => b.seats[at]?.worker ?? 0);
    [this.at, this.prev, this.next] = [
      new Int32Array(n),
      new Int32Array(n).fill(-1),
      new Int32Array(n).fill(-1),
    ];
    this.first = new Int32Array(b.ofJob.length).fill(-1);
    this.chain();
    this.minutes = Float64Array.from(steps, ({ minutes }) => minutes);
    this.wait = Float64Array.from(steps, ({ step }) => step.wait);
    this.earliest = Float64Array.from(steps, ({ job, earliest, step }) =>
      Math.max(earliest, step.pin ?? 0, heldUntil[job] ?? 0),
    );
    this.before = handBefore;
    this.is = Uint8Array.from(
      steps,
      (s) => (s.whole ? WHOLE : 0) | (s.where ? PLACED : 0) | (b.work.before[s.step.id] ? STOOD : 0),
    );
    this.placed = steps.flatMap((s, node) => (s.where ? [node] : []));
    [this.worked, this.rested, this.hold] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
    this.spot = new Int32Array(n).fill(-1);
    this.moves = new Float64Array(n);
    [this.ends, this.changes] = [new Float64Array(b.ofJob.length), new Int32Array(b.ofJob.length)];
    const people = b.calendars.length;
    [this.last, this.piece] = [new Float64Array(people), new Int32Array(people)];
    this.taken = new Float64Array(b.spots.length);
    this.otherwise = new Otherwise(b);
    [this.logStep, this.log] = [new Int32Array(n), new Float64Array(WRITTEN * n)];
    this.makeLike(this);
  }

  /** Numbers positions, and chains the steps of each job. */
  private chain(): void {
    const last = new Map<number, number>();
    this.list.forEach((node, position) => {
      this.at[node] = position;
      const job = this.jobOf[node] as number;
      const before = last.get(job) ?? -1;
      if (before < 0) this.first[job] = node;
      else this.next[before] = node;
      this.prev[node] = before;
      last.set(job, node);
    });
  }

  /** Counts anew how often a job changes hands. @returns by how much it costs more */
  handsAgain(job: number): number {
    let [last, count] = [this.before[job] ?? -1, 0];
    for (let node = this.first[job] as number; node >= 0; node = this.next[node] as number) {
      const hand = this.hand[node] as number;
      if (last >= 0 && hand !== last) count++;
      last = hand;
    }
    const more = count - (this.changes[job] as number);
    this.changes[job] = count;
    return more * this.b.work.weights.hands;
  }

  /** What everybody has worked, and until when places are taken, before a position. */
  private standBefore(position: number): void {
    const { last, piece, taken, list, hand, free } = this;
    last.fill(-1);
    let left = last.length;
    for (let at = position - 1; at >= 0 && left > 0; at--) {
      const node = list[at] as number;
      const w = hand[node] as number;
      if ((last[w] as number) >= 0) continue;
      left--;
      last[w] = (this.worked[node] as number) + (this.minutes[node] as number);
    }
    last.forEach((worked, w) => {
      piece[w] = pieceAfter(free, w, worked);
    });
    taken.fill(0);
    for (const node of this.placed) {
      if ((this.at[node] as number) >= position) continue;
      const s = this.spot[node] as number;
      if ((this.hold[node] as number) > (taken[s] as number)) taken[s] = this.hold[node] as number;
    }
  }

  /** Stands a step as soon as it can; false: it never can. */
  private stand(node: number): boolean {
    const { from, begin, end: ends, until, first } = this.free;
    const w = this.hand[node] as number;
    const minutes = this.minutes[node] as number;
    const is = this.is[node] as number;
    const prev = this.prev[node] as number;
    let soonest = this.earliest[node] as number;
    if (prev >= 0 && (this.rested[prev] as number) > soonest) soonest = this.rested[prev] as number;
    const last = this.last[w] as number;
    const beyond = first[w + 1] as number;
    for (let i = this.piece[w] as number; i < beyond; i++) {
      const before = begin[i] as number;
      let worked = last > before ? last : before;
      const start = (from[i] as number) + worked - before;
      if (start < soonest) worked += soonest - start;
      const over = worked + minutes;
      if (worked >= (ends[i] as number)) continue;
      if (over > (((is & WHOLE) === 0 ? until[i] : ends[i]) as number)) continue;
      let j = i;
      while ((ends[j] as number) < over) j++;
      const end = (from[j] as number) + over - (begin[j] as number);
      const rested = end + (this.wait[node] as number);
      if ((is & PLACED) !== 0) {
        const begins = Math.max(start, soonest);
        const later = this.takePlace(node, begins, end, rested);
        if (later > begins) {
          soonest = later;
          i--;
          continue;
        }
      }
      this.worked[node] = worked;
      this.rested[node] = rested;
      this.last[w] = over;
      this.piece[w] = j;
      return true;
    }
    return false;
  }

  /** Takes a place for a step that would begin at a moment. @returns when to look again; that moment where its place is taken */
  private takePlace(node: number, start: number, end: number, rested: number): number {
    const { where, step, minutes } = this.steps[node] as BoardStep;
    const hold = step.holds ? rested : end;
    let again = Infinity;
    for (const s of where ?? []) {
      const free = this.taken[s] as number;
      if (free <= start && isSpotFree(this.frame, s, start, hold)) {
        this.spot[node] = s;
        this.hold[node] = hold;
        this.taken[s] = hold;
        return start;
      }
      again = Math.min(again, free > start ? free : spotFrom(this.frame, s, start, minutes));
    }
    return again;
  }

  /** Writes down where a step stands. */
  private write(node: number): void {
    const { log } = this;
    const l = WRITTEN * this.stood;
    this.logStep[this.stood++] = node;
    log[l] = this.worked[node] as number;
    log[l + 1] = this.rested[node] as number;
    log[l + 2] = this.ends[this.jobOf[node] as number] as number;
    log[l + 5] = this.moves[node] as number;
    if (((this.is[node] as number) & PLACED) === 0) return;
    log[l + 3] = this.spot[node] as number;
    log[l + 4] = this.hold[node] as number;
  }

  /**
   * Stands all from a position on anew, as far as anything is otherwise than it was.
   * @param changed the last position at which the row is another than it was
   * @param most it is not gone on with where it costs so much more
   * @param hands whose steps are in other positions, or came or went
   * @returns by how much it costs more, without what hands cost; Infinity: too much
   */
  standFrom(position: number, changed: number, most: number, hands: readonly number[]): number {
    const { list, hand, jobOf, worked, rested, next, last, minutes, otherwise } = this;
    const { people, jobs } = otherwise;
    this.standBefore(position);
    this.stood = 0;
    let more = 0;
    for (let at = position; at < list.length; at++) {
      if (at === changed + 1) for (const w of hands) otherwise.mark(people, w, SOONER);
      if (at > changed && ((otherwise.sooner === 0 && otherwise.later === 0) || more > most)) break;
      const node = list[at] as number;
      const w = hand[node] as number;
      const job = jobOf[node] as number;
      const is = this.is[node] as number;
      const isSame = people[w] === SAME && jobs[job] === SAME;
      const isPlaced = (is & PLACED) !== 0;
      const isAsBefore =
        isSame && (at > changed ? !isPlaced || otherwise.taken === 0 : !isPlaced && !hands.includes(w));
      if (isAsBefore) {
        last[w] = (worked[node] as number) + (minutes[node] as number);
        if (isPlaced) this.taken[this.spot[node] as number] = this.hold[node] as number;
        continue;
      }
      const wasWorked = worked[node] as number;
      const wasRested = rested[node] as number;
      this.write(node);
      if (!this.stand(node)) {
        more = Infinity;
        break;
      }
      otherwise.mark(people, w, compared(worked[node] as number, wasWorked));
      if (isPlaced) this.markPlaces(node, at > changed);
      if ((is & STOOD) !== 0) more += this.movedAgain(node);
      if ((next[node] as number) >= 0) otherwise.mark(jobs, job, compared(rested[node] as number, wasRested));
      else if (rested[node] !== wasRested) {
        const cost = costWhenReady(this.b, job, rested[node] as number);
        more += cost - (this.ends[job] as number);
        this.ends[job] = cost;
      }
    }
    otherwise.clear();
    return more > most ? Infinity : more;
  }

  /**
   * Marks places that are taken otherwise than they were before a step was stood anew.
   * @param isBehind whether what stands before it in the row is what was: else others than it may have stood there last
   */
  private markPlaces(node: number, isBehind: boolean): void {
    const l = WRITTEN * (this.stood - 1);
    const [now, was] = [this.spot[node] as number, this.log[l + 3] as number];
    const isSame = now === was && this.hold[node] === this.log[l + 4];
    if (!isSame || isBehind) this.otherwise.markPlace(now, isSame);
    if (was >= 0 && was !== now) this.otherwise.markPlace(was, false);
  }

  /** Counts anew what it costs that a step stands elsewhere than before. @returns by how much it costs more */
  private movedAgain(node: number): number {
    const { at } = this.steps[node] as BoardStep;
    const was = this.moves[node] as number;
    this.moves[node] = this.b.work.weights.moved * movedCost(this.b, at, this.seat(node));
    return (this.moves[node] as number) - was;
  }

  /** Takes back what the last `standFrom` did. */
  undo(): void {
    const { log } = this;
    for (let n = this.stood - 1; n >= 0; n--) {
      const node = this.logStep[n] as number;
      const l = WRITTEN * n;
      this.worked[node] = log[l] as number;
      this.rested[node] = log[l + 1] as number;
      this.ends[this.jobOf[node] as number] = log[l + 2] as number;
      this.moves[node] = log[l + 5] as number;
      if (((this.is[node] as number) & PLACED) === 0) continue;
      this.spot[node] = log[l + 3] as number;
      this.hold[node] = log[l + 4] as number;
    }
  }

  /** Moves what is at a position of the row to another. */
  shift(from: number, to: number): void {
    const { list, at } = this;
    const node = list[from] as number;
    const by = from < to ? 1 : -1;
    for (let i = from; i !== to; i += by) {
      const other = list[i + by] as number;
      list[i] = other;
      at[other] = i;
    }
    list[to] = node;
    at[node] = to;
  }

  private seat(node: number): Seat {
    const worker = this.hand[node] as number;
    const worked = this.worked[node] as number;
    const { start, end } = momentsOf(this.free, worker, worked, this.minutes[node] as number);
    const free = this.rested[node] as number;
    const { step } = this.steps[node] as BoardStep;
    return {
      worker,
      spot: this.spot[node] as number,
      start,
      end,
      hold: step.holds ? free : end,
      free,
      worked,
    };
  }

  /** Puts the row in another order and other hands, and stands it. */
  makeLike({ list, hand }: Pick<Row, 'list' | 'hand'>): void {
    this.list.set(list);
    this.hand.set(hand);
    this.list.forEach((node, at) => {
      this.at[node] = at;
    });
    this.cost += this.standFrom(0, list.length - 1, Infinity, [...this.last.keys()]);
    for (const job of new Set(this.jobOf)) this.cost += this.handsAgain(job);
  }

  /** Where each step of the board stands. */
  get seats(): (Seat | null)[] {
    const all = [...this.frame.seats];
    this.steps.forEach(({ at }, node) => {
      all[at] = this.seat(node);
    });
    return all;
  }
}
