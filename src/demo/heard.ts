import type { HeardPlace } from '../core/whatif/heard.ts';

type Heard = Pick<HeardPlace, 'string' | 'held' | 'heard'>;

/** Every string of a five-string played at 4 to 8: two of them buzz behind the 7th fret. */
const FIVE: readonly Heard[] = [5, 4, 3, 2, 1].flatMap((string) =>
  [4, 5, 6, 7, 8].map((held): Heard => ({
    string,
    held,
    heard: held === 6 && (string === 3 || string === 2) ? 'buzzes' : 'clear',
  })),
);

/** What was played and heard in the demo shop, by the serial number of the instrument. */
export const DEMO_HEARD: Readonly<Partial<Record<string, readonly Heard[]>>> = { 'KB5-0405': FIVE };
