import type { HeardPlace } from '../core/whatif/heard.ts';

type Heard = Pick<HeardPlace, 'string' | 'held' | 'heard' | 'amount'>;

/** Every string of a five-string played at 4 to 8: two of them buzz behind the 7th fret. */
const FIVE: readonly Heard[] = [5, 4, 3, 2, 1].flatMap((string) =>
  [4, 5, 6, 7, 8].map((held): Heard => {
    const buzzing = held === 6 && (string === 3 || string === 2);
    const amount = buzzing ? (string === 3 ? 0.86 : 0.71) : (2 + ((3 * string + held) % 5) * 3) / 100;
    return { string, held, heard: buzzing ? 'buzzes' : 'clear', amount };
  }),
);

/** What was played and heard in the demo shop, by the serial number of the instrument. */
export const DEMO_HEARD: Readonly<Partial<Record<string, readonly Heard[]>>> = { 'KB5-0405': FIVE };
