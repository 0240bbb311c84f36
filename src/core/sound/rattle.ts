import { seeded } from '../seeded.ts';

/** The part of the loudest moment from which on something loose is lifted off its seat at each swing. */
const LIFTED_AT = 0.12;
/** How loud its knock is beside the swing that lifted it. */
const KNOCK = 0.9;
/** A knock of something small and hard is over in milliseconds, and no two are alike, s. */
const KNOCK_LASTS = 0.002;
const KNOCK_S = 0.008;
/** How fast the loudness of a moment is forgotten, s. */
const FORGETS = 0.02;

/**
 * A note with something loose that rattles along: each swing that is strong enough lifts it off its seat, and it knocks when it
 * comes back; it ends when the note has become too weak to lift it.
 * @param samples of the note, any unit; they stay as they are
 * @param rate samples a second
 * @param hz how often the note swings
 * @example rattling(new Float32Array([0, 0]), 44100, 110).length → 2
 */
export function rattling(samples: Float32Array, rate: number, hz: number): Float32Array {
  const random = seeded(Math.round(hz * 1000));
  const dies = Float32Array.from({ length: Math.round(KNOCK_S * rate) }, (_, i) =>
    Math.exp(-i / rate / KNOCK_LASTS),
  );
  let most = 0;
  for (const x of samples) most = Math.max(most, Math.abs(x));
  const made = samples.slice();
  const keeps = Math.exp(-1 / (FORGETS * rate));
  const rest = rate / hz;
  let loud = 0;
  let next = 0;
  for (let i = 0; i < samples.length; i++) {
    loud = Math.max(Math.abs(samples[i] as number), loud * keeps);
    if (i < next || loud <= LIFTED_AT * most) continue;
    const hit = KNOCK * (loud - LIFTED_AT * most);
    for (let k = 0; k < dies.length && i + k < made.length; k++)
      made[i + k] = (made[i + k] as number) + hit * (2 * random() - 1) * (dies[k] as number);
    // It bounces once a swing, never quite alike.
    next = i + rest * (0.97 + 0.06 * random());
  }
  return made;
}
