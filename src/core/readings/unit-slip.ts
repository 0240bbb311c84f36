import { BARE } from '../units/bare-unit.ts';
import { formatLength } from '../units/format-length.ts';
import { parseLength } from '../units/parse-length.ts';
import { otherWays, type EntryQuestion, type EntryReading, type OtherReading } from './entry.ts';
import { QUANTITY_FACTS, type Quantity } from './quantities.ts';
import { readingWords } from './reading-words.ts';
import type { Station } from './stations.ts';

/** What tells a slip of the unit from an unusual instrument. */
export interface Yardstick {
  /** what this place is aimed at on this instrument for this player, mm; undefined where there is no aim */
  readonly aim: number | undefined;
  /** what was read here last, mm */
  readonly before: number | undefined;
  /** the least step of the gauge in hand, mm */
  readonly step: number | undefined;
}

/** The least a usual gauge shows of a small gap, mm. */
const USUAL_STEP: Readonly<Partial<Record<Quantity, number>>> = { relief: 0.02, 'nut-gap': 0.02 };

/** An action as it comes in stands between these shares of its aim; in between nothing is asked. */
const USUAL = [0.72, 1.85] as const;
/** Another reading of the same digits is worth a question only where it is quite usual itself. */
const LIKELY = [0.8, 1.5] as const;
/** What was read here before, give or take so much, is no slip. */
const AS_BEFORE = [0.75, 1.35] as const;
/** So far from its aim an action is asked about though no other unit makes sense of it. */
const FAR = [0.42, 2.7] as const;

const within = (n: number, [low, high]: readonly [number, number]): boolean => n >= low && n <= high;

/** `3/64` where 3/32 was meant, and the other way round. */
function fractionOtherWay(typed: string): OtherReading[] {
  const m = /^\s*([\d.,]+(?:\s*[½¼¾])?)\s*\/\s*(64|32)\s*$/.exec(typed);
  if (!m?.[1]) return [];
  const text = `${m[1].trim()}/${m[2] === '64' ? '32' : '64'}`;
  const read = parseLength(text);
  return read.ok
    ? [{ text, value: read.value.mm, says: `${text} = ${formatLength(read.value.mm, 'mm')}` }]
    : [];
}

const ways = (typed: string, { quantity }: Station, { unit }: EntryReading): OtherReading[] => [
  ...otherWays(typed, quantity, unit),
  ...fractionOtherWay(typed),
];

/** A small gap finer than the gauge shows: thousandths in a field of millimetres, or millimetres in one of thousandths. */
function finerThanTheGauge(
  entry: EntryReading,
  station: Station,
  typed: string,
  step: number | undefined,
): EntryQuestion | null {
  const least = step ?? USUAL_STEP[station.quantity];
  const size = Math.abs(entry.value);
  if (least === undefined || size === 0 || size >= 0.99 * least || !BARE.test(typed)) return null;
  const others = ways(typed, station, entry).filter((o) => Math.abs(o.value) >= least);
  if (others.length === 0) return null;
  return {
    code: 'other-unit',
    message: `${formatLength(entry.value, 'mm')} is less than the gauge shows. What did it say?`,
    others,
  };
}

/** `.020` in a field of millimetres is how thousandths of an inch are written. */
function writtenAsInches(entry: EntryReading, station: Station, typed: string): EntryQuestion | null {
  if (entry.unit !== 'mm' || !/^\s*[.,]\d{3}\s*$/.test(typed)) return null;
  const others = ways(typed, station, entry).filter((o) => o.text.endsWith(' in'));
  if (others.length === 0) return null;
  return {
    code: 'other-unit',
    message: `${typed.trim()} is how thousandths of an inch are written. Is it ${formatLength(entry.value, 'mm')}?`,
    others,
  };
}

/** An action far from its aim, where the same digits in another unit are quite usual. */
function farFromItsAim(
  entry: EntryReading,
  station: Station,
  typed: string,
  { aim, before }: Yardstick,
): EntryQuestion | null {
  if (station.quantity !== 'action' || aim === undefined || aim <= 0) return null;
  if (before !== undefined && before > 0 && within(entry.value / before, AS_BEFORE)) return null;
  const share = entry.value / aim;
  if (within(share, USUAL)) return null;
  const others = ways(typed, station, entry).filter((o) => within(o.value / aim, LIKELY));
  if (others.length === 0 && within(share, FAR)) return null;
  return {
    code: 'other-unit',
    message: `${formatLength(entry.value, 'mm')} (${formatLength(entry.value, '64ths')}) is far from the ${readingWords('action', aim)} aimed at. What did the gauge say?`,
    others,
  };
}

/**
 * Asks when what was typed looks like a slip of the unit on this instrument: finer than the gauge shows, written as
 * thousandths in a field of millimetres, or far from the aim where the same digits in another unit are near it. Lengths are
 * mm. Null where nothing speaks for a slip.
 * @param typed as it was typed, to offer the same digits in other units
 */
export function unitSlip(
  entry: EntryReading,
  station: Station,
  typed: string,
  yardstick: Yardstick,
): EntryQuestion | null {
  if (QUANTITY_FACTS[station.quantity].measure !== 'length' || entry.spread !== null) return null;
  return (
    finerThanTheGauge(entry, station, typed, yardstick.step) ??
    writtenAsInches(entry, station, typed) ??
    farFromItsAim(entry, station, typed, yardstick)
  );
}
