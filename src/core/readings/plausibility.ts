import type { Construction } from '../instrument/construction.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { LIES_ON, nutSlot } from '../nut/nut-slot.ts';
import { formatLength } from '../units/format-length.ts';
import { sayLeft } from '../days/say-left.ts';
import { otherWays, type EntryQuestion, type EntryReading } from './entry.ts';
import { actionAt } from './methods.ts';
import type { Quantity } from './quantities.ts';
import { readingWords } from './reading-words.ts';
import { stationKey, type Station } from './stations.ts';
import { unitSlip } from './unit-slip.ts';

/** What a reading is held against: values by station key, mm or cents. */
export interface Known {
  readonly construction: Construction;
  /** the same round's other readings */
  readonly round: ReadonlyMap<string, number>;
  /** what was read last, on this visit or an earlier one */
  readonly before: ReadonlyMap<string, number>;
  /** aims, to tell bass and treble apart */
  readonly aims: ReadonlyMap<string, number>;
  /** work whose rest runs, what it moved, since and until when (ms); and the moment of the reading */
  readonly settling?: readonly Settling[] | undefined;
  readonly now?: number | undefined;
  /** the least step of the gauge in hand, mm; what is usual where it is not said */
  readonly step?: number | undefined;
}

/** Work that rests before what it moved is read. Moments are ms. */
export interface Settling {
  readonly title: string;
  readonly at: number;
  readonly until: number;
  readonly moves: readonly Quantity[];
}

type Rule = (entry: EntryReading, station: Station, known: Known, typed: string) => EntryQuestion | null;

const near = (ratio: number, to: number): boolean => Math.abs(ratio - to) <= 0.07 * to;
const SLIPS: Readonly<Partial<Record<Quantity, number>>> = { action: 0.5, 'nut-gap': 0.06, relief: 0.08 };
const SWAPPED_BY = 0.25;
const USUAL_NUT = 0.5;

/** An action that would lay the string on a fret, given relief and nut as read. */
const underTheFret: Rule = ({ value }, station, { construction: c, round }) => {
  if (station.quantity !== 'action') return null;
  const relief = round.get(stationKey('relief', 0, 7)) ?? 0;
  const gap = round.get(stationKey('nut-gap', station.string, 1));
  const nut = gap === undefined ? USUAL_NUT : Math.max(0, gap) * nutSlot(LIES_ON, 0, 0).perGap;
  for (let n = 1; n <= c.frets; n++) {
    const share = fretPosition(c.scale, station.fret) / fretPosition(c.scale, 12);
    const at12 = nut + (value - nut) / share;
    if (actionAt(c, at12, n, { nut, relief }) > 0) continue;
    return {
      code: 'impossible',
      message: `With ${readingWords('action', value)} here the string would lie on fret ${n}. What did the gauge say?`,
      others: [],
    };
  }
  return null;
};

/** Twice or half of what stood here before: 32nds read as 64ths, or the other way. */
const halfOrDouble: Rule = ({ value, unit }, station, { before }, typed) => {
  const was = before.get(station.key);
  const least = SLIPS[station.quantity];
  if (was === undefined || least === undefined || was < least || value <= 0) return null;
  if (unit !== '64ths' && unit !== '32nds') return null;
  const ratio = value / was;
  if (!near(ratio, 2) && !near(ratio, 0.5)) return null;
  const other = unit === '64ths' ? '/32' : '/64';
  const number = /^[+-]?[\d.,]+/.exec(typed.trim())?.[0];
  const means =
    number === undefined ? null : { text: `${number}${other}`, value: value * (other === '/32' ? 2 : 0.5) };
  return {
    code: 'half-or-double',
    message: `${ratio > 1 ? 'Twice' : 'Half'} of what stood here before (${readingWords(station.quantity, was)}). Were these 32nds or 64ths?`,
    others:
      means && near(means.value / was, 1)
        ? [{ ...means, says: `${means.text} = ${formatLength(means.value, 'mm')}` }]
        : [],
  };
};

/** Ten times what stood here before, or a tenth. */
const tenTimes: Rule = ({ value, unit }, station, { before }, typed) => {
  const was = before.get(station.key);
  if (was === undefined || was <= 0.02 || value <= 0 || unit === 'cents') return null;
  const ratio = value / was;
  if (!near(ratio, 10) && !near(ratio, 0.1)) return null;
  return {
    code: 'ten-times',
    message: `${ratio > 1 ? 'Ten times' : 'A tenth of'} what stood here before (${readingWords(station.quantity, was)}). Where does the point stand?`,
    others: otherWays(typed, station.quantity, unit).filter((o) => near(o.value / was, 1)),
  };
};

/** The treble stands higher than the bass where it should stand lower. */
const sidesSwapped: Rule = ({ value }, station, { construction, round, aims }) => {
  if (station.quantity !== 'action') return null;
  const count = construction.strings.length;
  if (station.string !== 1 && station.string !== count) return null;
  const otherKey = stationKey('action', station.string === 1 ? count : 1, station.fret);
  const [other, aim, otherAim] = [round.get(otherKey), aims.get(station.key), aims.get(otherKey)];
  if (other === undefined || aim === undefined || otherAim === undefined || aim === otherAim) return null;
  const asAimed = Math.sign(aim - otherAim) * (value - other);
  if (asAimed > -SWAPPED_BY) return null;
  return {
    code: 'sides-swapped',
    message: `The treble side stands ${readingWords('action', Math.abs(value - other))} higher than the bass. Were the two sides swapped?`,
    others: [],
  };
};

/** A nut gap four times its neighbours'. */
const oddOneOut: Rule = ({ value }, station, { round }) => {
  if (station.quantity !== 'nut-gap') return null;
  const others = [...round]
    .filter(([key]) => key.startsWith('nut-gap:') && key !== station.key)
    .map(([, v]) => v)
    .sort((a, b) => a - b);
  const median = others[Math.floor(others.length / 2)];
  if (median === undefined || others.length < 2 || value < 4 * median || value - median < 0.15) return null;
  return {
    code: 'odd-one-out',
    message: `The other gaps are about ${readingWords('nut-gap', median)}. Is this one ${readingWords('nut-gap', value)}?`,
    others: [],
  };
};

/** What rests is read when it has rested: until then it goes on moving. */
const tooSoon: Rule = (_, { quantity }, { settling = [], now = 0 }) => {
  const running = settling
    .filter((s) => s.until > now && s.moves.includes(quantity))
    .sort((a, b) => b.until - a.until)[0];
  if (!running) return null;
  const [since, left] = [sayLeft(running.at, now), sayLeft(now, running.until)];
  const ago = since === 'over' ? 'Just' : since;
  return {
    code: 'too-soon',
    message: `${ago} after “${running.title}”: it goes on moving for ${left} more. Read it again then.`,
    others: [],
  };
};

/** The same digits in another unit would be usual here. */
const otherUnit: Rule = (entry, station, { aims, before, step }, typed) =>
  unitSlip(entry, station, typed, { aim: aims.get(station.key), before: before.get(station.key), step });

const RULES: readonly Rule[] = [
  underTheFret,
  halfOrDouble,
  tenTimes,
  otherUnit,
  sidesSwapped,
  oddOneOut,
  tooSoon,
];

/**
 * What Rubrica would ask about a reading, from the instrument, the round's other readings and what stood there before:
 * the first question that applies, or null. Always a question, never a block.
 */
export function askAbout(
  entry: EntryReading,
  station: Station,
  known: Known,
  typed: string,
): EntryQuestion | null {
  if (entry.question !== null) return entry.question;
  for (const rule of RULES) {
    const asked = rule(entry, station, known, typed);
    if (asked !== null) return asked;
  }
  return null;
}
