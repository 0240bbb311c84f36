import { NATURAL } from '../strings/pitch.ts';
import {
  handFor,
  mapOfNeck,
  playedPositions,
  roomOf,
  type Hand,
  type Room,
} from '../whatif/clearance-map.ts';
import type { Outcome } from '../whatif/consequences.ts';
import { soundingPlace, type SoundingPlace } from '../whatif/sounding.ts';
import { outcomeOf, type Insides } from './insides.ts';

/** A place of the neck, string counted from the lowest, 0 first, held 0 is open. */
export interface Place {
  readonly string: number;
  readonly held: number;
}

/** What is heard of one pluck. */
export interface Heard extends Place {
  readonly room: Room;
  /** what is heard besides the note, and is no fret; null where nothing is */
  readonly besides: string | null;
  readonly says: string;
}

const handOf = (inside: Insides): Hand => handFor(inside.sound, inside.touch);

const SEMITONES = 12;

/** The pitch of an open string in semitones over C, 0 to 11; null where its note cannot be read. */
function pitchClass(note: string): number | null {
  const [, letter = '', sign = ''] = /^([A-G])([#b♯♭]?)/.exec(note) ?? [];
  const natural = NATURAL[letter];
  if (natural === undefined) return null;
  const shift = sign === '' ? 0 : sign === '#' || sign === '♯' ? 1 : -1;
  return (natural + shift + SEMITONES) % SEMITONES;
}

const RATTLES = 'something that is no fret rattles along with this note';

/** Whether something loose rattles along with the note of a place. */
function rattlesAlong(inside: Insides, { string, held }: Place): boolean {
  const open = pitchClass(inside.construction.strings[string]?.note ?? '');
  return open !== null && inside.flaws.some(({ rattles }) => rattles === (open + held) % SEMITONES);
}

function besidesAt(inside: Insides, { string, held }: Place): string | null {
  const said = inside.flaws.flatMap(({ heard }) =>
    heard && (heard.strings?.includes(string) ?? true) ? [heard.says] : [],
  );
  const all = rattlesAlong(inside, { string, held }) ? [RATTLES, ...said] : said;
  return all.length === 0 ? null : all.join('; ');
}

const SAYS: Readonly<Record<Room, string>> = {
  clear: 'rings clear',
  close: 'rings clear',
  buzz: 'buzzes',
  choked: 'chokes: it does not sound',
};

const heardOf = (inside: Insides, place: Place, room: Room): Heard => {
  const besides = besidesAt(inside, place);
  return { ...place, room, besides, says: [SAYS[room], ...(besides === null ? [] : [besides])].join('; ') };
};

/** What every place of the neck gives when it is plucked as the customer plucks, string by string from the lowest. */
export function heardEverywhere(inside: Insides, o: Outcome = outcomeOf(inside)): readonly Heard[] {
  const maps = mapOfNeck({ ...inside.sound, pull: o.pull }, o, handOf(inside));
  const upTo = playedPositions(inside.construction.frets);
  return maps.flatMap((map, string) =>
    Array.from({ length: upTo }, (_, held) =>
      heardOf(inside, { string, held }, roomOf(map.margin[held] ?? 1, map.still[held] ?? 1)),
    ),
  );
}

/** What one pluck gives. */
export function pluck(inside: Insides, place: Place): Heard {
  const all = heardEverywhere(inside);
  const known = all.find((h) => h.string === place.string && h.held === place.held);
  return known ?? heardOf(inside, place, 'clear');
}

/** The string over its frets as it is now, for its sound; with what rattles along with its note. */
export function soundingNow(inside: Insides, { string, held }: Place): SoundingPlace {
  const place = soundingPlace(inside.sound, outcomeOf(inside), inside.moves, string, held, handOf(inside));
  const { length, tension, mass } = place.string;
  return rattlesAlong(inside, { string, held })
    ? { ...place, rattlesAt: Math.sqrt(tension / mass) / ((2 * length) / 1000) }
    : place;
}
