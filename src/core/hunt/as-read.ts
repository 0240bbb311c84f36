import type { Station } from '../readings/stations.ts';
import type { Band } from '../neck/truss-rod.ts';
import { verdict, type Verdict } from '../targets/target.ts';
import { heightWords, sizeWords } from '../units/words-in.ts';
import type { TryId } from './tries.ts';

/** The tries that look at what a sheet has, by what is read for them. */
const READ_FOR: Readonly<Partial<Record<TryId, Station['quantity']>>> = {
  action: 'action',
  relief: 'relief',
};

const SAYS: Readonly<Record<Verdict, string>> = {
  low: 'under its band',
  high: 'over its band',
  edge: 'in its band',
  in: 'in its band',
};

/** A reading a sheet has; mm. */
interface Read {
  readonly key: string;
  readonly value: number;
  readonly uncertainty: number | null;
  readonly notRepresentative: string | null;
}

/**
 * What the sheet has of what a try looks at, so that nobody reads it again who need not: each place with its reading and where that
 * lies; empty where nothing is read, and for any other try. What is stale or does not stand for the instrument is none.
 * @returns words that `wordsIn` says in the reader’s unit
 */
export function asRead(
  what: TryId,
  sheet: {
    readonly stations: readonly (Pick<Station, 'key' | 'quantity' | 'label'> & {
      readonly target: Band | null;
    })[];
    readonly readings: readonly Read[];
    readonly stale: readonly string[];
  },
): string {
  const quantity = READ_FOR[what];
  if (quantity === undefined) return '';
  const read = sheet.stations
    .filter((s) => s.quantity === quantity && !sheet.stale.includes(s.key))
    .flatMap(({ key, label, target }) => {
      const r = sheet.readings.find((x) => x.key === key && x.notRepresentative === null);
      if (!r) return [];
      const lies = target ? `, ${SAYS[verdict(r.value, target, r.uncertainty ?? 0)]}` : '';
      const says = quantity === 'action' ? heightWords(r.value) : sizeWords(r.value);
      return [`${label}: ${says}${lies}`];
    });
  return read.length === 0 ? '' : `On the sheet: ${read.join('; ')}.`;
}
