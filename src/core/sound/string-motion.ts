import type { Mm, Newton } from '../units/unit-types.ts';

/** A string that sounds between where it is held and the saddle, over what it may touch. */
export interface SoundingString {
  readonly length: Mm;
  readonly tension: Newton;
  /** kg/m */
  readonly mass: number;
  /** B of its series n·f0·√(1 + B·n²) */
  readonly inharmonicity: number;
  /** how fast it dies away: every partial alike (1/s), and more with the square of its pitch (s) */
  readonly losses: { readonly all: number; readonly high: number };
  /** what stands under it: how far from the held end, and how far under the string at rest */
  readonly under: readonly { readonly at: Mm; readonly gap: Mm }[];
}

/**
 * How it is plucked: pulled away from the frets at a place by a force, a share of that at right angles to them, and let go. It
 * comes lowest at the mirrored place, half a swing later.
 */
export interface PluckedBy {
  readonly fromSaddle: Mm;
  readonly force: Newton;
  readonly share: number;
}

/** What became of a pluck. */
export interface StringSound {
  /** the force on the saddle, N */
  readonly samples: Float32Array;
  /** how long each thing under it was touched after the first moments, s */
  readonly touched: readonly number[];
}

interface Options {
  readonly rate?: number;
  readonly seconds?: number;
  /** hears the energy of the motion toward the frets at every step, J */
  readonly energy?: (joule: number) => void;
}

/** How hard what is under it springs back, N/m: it gives by a thousandth of a millimetre. */
const SPRING = 2e6;
const HIGHEST_SHARE = 0.42;
const MOST_MODES = 360;
/** How often is looked which things can be reached at all, samples. */
const LOOK_EVERY = 32;
const NEARLY = 1.2;
const CLOSE_ENOUGH = 1e-16;
const MOST_TRIES = 40;
/** A finger is some millimetres wide: partials shorter than that are hardly there. m */
const FINGER = 0.002;

interface Modes {
  readonly count: number;
  readonly step: number;
  /** q' = back·q − fade·q before + give·force */
  readonly back: Float64Array;
  readonly fade: Float64Array;
  readonly give: Float64Array;
  /** discrete spring of each, 1/s²; and its angle a step */
  readonly spring: Float64Array;
  readonly angle: Float64Array;
  readonly mass: number;
  readonly now: Float64Array;
  readonly before: Float64Array;
}

/** The modes of a string held at both ends, let go from where the finger had it; each exact in pitch and dying away. */
function modesOf(s: SoundingString, by: PluckedBy, rate: number): Modes {
  const length = s.length / 1000;
  const first = (Math.PI / length) * Math.sqrt(s.tension / s.mass);
  const top = 2 * Math.PI * HIGHEST_SHARE * rate;
  const pitch = (k: number): number => k * first * Math.sqrt(1 + s.inharmonicity * k * k);
  let count = 1;
  while (count < MOST_MODES && pitch(count + 1) < top) count++;
  const step = 1 / rate;
  const make = (f: (k: number) => number): Float64Array =>
    Float64Array.from({ length: count }, (_, i) => f(i + 1));
  const mass = (s.mass * length) / 2;
  const angle = make((k) => pitch(k) * step);
  const fade = make((k) => Math.exp(-2 * step * (s.losses.all + s.losses.high * pitch(k) ** 2)));
  // A loss of the centred kind, (1 − s)/(1 + s) = fade, and the spring that keeps the pitch.
  const loss = fade.map((c) => (1 - c) / (1 + c));
  const back = angle.map((a, i) => 2 * Math.sqrt(fade[i] as number) * Math.cos(a));
  const spring = back.map((c, i) => (2 - c * (1 + (loss[i] as number))) / (step * step));
  const give = loss.map((l) => (step * step) / (mass * (1 + l)));
  const p = Math.min(by.fromSaddle / 1000, length / 2);
  const depth = (by.force * p * (length - p)) / (s.tension * length);
  const part = (length - p) / length;
  const now = make((k) => {
    const corner = (2 * Math.sin(k * Math.PI * part)) / (k * k * Math.PI * Math.PI * part * (1 - part));
    return depth * corner * Math.exp(-0.5 * ((k * Math.PI * FINGER) / length) ** 2);
  });
  // At rest when it is let go: before is as after.
  const before = now.map((q, i) => (q * (back[i] as number)) / (1 + (fade[i] as number)));
  return { count, step, back, fade, give, spring, angle, mass, now, before };
}

/** The shapes of the modes at the places under the string, place after place, and how a push at one moves another. */
function contactsOf(s: SoundingString, m: Modes) {
  const places = s.under.length;
  const shapes = new Float64Array(places * m.count);
  for (let i = 0; i < places; i++)
    for (let k = 0; k < m.count; k++)
      shapes[i * m.count + k] = Math.sin(((k + 1) * Math.PI * (s.under[i]?.at ?? 0)) / s.length);
  const moves = new Float64Array(places * places);
  for (let i = 0; i < places; i++)
    for (let j = 0; j < places; j++) {
      let sum = 0;
      for (let k = 0; k < m.count; k++)
        sum +=
          (shapes[i * m.count + k] as number) * (shapes[j * m.count + k] as number) * (m.give[k] as number);
      moves[i * places + j] = sum;
    }
  return { shapes, moves, gaps: Float64Array.from(s.under, (u) => u.gap / 1000) };
}

type Contacts = ReturnType<typeof contactsOf>;

const pressed = (depth: number): number => (depth > 0 ? 0.5 * SPRING * depth * depth : 0);

/**
 * The force between two depths that takes exactly the energy that lies between them, and how it grows with the first. Written
 * out for each side, so that nothing is lost where the two are nearly the same.
 */
function between(a: number, b: number): readonly [force: number, slope: number] {
  if (a <= 0 && b <= 0) return [0, 0];
  if (a > 0 && b > 0) return [0.5 * SPRING * (a + b), 0.5 * SPRING];
  const apart = Math.abs(a - b);
  const force = (0.5 * SPRING * Math.max(a, b) ** 2) / apart;
  return [force, a > 0 ? (SPRING * a - force) / apart : force / apart];
}

/** Solves a few linear equations, rows after rows with their right side last; by elimination. */
function solve(rows: number[][]): number[] {
  const n = rows.length;
  for (let i = 0; i < n; i++) {
    const own = rows[i] as number[];
    for (let j = i + 1; j < n; j++) {
      const row = rows[j] as number[];
      const by = (row[i] as number) / (own[i] as number);
      for (let k = i; k <= n; k++) row[k] = (row[k] as number) - by * (own[k] as number);
    }
  }
  const found: number[] = Array.from({ length: n }, () => 0);
  for (let i = n - 1; i >= 0; i--) {
    const row = rows[i] as number[];
    let sum = row[n] as number;
    for (let k = i + 1; k < n; k++) sum -= (row[k] as number) * (found[k] as number);
    found[i] = sum / (row[i] as number);
  }
  return found;
}

/** The forces of what is touched: together, since a push at one place moves the string at the others (Newton's method). */
function forcesOf(
  places: readonly number[],
  free: readonly number[],
  before: readonly number[],
  { moves, gaps }: Contacts,
): number[] {
  const depth = [...free];
  let force: number[] = places.map(() => 0);
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const found = places.map((_, i) => between(depth[i] as number, before[i] as number));
    force = found.map(([f]) => f);
    let off = 0;
    const rows = places.map((p, i) => {
      const row: number[] = [];
      let right = (free[i] as number) - (depth[i] as number);
      places.forEach((q, j) => {
        const push = moves[p * gaps.length + q] as number;
        right -= push * (force[j] as number);
        row.push((i === j ? 1 : 0) + push * (found[j]?.[1] ?? 0));
      });
      off = Math.max(off, Math.abs(right));
      return [...row, right];
    });
    if (off < CLOSE_ENOUGH) break;
    const change = solve(rows);
    for (let i = 0; i < depth.length; i++) depth[i] = (depth[i] as number) + (change[i] as number);
  }
  return force;
}

/** The places the string can still reach, by how far its modes swing at most. */
function reachable(m: Modes, { shapes, gaps }: Contacts): number[] {
  const swing = m.now.map((q, k) => {
    const [p, a] = [m.before[k] as number, m.angle[k] as number];
    return Math.sqrt(Math.max(0, q * q + p * p - 2 * q * p * Math.cos(a))) / Math.sin(a);
  });
  return [...gaps.keys()].filter((i) => {
    let most = 0;
    for (let k = 0; k < m.count; k++)
      most += Math.abs(shapes[i * m.count + k] as number) * (swing[k] as number);
    return NEARLY * most > (gaps[i] as number);
  });
}

/** Where the string lies at a place. */
function heightAt(place: number, q: Float64Array, { shapes }: Contacts, count: number): number {
  let sum = 0;
  const from = place * count;
  for (let k = 0; k < count; k++) sum += (shapes[from + k] as number) * (q[k] as number);
  return sum;
}

/** One step: every mode by itself, then what the touched places push back. Returns the places that were touched. */
function move(m: Modes, c: Contacts, places: readonly number[], next: Float64Array): number[] {
  const { now, before, back, fade, count } = m;
  for (let k = 0; k < count; k++)
    next[k] = (back[k] as number) * (now[k] as number) - (fade[k] as number) * (before[k] as number);
  if (places.length === 0) return [];
  const depth = (p: number, q: Float64Array): number => -(c.gaps[p] as number) - heightAt(p, q, c, count);
  const free = places.map((p) => depth(p, next));
  const last = places.map((p) => depth(p, before));
  let meets = [...places.keys()].filter((i) => (free[i] as number) > 0 || (last[i] as number) > 0);
  while (meets.length > 0) {
    const own = meets;
    const met = own.map((i) => places[i] as number);
    const of = (all: readonly number[]): number[] => own.map((i) => all[i] as number);
    const force = forcesOf(met, of(free), of(last), c);
    // What is pushed off at one place may come down at another.
    const more = [...places.keys()].filter((i) => {
      const from = (places[i] as number) * c.gaps.length;
      const pushed = met.reduce((sum, p, j) => sum + (c.moves[from + p] as number) * (force[j] as number), 0);
      return !own.includes(i) && (free[i] as number) - pushed > 0;
    });
    if (more.length > 0) {
      meets = [...own, ...more].sort((x, y) => x - y);
      continue;
    }
    met.forEach((p, j) => {
      for (let k = 0; k < count; k++)
        next[k] =
          (next[k] as number) +
          (force[j] as number) * (c.shapes[p * count + k] as number) * (m.give[k] as number);
    });
    return met;
  }
  return [];
}

/** The energy of a motion: what moves, what is bent, what is pressed. J */
function energyOf(m: Modes, c: Contacts): number {
  let sum = 0;
  for (let k = 0; k < m.count; k++) {
    const [q, p] = [m.now[k] as number, m.before[k] as number];
    const speed = (q - p) / m.step;
    sum += 0.5 * m.mass * (speed * speed + (m.spring[k] as number) * q * p);
  }
  for (let i = 0; i < c.gaps.length; i++) {
    const depth = (q: Float64Array): number => -(c.gaps[i] as number) - heightAt(i, q, c, m.count);
    sum += 0.5 * (pressed(depth(m.now)) + pressed(depth(m.before)));
  }
  return sum;
}

/**
 * The sound of a plucked string over real frets: its modes are exact in pitch and loss, what it touches springs back by a force
 * that keeps the energy of every step, so that nothing grows by itself (an energy-consistent scheme; contact as a one-sided
 * spring, solved together for all places). Along the frets it swings freely.
 */
export function stringSound(
  s: SoundingString,
  by: PluckedBy,
  { rate = 44_100, seconds = 1.5, energy }: Options = {},
): StringSound {
  const whole = modesOf(s, by, rate);
  const toward = scaled(whole, by.share);
  const along = scaled(whole, Math.sqrt(Math.max(0, 1 - by.share * by.share)));
  const c = contactsOf(s, whole);
  const samples = new Float32Array(Math.round(seconds * rate));
  const touched = s.under.map(() => 0);
  // What a mode presses on the saddle: the slope of its shape there.
  const presses = Float64Array.from(
    { length: whole.count },
    (_, i) => (s.tension * (i + 1) * Math.PI * (i % 2 === 0 ? 1 : -1)) / (s.length / 1000),
  );
  let a = toward;
  let b = along;
  let next: Float64Array = new Float64Array(whole.count);
  let other: Float64Array = new Float64Array(whole.count);
  let places: number[] = [];
  const none: number[] = [];
  for (let i = 0; i < samples.length; i++) {
    if (i % LOOK_EVERY === 0 && (i === 0 || places.length > 0)) places = reachable(a, c);
    energy?.(energyOf(a, c));
    let force = 0;
    for (let k = 0; k < whole.count; k++)
      force += (presses[k] as number) * ((a.now[k] as number) + 0.5 * (b.now[k] as number));
    samples[i] = force;
    for (const p of move(a, c, places, next)) touched[p] = (touched[p] ?? 0) + whole.step;
    move(b, c, none, other);
    const [freedA, freedB] = [a.before, b.before];
    a = { ...a, before: a.now, now: next };
    b = { ...b, before: b.now, now: other };
    next = freedA;
    other = freedB;
  }
  return { samples, touched };
}

const scaled = (m: Modes, by: number): Modes => ({
  ...m,
  now: m.now.map((q) => by * q),
  before: m.before.map((q) => by * q),
});
