import type { NoiseHeard } from '../core/ear/noise-round.ts';
import type { TryId } from '../core/hunt/tries.ts';

/** A noise that is hunted: how many minutes at most, agreed at the counter, and what was tried. */
export interface DemoHunt {
  readonly limit: number;
  readonly tried: readonly (readonly [what: TryId, answer: string, words: string, heard?: NoiseHeard])[];
}

/** The noises of the demo shop, by the serial number of what makes them. */
export const DEMO_HUNTS: Readonly<Partial<Record<string, DemoHunt>>> = {
  'MP-0419': {
    limit: 45,
    tried: [
      ['position', 'both', ''],
      ['where', 'one-pitch', 'the open A, and A at the 5th of the E string'],
      ['behind-nut', 'same', '', { before: 0.94, now: 0.91 }],
    ],
  },
};
