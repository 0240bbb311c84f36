import type { Operation } from '../catalogue/operation.ts';
import type { Construction } from '../instrument/construction.ts';
import type { Reading } from '../readings/reading.ts';
import { KIND_RECORDS } from '../instrument/kinds.ts';
import type { StockNeed } from './fits.ts';

type Read = Pick<Reading, 'quantity' | 'value'>;

/** What is over a slot before a saddle is worked to its height, mm. */
const ROOM = 1;

const most = (readings: readonly Read[], quantity: Reading['quantity']): number | null => {
  const all = readings.filter((r) => r.quantity === quantity).map((r) => r.value);
  return all.length === 0 ? null : Math.max(...all);
};
const plus = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a + b);

/** Whether it is built for steel strings. */
const isSteel = (c: Pick<Construction, 'kind'>): boolean => !KIND_RECORDS[c.kind].softStrung;

/** What a wound string is wrapped with, as packets say it: a pickup hears nickel and steel, plated or not. */
const WRAPPED = {
  bronze: 'bronze',
  nickel: 'nickel or steel',
  'plated or stainless steel': 'nickel or steel',
} as const;

/** A set like the one the instrument is strung with. */
export const setNeed = (c: Construction): StockNeed => ({
  kind: 'set',
  strings: c.strings.map(({ gauge, wound }) => ({ gauge, wound })),
  steel: isSteel(c),
  wrap: isSteel(c) && c.strings.some((s) => s.wound) ? WRAPPED[KIND_RECORDS[c.kind].wrap] : '',
});

/** One string like that of the instrument. @param number 1 is the highest; null where it has none of it */
export function stringNeed(c: Construction, number: number): StockNeed | null {
  const s = c.strings[c.strings.length - number];
  return s ? { kind: 'string', string: { gauge: s.gauge, wound: s.wound }, steel: isSteel(c) } : null;
}

const blank = (
  sort: 'nut-blank' | 'saddle-blank',
  thick: number | null,
  high: number | null,
  long: number | null,
): StockNeed => ({ kind: 'blank', sort, thick, high, long });

/** A blank for a saddle, by its slot and how far the old one stood out of it. */
const saddleNeed = (readings: readonly Read[]): StockNeed => {
  const stands = plus(most(readings, 'slot-depth'), most(readings, 'saddle-standout'));
  return blank(
    'saddle-blank',
    most(readings, 'slot-width') ?? most(readings, 'saddle-thickness'),
    plus(stands, ROOM),
    most(readings, 'saddle-length'),
  );
};

/**
 * What an operation usually takes from the shelf, each kind of thing once: told by the instrument and what was read of it, else by the
 * name its materials have.
 * @param readings those that may be used, mm
 */
export function needsOf(
  operation: Pick<Operation, 'materials'>,
  c: Construction,
  readings: readonly Read[],
): readonly StockNeed[] {
  return operation.materials.map((words): StockNeed => {
    switch (words) {
      case 'a set of strings':
        return setNeed(c);
      case 'saddle blank':
        return saddleNeed(readings);
      case 'nut blank':
        return blank('nut-blank', null, null, most(readings, 'nut-width'));
      case 'fret wire':
        return { kind: 'wire', crown: most(readings, 'fret-height') };
      case 'bridge pins':
        return { kind: 'pins', taper: most(readings, 'pin-taper') };
      default:
        return { kind: 'named', words };
    }
  });
}
