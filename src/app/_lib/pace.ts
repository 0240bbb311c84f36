import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/** How often one and the same may knock at a door within a minute: far beyond what hands do. */
const A_MINUTE = {
  /** commands of one tablet */
  command: 6000,
  /** answers by one customer's link */
  link: 40,
  /** PINs on one tablet */
  pin: 120,
  /** plans tried beside the one that holds, by one tablet: each takes the house a moment */
  plan: 40,
  /** codes to pair a tablet, from anywhere */
  pair: 60,
} as const;
type Door = keyof typeof A_MINUTE;

const KEY = Symbol.for('rubrica.pace');
type Holder = { [KEY]?: Map<Door, RateLimiterMemory> };

// Routes are separate module instances: what is counted stands on globalThis.
function limiter(door: Door): RateLimiterMemory {
  const all = ((globalThis as Holder)[KEY] ??= new Map());
  const known = all.get(door);
  if (known) return known;
  const made = new RateLimiterMemory({ points: A_MINUTE[door], duration: 60 });
  all.set(door, made);
  return made;
}

/**
 * Counts a knock; answers what to say to one that comes too often, or null.
 * @param who whose knocks are counted together: never a token itself where a hash is at hand
 */
export async function tooOften(door: Door, who: string): Promise<Response | null> {
  try {
    await limiter(door).consume(who);
    return null;
  } catch (e) {
    if (!(e instanceof RateLimiterRes)) throw e;
    const seconds = Math.max(1, Math.ceil(e.msBeforeNext / 1000));
    const message = `That was too often. Try again in ${seconds} s.`;
    return Response.json(
      { ok: false, message, error: { code: 'refused', message } },
      { status: 429, headers: { 'Retry-After': String(seconds) } },
    );
  }
}
