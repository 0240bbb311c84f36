/** A plan as one row of steps: each stands as soon as those before it in the row allow. What moves in it moves all that hangs on it. */
import type { Board, BoardStep, Seat } from './board.ts';
import { boardWith } from './bound.ts';
import { movedCost, ReadyCosts } from './cost.ts';
import { RowOrder } from './row-order.ts';
import { freePieces, momentsOf, type FreePieces } from './row-pieces.ts';
import { RowPlaces } from './row-places.ts';
import { PLACED, rowSteps, STOOD, WHOLE, type RowSteps, type Turns } from './row-steps.ts';
import { TurnQueue } from './turn-queue.ts';

/** What is written down of a step before it stands anew. */
const WRITTEN = 9;

/** A plan as one row of steps, numbered as they came. Moments are minutes. What is held stands where it stands. */
export class Row {
  readonly of: RowSteps;
  readonly order: RowOrder;
  /** what the jobs of the row cost */
  cost = 0;
  /** how many steps the last change stood anew */
  private stood = 0;

  private readonly frame: Board;
  /** when the instrument of each has rested */
  private readonly rested: Float64Array;
  private readonly free: FreePieces;
  /** by step: what its person has worked when it begins, and the piece they are in when it ends */
  private readonly worked: Float64Array;
  private readonly piece: Int32Array;
  /** what it costs that it stands elsewhere than before */
  private readonly moves: Float64Array;
  /** by job: what its end costs, and how often it changes hands */
  private readonly ends: Float64Array;
  private readonly changes: Int32Array;
  private readonly places: RowPlaces;
  private readonly readyCosts: ReadyCosts;
  private readonly queue: TurnQueue;
  /** what was moved or has others before it since the last change was kept */
  private readonly touched: Int32Array;
  private readonly isTouched: Uint8Array;
  private touchedMany = 0;
  /** what was before the last change, by step that was stood anew */
  private readonly logStep: Int32Array;
  private readonly log: Float64Array;

  private readonly b: Board;

  private readonly touchOther = (node: number): void => this.touch(node);
  private readonly waitOther = (node: number): void => this.queue.add(node, true);

  /**
   * @param b a plan
   * @param held of each of its steps, whether it stays where it is; so do jobs of which one has no place
   */
  constructor(b: Board, held: readonly boolean[]) {
    this.b = b;
    const { of, turn, hand } = rowSteps(b, held);
    this.of = of;
    const { steps, stays } = of;
    this.frame = boardWith(
      b.work,
      b.seats.map((s, at) => (stays[at] ? s : null)),
    );
    this.free = freePieces(this.frame);
    this.order = new RowOrder(b.calendars.length, turn, hand);
    this.queue = new TurnQueue(turn);
    const n = steps.length;
    const room = (): Float64Array => new Float64Array(n);
    [this.worked, this.rested, this.moves] = [room(), room(), room()];
    this.piece = new Int32Array(n);
    [this.ends, this.changes] = [new Float64Array(b.ofJob.length), new Int32Array(b.ofJob.length)];
    this.places = new RowPlaces(this.frame, this.of, turn);
    this.readyCosts = new ReadyCosts(b);
    [this.touched, this.isTouched] = [new Int32Array(n), new Uint8Array(n)];
    [this.logStep, this.log] = [new Int32Array(n), new Float64Array(WRITTEN * n)];
    this.standAll();
  }

  /** Counts anew how often a job changes hands. @returns by how much it costs more */
  private handsAgain(job: number): number {
    const { hand } = this.order;
    const { firstHand, lastHand, handBefore, handAfter, first, next } = this.of;
    let last = handBefore[job] as number;
    let count = 0;
    for (let node = first[job] as number; node >= 0; node = next[node] as number) {
      const between = firstHand[node] as number;
      if (between >= 0) {
        if (last >= 0 && between !== last) count++;
        last = lastHand[node] as number;
      }
      const own = hand[node] as number;
      if (last >= 0 && own !== last) count++;
      last = own;
    }
    const then = handAfter[job] as number;
    if (then >= 0 && then !== last) count++;
    const more = count - (this.changes[job] as number);
    this.changes[job] = count;
    return more * this.b.work.weights.hands;
  }

  private touch(node: number): void {
    if (node >= this.isTouched.length || this.isTouched[node] === 1) return;
    this.isTouched[node] = 1;
    this.touched[this.touchedMany++] = node;
  }

  /** What comes after a step and needs a place like it, where that may be taken otherwise once it is moved. */
  private touchPlaces(node: number): void {
    const { places } = this;
    if (((this.of.asks[node] as number) & PLACED) === 0) return;
    places.tell(node, places.spot[node] as number, places.hold[node] as number, this.touchOther);
  }

  /** Takes a step out of the row: it has to be put somewhere. */
  take(node: number): void {
    const { order } = this;
    this.touchPlaces(node);
    this.touch(order.after[node] as number);
    this.places.takeOut(node);
    order.take(node);
  }

  /**
   * Puts a step that was taken out into somebody’s hands.
   * @param turn after the one before it of its job, and before the next
   * @param behind what of theirs it comes after, or the end of their chain
   */
  put(node: number, hand: number, turn: number, behind: number): void {
    const { order } = this;
    order.put(node, hand, turn, behind);
    this.places.putBack(node, turn);
    this.touch(node);
    this.touch(order.after[node] as number);
    this.touchPlaces(node);
  }

  /** Stands a step as soon as it can; false: it never can, or too late for what stays of its job. */
  private stand(node: number): boolean {
    const { from, begin, end: ends, until, first } = this.free;
    const { hand, before } = this.order;
    const w = hand[node] as number;
    const minutes = this.of.minutes[node] as number;
    const is = this.of.asks[node] as number;
    const prev = this.of.prev[node] as number;
    let soonest = this.of.earliest[node] as number;
    if (prev >= 0 && (this.rested[prev] as number) > soonest) soonest = this.rested[prev] as number;
    const own = before[node] as number;
    const isFirst = own >= this.of.jobOf.length;
    const last = isFirst ? 0 : (this.worked[own] as number) + (this.of.minutes[own] as number);
    const beyond = first[w + 1] as number;
    for (let i = (isFirst ? first[w] : this.piece[own]) as number; i < beyond; i++) {
      const done = begin[i] as number;
      let worked = last > done ? last : done;
      let start = (from[i] as number) + worked - done;
      if (start < soonest) {
        worked += soonest - start;
        start = soonest;
      }
      const over = worked + minutes;
      if (worked >= (ends[i] as number)) continue;
      if (over > (((is & WHOLE) === 0 ? until[i] : ends[i]) as number)) continue;
      let j = i;
      while ((ends[j] as number) < over) j++;
      const end = (from[j] as number) + over - (begin[j] as number);
      const rested = end + (this.of.wait[node] as number);
      if (rested > (this.of.latest[node] as number)) return false;
      if ((is & PLACED) !== 0) {
        const later = this.places.take(node, start, end, rested);
        if (later > start) {
          this.places.waited[node] = 1;
          soonest = later;
          i--;
          continue;
        }
      }
      this.worked[node] = worked;
      this.rested[node] = rested;
      this.piece[node] = j;
      return true;
    }
    return false;
  }

  /** Writes down where a step stands. */
  private write(node: number, is: number): void {
    const { log } = this;
    const l = WRITTEN * this.stood;
    this.logStep[this.stood++] = node;
    log[l] = this.worked[node] as number;
    log[l + 1] = this.rested[node] as number;
    log[l + 2] = this.piece[node] as number;
    log[l + 3] = this.ends[this.of.jobOf[node] as number] as number;
    if ((is & (PLACED | STOOD)) === 0) return;
    log[l + 4] = this.moves[node] as number;
    log[l + 5] = this.places.spot[node] as number;
    log[l + 6] = this.places.hold[node] as number;
    log[l + 7] = this.places.begins[node] as number;
    log[l + 8] = this.places.waited[node] as number;
  }

  private forget(): void {
    for (let i = 0; i < this.touchedMany; i++) this.isTouched[this.touched[i] as number] = 0;
    this.touchedMany = 0;
  }

  /** Lets what was moved wait for its turn, and what comes after it. */
  private begin(): void {
    const { queue, touched } = this;
    for (let i = 0; i < this.touchedMany; i++) queue.add(touched[i] as number, true);
    this.forget();
    this.stood = 0;
  }

  /**
   * Stands anew what was moved, and all that hangs on it, as far as anything is otherwise than it was.
   * @param most it is not gone on with where it costs so much more, and nothing can come sooner any more
   * @param room where it costs so much more besides it is not gone on with at all
   * @returns by how much it costs more; Infinity: too much
   */
  standAgain(most: number, room = 0): number {
    const { queue, worked, rested, order } = this;
    const { jobOf, next, asks } = this.of;
    this.begin();
    let more = 0;
    for (let i = 0; i < order.movedMany; i++)
      more += this.handsAgain(jobOf[order.moved[i] as number] as number);
    for (let node = queue.next(); node >= 0; node = queue.next()) {
      const wasWorked = worked[node] as number;
      const wasRested = rested[node] as number;
      const is = asks[node] as number;
      this.write(node, is);
      if ((is & PLACED) !== 0) this.places.takenBefore(node);
      if (!this.stand(node)) {
        more = Infinity;
        break;
      }
      const nowWorked = worked[node] as number;
      if (nowWorked !== wasWorked) {
        const after = order.after[node] as number;
        if (after < jobOf.length) queue.add(after, nowWorked < wasWorked);
      }
      if ((is & PLACED) !== 0) this.placesAgain(node);
      if ((is & STOOD) !== 0) more += this.movedAgain(node);
      const nowRested = rested[node] as number;
      if (nowRested !== wasRested) {
        const then = next[node] as number;
        if (then >= 0) queue.add(then, nowRested < wasRested);
        else more += this.readyAgain(jobOf[node] as number, nowRested);
      }
      if (more > most && (queue.sooner === 0 || more > most + room)) break;
    }
    queue.clear();
    return more > most ? Infinity : more;
  }

  /** Counts anew what it costs when a job is ready. @returns by how much it costs more */
  private readyAgain(job: number, finish: number): number {
    const held = this.of.heldRested[job] as number;
    const cost = this.readyCosts.of(job, finish > held ? finish : held);
    const more = cost - (this.ends[job] as number);
    this.ends[job] = cost;
    return more;
  }

  /** Lets all wait for their turn to whom it makes a difference that a step’s place is taken otherwise than was written down last. */
  private placesAgain(node: number): void {
    const { places, log } = this;
    const l = WRITTEN * (this.stood - 1);
    const [wasSpot, was] = [log[l + 5] as number, log[l + 6] as number];
    const [spot, hold] = [places.spot[node] as number, places.hold[node] as number];
    if (spot === wasSpot && hold === was) return;
    places.tell(node, spot, Math.max(was, hold), this.waitOther);
    if (spot === wasSpot || wasSpot < 0) return;
    // Who had it before has it last now, perhaps for longer.
    places.tell(node, wasSpot, Math.max(was, places.taken[wasSpot] as number), this.waitOther);
  }

  /** Counts anew what it costs that a step stands elsewhere than before. @returns by how much it costs more */
  private movedAgain(node: number): number {
    const { at } = this.of.steps[node] as BoardStep;
    const was = this.moves[node] as number;
    this.moves[node] = this.b.work.weights.moved * movedCost(this.b, at, this.seat(node));
    return (this.moves[node] as number) - was;
  }

  /** What was moved stays so. */
  keep(more: number): void {
    this.cost += more;
    this.stood = 0;
    this.order.keep();
    this.places.order.keep();
  }

  /** Takes back what was moved since the last change was kept, and what stood anew. */
  undo(): void {
    const { log, order } = this;
    for (let n = this.stood - 1; n >= 0; n--) {
      const node = this.logStep[n] as number;
      const l = WRITTEN * n;
      this.worked[node] = log[l] as number;
      this.rested[node] = log[l + 1] as number;
      this.piece[node] = log[l + 2] as number;
      this.ends[this.of.jobOf[node] as number] = log[l + 3] as number;
      if (((this.of.asks[node] as number) & (PLACED | STOOD)) === 0) continue;
      this.moves[node] = log[l + 4] as number;
      this.places.spot[node] = log[l + 5] as number;
      this.places.hold[node] = log[l + 6] as number;
      this.places.begins[node] = log[l + 7] as number;
      this.places.waited[node] = log[l + 8] as number;
    }
    this.stood = 0;
    this.forget();
    order.undo();
    this.places.order.undo();
    this.places.order.movedMany = 0;
    for (let i = 0; i < order.movedMany; i++)
      this.handsAgain(this.of.jobOf[order.moved[i] as number] as number);
    order.movedMany = 0;
  }

  private seat(node: number): Seat {
    const worker = this.order.hand[node] as number;
    const worked = this.worked[node] as number;
    const { start, end } = momentsOf(this.free, worker, worked, this.of.minutes[node] as number);
    const free = this.rested[node] as number;
    const { step } = this.of.steps[node] as BoardStep;
    return {
      worker,
      spot: this.places.spot[node] as number,
      start,
      end,
      hold: step.holds ? free : end,
      free,
      worked,
    };
  }

  /** Stands all anew, from the first to the last, and counts what it costs; Infinity: one of them never can. */
  standAll(): void {
    const { steps, jobOf, next } = this.of;
    for (const node of steps.keys()) this.touch(node);
    let cost = this.standAgain(Infinity) < Infinity ? 0 : Infinity;
    for (const node of steps.keys()) {
      cost += this.moves[node] as number;
      if ((next[node] as number) >= 0) continue;
      const job = jobOf[node] as number;
      this.handsAgain(job);
      cost += (this.ends[job] as number) + (this.changes[job] as number) * this.b.work.weights.hands;
    }
    this.cost = cost;
    this.keep(0);
  }

  /** Puts the row in another order and other hands, and stands it. */
  makeLike({ turn, hand }: Turns): void {
    this.order.turn.set(turn);
    this.order.hand.set(hand);
    this.order.lineUp();
    this.places.order.lineUp();
    this.standAll();
  }

  /** Turns by when each begins: what begins sooner comes sooner. What needs a place may stand elsewhere then. */
  renumber(): void {
    const { turn, hand } = this.order;
    const was = { turn: turn.slice(), hand: hand.slice() };
    this.order.renumber(Float64Array.from(this.of.steps, (_, node) => this.seat(node).start));
    this.places.order.lineUp();
    this.standAll();
    if (this.cost === Infinity) this.makeLike(was);
  }

  /** Where each step of the board stands. */
  get seats(): (Seat | null)[] {
    const all = [...this.frame.seats];
    this.of.steps.forEach(({ at }, node) => {
      all[at] = this.seat(node);
    });
    return all;
  }
}
