import type { BodyMode } from '../sound/body-modes.ts';
import { nearestNote } from '../sound/note-of.ts';
import type { Hz } from '../units/unit-types.ts';
import { ENOUGH_KNOCKS } from './listening-body.ts';
import type { WolfPlace } from './wolf.ts';

/** What to do while a body is knocked on. */
export const sayKnocks = (knocks: number): string =>
  knocks === 0
    ? 'Knock at the bridge with a soft fingertip, the strings damped'
    : `${knocks} of ${ENOUGH_KNOCKS} knocks heard`;

/** A pitch over the shop's A: `102.4 Hz, near G#2`. */
export const sayModePitch = ({ hz, doubt }: BodyMode, pitch: Hz): string =>
  `${hz.toFixed(1)}${doubt === null ? '' : ` ± ${Math.max(0.1, doubt).toFixed(1)}`} Hz, near ${nearestNote(hz, pitch).name}`;

/** How it stands against the loudest, and how long it rings. */
export const sayModeRing = ({ rings, level }: BodyMode): string =>
  `${level > -0.5 ? 'the loudest' : `${Math.round(-level)} dB under it`}, rings ${rings.toFixed(1)} s`;

/** The places whose note a resonance lies on: `18 cents over the note of 5 A at 10, 4 D at 5, 3 G open`. Null where there are none. */
export function sayWolf(mode: BodyMode, wolf: readonly WolfPlace[]): string | null {
  const own = wolf.filter((w) => w.mode === mode);
  const [first] = own;
  if (!first) return null;
  const size = Math.abs(Math.round(first.off));
  const where = size < 3 ? 'right on' : `${size} cents ${first.off > 0 ? 'over' : 'under'}`;
  const places = own.map(({ place: { name, held } }) => `${name} ${held === 0 ? 'open' : `at ${held}`}`);
  return `${where} the note of ${places.join(', ')}`;
}
