import type { CommandInput } from '../contracts/commands/commands.ts';
import type { Story } from './story.ts';

type Of<N extends 'shelf.watch' | 'shelf.originality' | 'shelf.keep-part'> = Omit<
  CommandInput<N>,
  'instrumentId' | 'version'
>;

/** What of some instruments is watched, original and kept, by serial. */
const BIOGRAPHIES: Readonly<
  Record<
    string,
    {
      readonly watches?: readonly Of<'shelf.watch'>[];
      readonly originality?: readonly Of<'shelf.originality'>[];
      readonly kept?: readonly Of<'shelf.keep-part'>[];
    }
  >
> = {
  'KL-0107': {
    watches: [
      {
        what: 'action-bass',
        side: 'above',
        limit: '6.5/64',
        unit: '64ths',
        note: 'Over that she tires in an evening.',
      },
      { what: 'relief', side: 'above', limit: '.016', unit: 'thou', note: '' },
    ],
    originality: [
      { part: 'tuners', state: 'replaced', knownBy: 'a second set of screw holes', lookedUp: '' },
      {
        part: 'pickups',
        state: 'original',
        knownBy: 'solder never reheated',
        lookedUp: 'the maker’s own list of 2001, at the library in Quillmere',
      },
    ],
    kept: [
      { name: 'the first tuners, six', place: 'drawer 4, bag KL', measures: 'posts 8.7 mm, 25 mm apart' },
    ],
  },
  'OR12-0021': {
    watches: [
      {
        what: 'action-bass',
        side: 'above',
        limit: '4.5/64',
        unit: '64ths',
        note: 'The saddle has little left to give.',
      },
    ],
  },
  'AV-0409': {
    originality: [
      { part: 'finish', state: 'original', knownBy: 'even checking under the light', lookedUp: '' },
      { part: 'nut', state: 'replaced', knownBy: 'plastic, glued with something clear', lookedUp: '' },
      { part: 'frets', state: 'unknown', knownBy: '', lookedUp: '' },
    ],
  },
};

/** Tells what is watched, original and kept of some instruments. */
export async function tellBiographies(
  story: Story,
  instruments: ReadonlyMap<string, { readonly id: number }>,
): Promise<void> {
  for (const [serial, { watches = [], originality = [], kept = [] }] of Object.entries(BIOGRAPHIES)) {
    const instrumentId = instruments.get(serial)?.id;
    if (instrumentId === undefined) throw new Error(`demo: no instrument ${serial}`);
    for (const w of watches) await story.give('shelf.watch', { instrumentId, ...w });
    for (const o of originality) await story.give('shelf.originality', { instrumentId, ...o, version: 0 });
    for (const k of kept) await story.give('shelf.keep-part', { instrumentId, ...k });
  }
}
