import { formatLength } from '../units/format-length.ts';
import { sayGauges, thouOf, type PacketString } from './gauges.ts';
import type { SortId } from './sorts.ts';

/** What is known of an item, by the facts of its sort: lengths in mm, days as yyyy-mm-dd. */
export type ItemFacts = Readonly<Record<string, string | number | readonly PacketString[]>>;

/** An item as it is matched with what is needed. */
export interface FittingItem {
  readonly sort: SortId;
  readonly name: string;
  readonly facts: ItemFacts;
}

/** What a job needs from the shelf. Lengths in mm; null where nobody read it. */
export type StockNeed =
  | {
      readonly kind: 'set';
      readonly strings: readonly NeededString[];
      readonly steel: boolean;
      /** what its wound strings are wrapped with; empty where that does not matter */
      readonly wrap: string;
    }
  | { readonly kind: 'string'; readonly string: NeededString; readonly steel: boolean }
  | {
      readonly kind: 'blank';
      readonly sort: 'nut-blank' | 'saddle-blank';
      readonly thick: number | null;
      readonly high: number | null;
      readonly long: number | null;
    }
  /** wire whose crown is not lower than what is left of the frets that stay */
  | { readonly kind: 'wire'; readonly crown: number | null }
  | { readonly kind: 'pins'; readonly taper: number | null }
  /** what only its name tells */
  | { readonly kind: 'named'; readonly words: string };

/** A string that is needed: gauge in mm. */
export interface NeededString {
  readonly gauge: number;
  readonly wound: boolean;
}

/** How an item does for a need. */
export interface Fit {
  readonly how: 'just so' | 'would do';
  /** what is different, or what must be looked at first; empty where nothing is */
  readonly why: string;
  /** the less the nearer */
  readonly off: number;
}

/** Gauges that are one, and that would do, thousandths of an inch. */
const ONE = 0.5;
const NEAR = { plain: 2, wound: 3 } as const;
/** All together a set is still the same sort of set, thousandths a string. */
const NEAR_ALL = 1;
/** Another wrap sounds otherwise: what is wrapped alike comes first, whatever thousandths it is off. */
const OTHER_WRAP = 100;
/** A replacement of one string must sound with its neighbours, thousandths. */
const NEAR_SINGLE = 1;

const isWound = ({ kind }: PacketString): boolean => kind === 'wound' || kind === 'floss';
const isSteel = (strings: readonly PacketString[]): boolean =>
  strings.every((s) => s.kind === 'plain' || s.kind === 'wound');
const stringsOf = ({ facts }: FittingItem): readonly PacketString[] =>
  Array.isArray(facts['strings']) ? (facts['strings'] as readonly PacketString[]) : [];
const lengthOf = ({ facts }: FittingItem, fact: string): number | null =>
  typeof facts[fact] === 'number' ? facts[fact] : null;
const short = (gauge: number): string => `.${String(Math.round(thouOf(gauge))).padStart(3, '0')}`;

/** Whether strings may go on at all: steel never on what is built for nylon, nor the other way round. */
const mayGoOn = (strings: readonly PacketString[], steel: boolean): boolean => steel === isSteel(strings);

function setFit(need: Extract<StockNeed, { kind: 'set' }>, item: FittingItem): Fit | null {
  const strings = stringsOf(item);
  if (strings.length !== need.strings.length || !mayGoOn(strings, need.steel)) return null;
  const differs: string[] = [];
  let off = 0;
  for (const [i, s] of strings.entries()) {
    const wanted = need.strings[i];
    if (!wanted || wanted.wound !== isWound(s)) return null;
    const by = Math.abs(thouOf(s.gauge) - thouOf(wanted.gauge));
    if (by > NEAR[wanted.wound ? 'wound' : 'plain']) return null;
    off += by;
    if (by > ONE) differs.push(`${short(s.gauge)} instead of ${short(wanted.gauge)}`);
  }
  if (off > NEAR_ALL * strings.length) return null;
  const wrap = typeof item.facts['wrap'] === 'string' ? item.facts['wrap'] : '';
  if (
    wrap !== '' &&
    need.wrap !== '' &&
    !need.wrap.split(' or ').some((w) => wrap.toLowerCase().includes(w))
  ) {
    differs.push(`${wrap} instead of ${need.wrap}`);
    off += OTHER_WRAP;
  }
  return differs.length === 0
    ? { how: 'just so', why: '', off }
    : { how: 'would do', why: `${differs.join(', ')}: read again after it`, off };
}

function stringFit(need: Extract<StockNeed, { kind: 'string' }>, item: FittingItem): Fit | null {
  const [only, ...more] = stringsOf(item);
  if (!only || more.length > 0 || !mayGoOn([only], need.steel)) return null;
  if (need.string.wound !== isWound(only)) return null;
  const off = Math.abs(thouOf(only.gauge) - thouOf(need.string.gauge));
  if (off <= ONE) return { how: 'just so', why: '', off };
  return off <= NEAR_SINGLE
    ? { how: 'would do', why: `${short(only.gauge)} instead of ${short(need.string.gauge)}`, off }
    : null;
}

function blankFit(need: Extract<StockNeed, { kind: 'blank' }>, item: FittingItem): Fit | null {
  if (item.sort !== need.sort) return null;
  let off = 0;
  const unread: string[] = [];
  for (const fact of ['thick', 'high', 'long'] as const) {
    const has = lengthOf(item, fact);
    const wants = need[fact];
    if (wants === null) unread.push(fact);
    else if (has === null) return null;
    // A blank is worked down: it must be as large, whatever is over comes off.
    else if (has < wants - 1e-9) return null;
    else off += has - wants;
  }
  const why =
    unread.length === 0 ? '' : `how ${unread.join(', ')} it must be was not read: measure before it is cut`;
  return { how: unread.length === 0 ? 'just so' : 'would do', why, off };
}

function wireFit(need: Extract<StockNeed, { kind: 'wire' }>, item: FittingItem): Fit | null {
  const crown = lengthOf(item, 'crown');
  if (item.sort !== 'fret-wire' || crown === null) return null;
  if (need.crown === null)
    return { how: 'would do', why: 'the frets that stay were not read: their height decides', off: 0 };
  if (crown < need.crown - 1e-9) return null;
  return { how: 'just so', why: '', off: crown - need.crown };
}

function pinsFit(need: Extract<StockNeed, { kind: 'pins' }>, item: FittingItem): Fit | null {
  const { taper } = item.facts;
  if (item.sort !== 'pins') return null;
  if (need.taper === null)
    return { how: 'would do', why: 'the taper was not read: try a pin in a reamed hole of each', off: 0 };
  return taper === need.taper ? { how: 'just so', why: '', off: 0 } : null;
}

const plain = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((w) => w.length > 2)
    .map((w) => w.replace(/s$/, ''));

function namedFit(need: Extract<StockNeed, { kind: 'named' }>, item: FittingItem): Fit | null {
  const has = plain([item.name, ...Object.values(item.facts).filter((f) => typeof f === 'string')].join(' '));
  const wanted = plain(need.words);
  return wanted.length > 0 && wanted.every((w) => has.includes(w))
    ? { how: 'just so', why: '', off: 0 }
    : null;
}

/** How an item does for what is needed; null where it does not. */
export function fitOf(need: StockNeed, item: FittingItem): Fit | null {
  switch (need.kind) {
    case 'set':
      return item.sort === 'string-set' ? setFit(need, item) : null;
    case 'string':
      return item.sort === 'string' ? stringFit(need, item) : null;
    case 'blank':
      return blankFit(need, item);
    case 'wire':
      return wireFit(need, item);
    case 'pins':
      return pinsFit(need, item);
    case 'named':
      return namedFit(need, item);
  }
}

/** The items that do, what fits best first. */
export const fitting = <I extends FittingItem>(
  need: StockNeed,
  items: readonly I[],
): readonly { readonly item: I; readonly fit: Fit }[] =>
  items
    .flatMap((item) => {
      const fit = fitOf(need, item);
      return fit ? [{ item, fit }] : [];
    })
    .sort(
      (a, b) => Number(a.fit.how === 'would do') - Number(b.fit.how === 'would do') || a.fit.off - b.fit.off,
    );

const mm = (v: number | null): string => (v === null ? '?' : String(Math.round(v * 10) / 10));

/** What is needed, in words: `a set 53w 42w 32w 24w 16p 12p`, `a saddle blank 3 × 10 × 80 mm or larger`. */
export function sayNeed(need: StockNeed): string {
  switch (need.kind) {
    case 'set':
      return `a set ${sayGauges(need.strings.map((s) => asPacket(s, need.steel)))}`;
    case 'string':
      return `a string ${sayGauges([asPacket(need.string, need.steel)])}`;
    case 'blank':
      return `a ${need.sort === 'nut-blank' ? 'nut' : 'saddle'} blank ${[need.thick, need.high, need.long].map(mm).join(' × ')} mm or larger`;
    case 'wire':
      return need.crown === null
        ? 'fret wire'
        : `fret wire, its crown not under ${formatLength(need.crown, 'mm')}`;
    case 'pins':
      return need.taper === null ? 'bridge pins' : `bridge pins of ${need.taper}°`;
    case 'named':
      return need.words;
  }
}

const asPacket = (s: NeededString, steel: boolean): PacketString => ({
  gauge: s.gauge,
  kind: steel ? (s.wound ? 'wound' : 'plain') : s.wound ? 'floss' : 'nylon',
});
