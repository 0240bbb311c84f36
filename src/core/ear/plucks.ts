import type { Sound } from '../sound/wav.ts';

/** What is found in a stream of sound. */
export type Found =
  /** a pluck, from its beginning as far as it rang alone */
  | { readonly kind: 'pluck'; readonly sound: Sound }
  /** the last moment of a string that rings on */
  | { readonly kind: 'ringing'; readonly sound: Sound; readonly first: boolean }
  /** knocks on the body, one soon after the other */
  | { readonly kind: 'knocks'; readonly count: number };

const FRAME_S = 0.01;
const KEPT_S = 6;
/** Frames the loudness is taken over: one period of a bass's lowest string. */
const OVER = 4;
/** Frames before, against which a new pluck stands out, and by how much. */
const BACK = 7;
const STRUCK = 1.7;
const STRUCK_AFTER_S = 0.14;
const STRUCK_PART = 0.12;
/** Softer than this is never a pluck, and how far one stands over the room. */
const SOFTEST = 6e-4;
const OVER_ROOM = 3.2;
const ROOM_RISES = 1.003;
const ROOM_FALLS = 0.15;
/** A pluck is told when it has rung so long, and is of use from there on, s. */
const WHOLE_S = 1.1;
const USABLE_S = 0.42;
const FADED = 0.03;
/** What falls to a tenth sooner than this is a knock, s. */
const KNOCK_S = 0.1;
const KNOCKS_WITHIN_S = 0.6;
const WINDOW_S = 0.36;
const WINDOW_EVERY_S = 0.15;
const LONGEST_S = 8;

const seconds = (frames: number): number => frames * FRAME_S;

/** The last seconds of what came, by the number of a sample since the beginning. */
function memory(rate: number) {
  const kept = new Float32Array(Math.ceil(KEPT_S * rate));
  let end = 0;
  return {
    add: (x: number): void => {
      kept[end++ % kept.length] = x;
    },
    end: (): number => end,
    part: (from: number, to: number): Sound => {
      const begin = Math.max(0, from, end - kept.length);
      const samples = new Float32Array(Math.max(0, to - begin));
      for (let i = 0; i < samples.length; i++) samples[i] = kept[(begin + i) % kept.length] as number;
      return { rate, samples };
    },
  };
}

/** A sound that is going on. */
interface Ringing {
  /** the frame it began in */
  from: number;
  peak: number;
  /** the frame from which it was softer than a tenth of its peak */
  tenth: number | null;
  told: boolean;
  /** a silence that was put in cut its beginning off */
  cut: boolean;
  /** the frame of the last moment that was told of it, and whether there was one */
  window: number;
  followed: boolean;
}

/**
 * Finds plucks in a stream: what stands out of the room's noise and rings. A pluck is told once it has rung for a second, faded, or
 * was struck anew; silences that a device puts in are left out; what dies at once is a knock, and knocks are counted together.
 */
export class PluckFinder {
  readonly #frame: number;
  readonly #kept: ReturnType<typeof memory>;
  /** mean squares of the last frames, and how loud it was at each, over 40 ms */
  readonly #squares: number[] = [];
  readonly #loud: number[] = [];
  #sum = 0;
  #filled = 0;
  /** exact zeros one after the other, now and at most within this frame */
  #zeros = 0;
  #most = 0;
  /** the number of the frame */
  #at = 0;
  #room = 1e-3;
  #ringing: Ringing | null = null;
  #knocks = 0;
  #lastKnock = 0;

  /** @param rate samples a second */
  constructor(rate: number) {
    this.#frame = Math.round(FRAME_S * rate);
    this.#kept = memory(rate);
  }

  /** How loud it is now, root of the mean square over 40 ms. */
  level(): number {
    return this.#loud.at(-1) ?? 0;
  }

  /** Takes the next samples and says what was found in them. */
  push(samples: Float32Array): readonly Found[] {
    const found: Found[] = [];
    for (const x of samples) {
      this.#kept.add(x);
      this.#sum += x * x;
      this.#zeros = x === 0 ? this.#zeros + 1 : 0;
      this.#most = Math.max(this.#most, this.#zeros);
      if (++this.#filled === this.#frame) this.#endFrame(found);
    }
    return found;
  }

  #before(): number {
    return this.#loud.at(-1 - BACK) ?? 0;
  }

  #part(from: number, to: number): Sound {
    return this.#kept.part(from * this.#frame, to * this.#frame);
  }

  /** What a sound was, once it is over at a frame. */
  #over(r: Ringing, to: number, found: Found[]): void {
    if (r.told) return;
    const fell = r.tenth === null ? Infinity : seconds(r.tenth - r.from - OVER);
    if (fell < KNOCK_S && !r.cut && seconds(to - r.from) < USABLE_S) {
      this.#knocks++;
      this.#lastKnock = this.#at;
    } else found.push({ kind: 'pluck', sound: this.#part(Math.max(0, r.from - 2), to) });
    r.told = true;
  }

  #begin(at: number): void {
    const peak = this.level();
    this.#ringing = {
      from: at,
      peak,
      tenth: null,
      told: false,
      cut: false,
      window: this.#at,
      followed: false,
    };
  }

  #follow(r: Ringing, found: Found[]): void {
    const [level, age] = [this.level(), seconds(this.#at - r.from)];
    if (level > r.peak) {
      r.peak = level;
      r.tenth = null;
    } else if (r.tenth === null && level < 0.1 * r.peak) r.tenth = this.#at;
    const stands = level > STRUCK_PART * r.peak && level > OVER_ROOM * this.#room;
    if (age > STRUCK_AFTER_S && stands && level > STRUCK * this.#before()) {
      this.#over(r, this.#at - BACK - 1, found);
      return this.#begin(this.#at - OVER);
    }
    if (!r.told && age >= WHOLE_S) this.#over(r, this.#at, found);
    if (level < Math.max(FADED * r.peak, 1.6 * this.#room) || age > LONGEST_S) {
      this.#over(r, this.#at, found);
      this.#ringing = null;
      // Nothing rings so long: it is the room that grew louder.
      if (age > LONGEST_S) this.#room = level;
    } else if (age >= WINDOW_S && seconds(this.#at - r.window) >= WINDOW_EVERY_S) {
      const first = !r.followed;
      Object.assign(r, { window: this.#at, followed: true });
      found.push({
        kind: 'ringing',
        first,
        sound: this.#part(this.#at - Math.round(WINDOW_S / FRAME_S), this.#at),
      });
    }
  }

  /** A device that put silence in: what was before it counts if it is long enough, else what comes after. */
  #gap(found: Found[]): void {
    const r = this.#ringing;
    if (!r || r.told) return;
    if (seconds(this.#at - r.from) >= USABLE_S) this.#over(r, this.#at - 1, found);
    else Object.assign(r, { from: this.#at + 1, cut: true });
  }

  #endFrame(found: Found[]): void {
    this.#at++;
    if (this.#most >= this.#frame / 4 && this.#ringing) {
      // Nothing was heard in it: how loud it is stays as it was.
      this.#squares.push(this.#squares.at(-1) ?? 0);
      this.#gap(found);
    } else this.#squares.push(this.#sum / this.#frame);
    const last = this.#squares.slice(-OVER);
    this.#loud.push(Math.sqrt(last.reduce((a, b) => a + b, 0) / last.length));
    if (this.#squares.length > 4 * BACK) this.#squares.shift();
    if (this.#loud.length > 4 * BACK) this.#loud.shift();
    if (this.#ringing) this.#follow(this.#ringing, found);
    else this.#wait(Math.sqrt(this.#squares.at(-1) ?? 0));
    if (this.#knocks > 0 && !this.#ringing && seconds(this.#at - this.#lastKnock) > KNOCKS_WITHIN_S) {
      found.push({ kind: 'knocks', count: this.#knocks });
      this.#knocks = 0;
    }
    [this.#sum, this.#filled, this.#most] = [0, 0, 0];
  }

  /** Nothing rings: learns the room, and sees a pluck begin. */
  #wait(single: number): void {
    const room = this.#room;
    this.#room = single < room ? room + ROOM_FALLS * (single - room) : Math.min(single, room * ROOM_RISES);
    // What only dies away was there before.
    const rises = single > STRUCK * this.#before();
    if (rises && single > Math.max(SOFTEST, OVER_ROOM * this.#room)) this.#begin(this.#at - 1);
  }
}
