import { usualConstruction } from '../instrument/defaults.ts';
import type { Construction } from '../instrument/construction.ts';
import { KIND_RECORDS, KINDS, type Kind } from '../instrument/kinds.ts';
import { seeded } from '../seeded.ts';
import { TOUCHES, type Touch } from '../targets/target.ts';
import type { Draw, Fault, FaultGroup } from './faults/fault.ts';
import { FAULT_GROUPS } from './faults/fault.ts';
import { FAULTS, faultsFor } from './faults/faults.ts';
import { soundInstrument, type Insides } from './insides.ts';
import type { Level } from './levels.ts';
import { tellsOfFault } from './signs.ts';

/** What a practice instrument is made from: the same one comes of it for everybody. */
export interface PracticeSpec {
  readonly kind: Kind;
  readonly level: Level;
  /** 0 to 2³² − 1 */
  readonly seed: number;
  /** a kind of fault that is among them; null for any */
  readonly about: FaultGroup | null;
}

/** A practice instrument: what is hidden in it, and what its owner says. */
export interface PracticeInstrument {
  readonly spec: PracticeSpec;
  /** as it comes in */
  readonly inside: Insides;
  /** what is wrong with it, in the order in which it is put right */
  readonly faults: readonly Fault[];
  /** each of them alone in the same instrument */
  readonly alone: readonly Insides[];
  readonly says: string;
}

const BASE = 36;

/**
 * A spec as it is passed on by word or link.
 * @example a bass of level 2 from the seed 4711 is `bass.2.3mv`
 */
export const codeOf = ({ kind, level, seed, about }: PracticeSpec): string =>
  [kind, level, seed.toString(BASE), ...(about === null ? [] : [about])].join('.');

const isKind = (text: string): text is Kind => (KINDS as readonly string[]).includes(text);
const isGroup = (text: string): text is FaultGroup => Object.hasOwn(FAULT_GROUPS, text);

/** A spec from its code; null where there is no such instrument. */
export function readCode(code: string): PracticeSpec | null {
  const [kind = '', level = '', seed = '', about, ...more] = code.trim().toLowerCase().split('.');
  if (more.length > 0 || !isKind(kind) || !/^[123]$/.test(level) || !/^[0-9a-z]{1,7}$/.test(seed))
    return null;
  const number = Number.parseInt(seed, BASE);
  if (number > 0xffffffff || (about !== undefined && !isGroup(about))) return null;
  return { kind, level: Number(level) as Level, seed: number, about: about ?? null };
}

/** Random choices from a seed. */
export function drawFrom(seed: number): Draw {
  const next = seeded(seed);
  // The first numbers of neighbouring seeds are thrown away: two instruments side by side are no sisters.
  for (let i = 0; i < 8; i++) next();
  return {
    between: (low, high) => low + (high - low) * next(),
    whole: (low, high) => low + Math.min(high - low, Math.floor((high - low + 1) * next())),
    pick: (list) => list[Math.min(list.length - 1, Math.floor(list.length * next()))] ?? list[0],
  };
}

/** Some have electronics that others of their kind have not. */
function constructionOf(kind: Kind, draw: Draw): Construction {
  const usual = usualConstruction(kind);
  const { acoustic, magnetic } = KIND_RECORDS[kind];
  const wired = draw.between(0, 1) < 0.4;
  if (!wired) return usual;
  if (acoustic && !magnetic) return { ...usual, electronics: 'under-saddle' };
  return kind === 'bass' ? { ...usual, electronics: 'active' } : usual;
}

const SOUND_ONES = 0.1;

/** How many faults, and how hard. */
function wanted(level: Level, draw: Draw): readonly (1 | 2 | 3)[] {
  if (draw.between(0, 1) < SOUND_ONES) return [];
  if (level === 1) return [1];
  if (level === 2) return draw.between(0, 1) < 0.5 ? [2] : [1, 1];
  return draw.between(0, 1) < 0.5 ? [3, 1] : [2, 2, 1];
}

const apart = (fault: Fault, others: readonly Fault[]): boolean =>
  !others.some((o) => o.id === fault.id || o.touches.some((t) => fault.touches.includes(t)));

function choose(c: Construction, { level, about }: PracticeSpec, draw: Draw): readonly Fault[] {
  const all = faultsFor(c);
  const inGroup = about === null ? [] : all.filter((f) => f.group === about && f.level <= level);
  const [first, ...rest] = inGroup;
  const chosen: Fault[] = first ? [draw.pick([first, ...rest])] : [];
  const levels = wanted(level, draw);
  for (const hard of levels.slice(chosen.length)) {
    const free = all.filter((f) => f.level === hard && apart(f, chosen));
    const [one, ...others] = free;
    if (one) chosen.push(draw.pick([one, ...others]));
  }
  return FAULTS.filter((f) => chosen.includes(f));
}

const PERSON = [
  '',
  ' It should be as it was before.',
  ' I play out on Friday.',
  ' My teacher says it is not me.',
] as const;
const WORRIED = [
  'Could you look it over? I only want to know that it is all right.',
  'A friend says it needs a setup. Does it?',
  'It plays well, I think. What would you do to it?',
] as const;

function saying(faults: readonly Fault[], draw: Draw): string {
  if (faults.length === 0) return draw.pick(WORRIED);
  return `${faults.map((f) => draw.pick(f.says)).join(' ')}${draw.pick(PERSON)}`;
}

const MOST_TRIES = 24;

/** Faults hidden one after the other in a sound instrument. */
const hide = (sound: Insides, faults: readonly Fault[], seed: number): Insides =>
  faults.reduce((inside, f) => f.hide(inside, drawFrom(seed ^ hash(f.id))), sound);

/** A number of a word, the same everywhere (FNV-1a). */
function hash(word: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < word.length; i++) h = Math.imul(h ^ word.charCodeAt(i), 0x01000193);
  return h >>> 0;
}

const TOUCH_LIST = Object.keys(TOUCHES) as [Touch, ...Touch[]];

/**
 * A practice instrument from its spec: the same spec gives the same instrument, to the hundredth. Each fault shows in at least
 * one reading, look or sound beside all the others; where chance hid one completely, it draws again.
 */
export function practiceInstrument(spec: PracticeSpec): PracticeInstrument {
  const start = hash(codeOf(spec));
  for (let tries = 0; ; tries++) {
    const seed = (start + tries * 7919) >>> 0;
    const draw = drawFrom(seed);
    const c = constructionOf(spec.kind, draw);
    const touch = draw.pick(TOUCH_LIST);
    const sound = soundInstrument(c, touch, draw.between(0.035, 0.065));
    const drawn = choose(c, spec, draw);
    const faults = tries < MOST_TRIES ? drawn : drawn.slice(0, 1);
    const whole = hide(sound, faults, seed);
    const alone = faults.map((f) => hide(sound, [f], seed));
    const says = saying(faults, draw);
    const inside = { ...whole, flat: draw.between(12, 60) };
    if (tries >= MOST_TRIES || alone.every((one) => tellsOfFault(one, whole).length > 0))
      return { spec, inside, faults, alone, says };
  }
}

/** The same instrument with certain faults hidden in it, for learning or proving one by one. */
export function instrumentWith(kind: Kind, ids: readonly string[], seed = 1): PracticeInstrument {
  const draw = drawFrom(seed);
  const faults = FAULTS.filter((f) => ids.includes(f.id));
  const usual = usualConstruction(kind);
  const wired = { ...usual, electronics: 'under-saddle' as const };
  const battery = kind === 'bass' ? { ...usual, electronics: 'active' as const } : wired;
  const c = faults.every((f) => f.fits(usual)) ? usual : battery;
  const sound = soundInstrument(c, 'medium', 0.05);
  const inside = { ...hide(sound, faults, seed), flat: 30 };
  return {
    spec: { kind, level: 1, seed, about: null },
    inside,
    faults,
    alone: faults.map((f) => hide(sound, [f], seed)),
    says: saying(faults, draw),
  };
}
