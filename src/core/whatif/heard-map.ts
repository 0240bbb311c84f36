import { stringName, type Construction } from '../instrument/construction.ts';
import { noteFrequency } from '../strings/pitch.ts';
import type { ClearanceMap } from '../clearance/clearance.ts';
import { CLOSE } from './clearance-map.ts';
import type { HeardPlace } from './heard.ts';

/** A place as it was heard beside what the readings say of it. */
export interface ComparedPlace {
  /** 1 is the highest */
  readonly string: number;
  /** 0 is the open string */
  readonly held: number;
  readonly heard: HeardPlace['heard'];
  /** what the readings say for this hand; `close` agrees with either */
  readonly computed: 'clear' | 'close' | 'buzzes';
}

/** What is heard that the readings don't explain, each with the places it was heard at. */
export type Unexplained =
  /** it buzzes open and nowhere else on these strings */
  | { readonly kind: 'nut'; readonly strings: readonly number[] }
  /** it buzzes held just behind this fret */
  | { readonly kind: 'fret'; readonly fret: number; readonly strings: readonly number[] }
  /** it buzzes behind frets that follow each other */
  | {
      readonly kind: 'region';
      readonly low: number;
      readonly high: number;
      readonly strings: readonly number[];
    }
  /** it buzzes at one pitch, whatever string, Hz */
  | { readonly kind: 'loose'; readonly hz: number; readonly places: readonly ComparedPlace[] }
  /** it is clear where the readings say it buzzes */
  | { readonly kind: 'clear-after-all'; readonly places: readonly ComparedPlace[] };

type Strung = Pick<Construction, 'strings' | 'perCourse'>;

/** Places this near in pitch are one pitch, as a share of it. */
const ONE_PITCH = 1.04;
const REGION = 3;

/**
 * Every heard place beside the map of the neck as it was read.
 * @param maps for the hand that is meant, lowest string first
 */
export function compareHeard(
  heard: readonly HeardPlace[],
  maps: readonly ClearanceMap[],
): readonly ComparedPlace[] {
  return heard.map((h) => {
    const margin = maps[maps.length - h.string]?.margin[h.held] ?? 0;
    const computed = Math.abs(margin) < CLOSE ? 'close' : margin < 0 ? 'buzzes' : 'clear';
    return { string: h.string, held: h.held, heard: h.heard, computed };
  });
}

const pitchOf = (c: Strung, p: ComparedPlace): number => {
  const note = noteFrequency(c.strings[c.strings.length - p.string]?.note ?? '');
  return note.ok ? note.value * 2 ** (p.held / 12) : 0;
};

/** One pitch that buzzes on two strings at least, and on no place of another pitch. */
function looseAt(c: Strung, buzzing: readonly ComparedPlace[]): Unexplained | null {
  const strings = new Set(buzzing.map((p) => p.string));
  const pitches = buzzing.map((p) => pitchOf(c, p));
  const [least, most] = [Math.min(...pitches), Math.max(...pitches)];
  if (strings.size < 2 || !(least > 0) || most / least > ONE_PITCH) return null;
  return { kind: 'loose', hz: Math.sqrt(least * most), places: buzzing };
}

/** The fret each run of buzzing places ends at: held behind it, and behind all before it, the string meets it. */
function fretsMet(buzzing: readonly ComparedPlace[]): ReadonlyMap<number, readonly number[]> {
  const met = new Map<number, number[]>();
  for (const string of new Set(buzzing.map((p) => p.string))) {
    const held = new Set(buzzing.filter((p) => p.string === string).map((p) => p.held));
    for (const h of held) if (!held.has(h + 1)) met.set(h + 1, [...(met.get(h + 1) ?? []), string]);
  }
  return met;
}

/** What was heard against the readings, the likeliest name of it. */
export function unexplained(c: Strung, all: readonly ComparedPlace[]): readonly Unexplained[] {
  const found: Unexplained[] = [];
  const buzzing = all.filter((p) => p.heard === 'buzzes' && p.computed === 'clear');
  const loose = looseAt(c, buzzing);
  if (loose) found.push(loose);
  else {
    const onlyOpen = [...new Set(buzzing.map((p) => p.string))].filter((s) =>
      buzzing.every((p) => p.string !== s || p.held === 0),
    );
    if (onlyOpen.length > 0) found.push({ kind: 'nut', strings: onlyOpen });
    const met = fretsMet(buzzing.filter((p) => !onlyOpen.includes(p.string)));
    const frets = [...met.keys()].sort((a, b) => a - b);
    let run: number[] = [];
    const close = (): void => {
      const strings = [...new Set(run.flatMap((f) => met.get(f) ?? []))].sort((a, b) => b - a);
      const [low = 0] = run;
      if (run.length >= REGION) found.push({ kind: 'region', low, high: run.at(-1) ?? low, strings });
      else
        for (const fret of run)
          found.push({ kind: 'fret', fret, strings: [...(met.get(fret) ?? [])].sort((a, b) => b - a) });
      run = [];
    };
    for (const fret of frets) {
      if (run.length > 0 && fret !== (run.at(-1) ?? 0) + 1) close();
      run.push(fret);
    }
    close();
  }
  const clear = all.filter((p) => p.heard === 'clear' && p.computed === 'buzzes');
  if (clear.length > 0) found.push({ kind: 'clear-after-all', places: clear });
  return found;
}

const stringsOf = (c: Strung, all: readonly number[]): string =>
  `string${all.length === 1 ? '' : 's'} ${all.map((n) => stringName(c, n)).join(', ')}`;

const placesOf = (c: Strung, all: readonly ComparedPlace[]): string =>
  all.map((p) => `${stringName(c, p.string)} ${p.held === 0 ? 'open' : `at ${p.held}`}`).join(', ');

/** What is heard against the readings, in the bench's words. */
export function sayUnexplained(c: Strung, u: Unexplained): string {
  switch (u.kind) {
    case 'nut':
      return `Only the open ${stringsOf(c, u.strings)} buzz${u.strings.length === 1 ? 'es' : ''}, and by the readings there is room: look at the slot in the nut.`;
    case 'fret':
      return `${sentence(stringsOf(c, u.strings))} buzz${u.strings.length === 1 ? 'es' : ''} held behind fret ${u.fret}, and by the readings there is room: fret ${u.fret} stands high or is loose there.`;
    case 'region':
      return `${sentence(stringsOf(c, u.strings))} buzz${u.strings.length === 1 ? 'es' : ''} behind frets ${u.low} to ${u.high}, and by the readings there is room: a hump, or less relief than was read.`;
    case 'loose':
      return `It buzzes only at about ${Math.round(u.hz)} Hz, whatever string (${placesOf(c, u.places)}): something loose rings along. Touch parts one by one until it stops.`;
    case 'clear-after-all':
      return `Clear where the readings say it buzzes (${placesOf(c, u.places)}): this hand plucks softer there, or the heights are to be read again.`;
  }
}

const sentence = (words: string): string => `${words.slice(0, 1).toUpperCase()}${words.slice(1)}`;
