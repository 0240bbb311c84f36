import { verdict } from '../targets/target.ts';
import { outcomeOf, soundInstrument, type Insides } from './insides.ts';
import { look, practiceItems } from './look.ts';
import { heardEverywhere } from './listen.ts';
import { practiceStations, stringCalled, tellsOf, truthAt } from './read.ts';
import { bandsOf } from './remedies.ts';

/** Something that tells that an instrument is not as it should be, and where. */
export interface Sign {
  readonly kind: 'reading' | 'look' | 'sound';
  /** the station, the item, or `string:held` */
  readonly key: string;
  readonly says: string;
  /** how far it stands out, in what a hand can tell apart: 1 is just seen */
  readonly size: number;
  /** whether an instrument that shows it cannot go home: the rest only points to it */
  readonly judged: boolean;
}

/** An instrument as it is read: at pitch. */
const atPitch = (inside: Insides): Insides => ({ ...inside, flat: 0 });

/** The same instrument with nothing wrong. */
export const soundLike = ({ construction, touch, rod }: Insides): Insides =>
  soundInstrument(construction, touch, rod.perEighth);

function readingSigns(inside: Insides): Sign[] {
  const [o, sound] = [outcomeOf(inside), soundLike(inside)];
  const usual = outcomeOf(sound);
  const bands = bandsOf(inside);
  return practiceStations(inside.construction).flatMap((s): Sign[] => {
    const [now, then] = [truthAt(inside, s, o), truthAt(sound, s, usual)];
    if (now === null || then === null) return [];
    const band = bands.get(s.key);
    const off = Math.abs(now - then) / tellsOf(s.quantity);
    // Over the body a fret may be low on purpose.
    if (s.quantity === 'fret-height' && s.fret > inside.construction.bodyFret) return [];
    const out = band === undefined ? off > 1 : ['low', 'high'].includes(verdict(now, band));
    return out ? [{ kind: 'reading', key: s.key, says: s.label, size: off, judged: band !== undefined }] : [];
  });
}

function lookSigns(inside: Insides): Sign[] {
  const o = outcomeOf(inside);
  return practiceItems(inside.construction).flatMap((item): Sign[] => {
    const seen = look(inside, item, o);
    if (seen.finding === null) return [];
    return [{ kind: 'look', key: item.key, says: `${item.title}: ${seen.says}`, size: 5, judged: true }];
  });
}

const soundSigns = (inside: Insides): Sign[] =>
  heardEverywhere(inside).flatMap((h): Sign[] =>
    h.room === 'buzz' || h.room === 'choked' || h.besides !== null
      ? [
          {
            kind: 'sound',
            key: `${h.string}:${h.held}`,
            says: `String ${stringCalled(inside.construction, h.string)} ${h.held === 0 ? 'open' : `at ${h.held}`}: ${h.says}`,
            size: 3,
            judged: true,
          },
        ]
      : [],
  );

/** Everything that can be read, seen or heard of what is wrong with an instrument, once it is in tune. */
export function signsOf(inside: Insides): readonly Sign[] {
  const tuned = atPitch(inside);
  return [...readingSigns(tuned), ...lookSigns(tuned), ...soundSigns(tuned)];
}

/** What would have told one fault: its signs by itself that are still there beside everything else. */
export function tellsOfFault(alone: Insides, all: Insides): readonly Sign[] {
  const there = new Set(signsOf(all).map((s) => `${s.kind} ${s.key}`));
  return signsOf(alone).filter((s) => there.has(`${s.kind} ${s.key}`));
}
