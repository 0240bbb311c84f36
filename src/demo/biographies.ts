import type { CommandInput } from '../contracts/commands/commands.ts';
import type { Story } from './story.ts';

type Of<N extends 'shelf.watch' | 'shelf.originality' | 'shelf.keep-part' | 'shelf.inside'> = Omit<
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
      readonly inside?: readonly Of<'shelf.inside'>[];
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
    inside: [
      {
        name: 'Pickup at the neck',
        value: '7.8 kΩ',
        wires: 'white to the switch, braid to the back of the volume pot',
        note: 'solder never heated',
      },
      { name: 'Volume', value: '500 kΩ', wires: 'lug 3 to the case', note: '' },
      {
        name: 'Tone condenser',
        value: '22 nF',
        wires: 'tone lug 2 to the case',
        note: 'replaced before 2019',
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
  for (const [serial, { watches = [], originality = [], inside = [], kept = [] }] of Object.entries(
    BIOGRAPHIES,
  )) {
    const instrumentId = instruments.get(serial)?.id;
    if (instrumentId === undefined) throw new Error(`demo: no instrument ${serial}`);
    for (const w of watches) await story.give('shelf.watch', { instrumentId, ...w });
    for (const o of originality) await story.give('shelf.originality', { instrumentId, ...o, version: 0 });
    for (const p of inside) await story.give('shelf.inside', { instrumentId, ...p });
    for (const k of kept) await story.give('shelf.keep-part', { instrumentId, ...k });
  }
}
