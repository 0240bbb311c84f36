import { ACTION_FRET, RELIEF_FRET, stationKey } from '../readings/stations.ts';
import type { Quantity } from '../readings/quantities.ts';

/** What of an instrument can be watched from visit to visit. */
export const WATCHED = {
  relief: {
    name: 'Relief',
    quantity: 'relief',
    side: 'above',
    wears: false,
    customer: 'its neck has probably moved',
  },
  'action-bass': {
    name: 'Action at 12, lowest string',
    quantity: 'action',
    side: 'above',
    wears: false,
    customer: 'its strings have probably come up',
  },
  'action-treble': {
    name: 'Action at 12, highest string',
    quantity: 'action',
    side: 'above',
    wears: false,
    customer: 'its strings have probably come up',
  },
  standout: {
    name: 'Saddle standing out',
    quantity: 'saddle-standout',
    side: 'below',
    wears: true,
    customer: 'its saddle has not much left to give',
  },
  frets: {
    name: 'Lowest fret',
    quantity: 'fret-height',
    side: 'below',
    wears: true,
    customer: 'its frets have probably worn further',
  },
  gap: {
    name: 'Lowest nut gap',
    quantity: 'nut-gap',
    side: 'below',
    wears: true,
    customer: 'its nut has probably worn further',
  },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly name: string;
      readonly quantity: Quantity;
      /** past which side of its limit something is to be done */
      readonly side: 'above' | 'below';
      /** what wears goes on over visits; what is set is set anew at each */
      readonly wears: boolean;
      readonly customer: string;
    }
  >
>;

export type WatchedId = keyof typeof WATCHED;
export const WATCHED_IDS = Object.keys(WATCHED) as WatchedId[];

interface ReadPlace {
  readonly key: string;
  readonly quantity: Quantity;
  readonly value: number;
}

/** What a round read of something watched, mm: where several places are read, the lowest of them; null where nothing was. */
export function watchedValue(id: WatchedId, strings: number, readings: readonly ReadPlace[]): number | null {
  const at = (key: string): number | null => readings.find((r) => r.key === key)?.value ?? null;
  switch (id) {
    case 'relief':
      return at(stationKey('relief', 0, RELIEF_FRET));
    case 'action-bass':
      return at(stationKey('action', strings, ACTION_FRET));
    case 'action-treble':
      return at(stationKey('action', 1, ACTION_FRET));
    default: {
      const own = readings.filter((r) => r.quantity === WATCHED[id].quantity).map((r) => r.value);
      return own.length === 0 ? null : Math.min(...own);
    }
  }
}
