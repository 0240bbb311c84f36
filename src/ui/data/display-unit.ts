'use client';

import { useCallback, useSyncExternalStore } from 'react';
import { readDraft, saveDraft } from './draft.ts';

/** The units heights may be shown in. */
const UNITS = ['64ths', 'thou', 'mm'] as const;
export type DisplayUnit = (typeof UNITS)[number];

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

const keyOf = (person: string): string => `unit:${person}`;

/**
 * The unit a person reads heights in: remembered on this device for that person, the same on every page, until then the
 * shop's.
 */
export function useDisplayUnit(
  person: string,
  shops: DisplayUnit,
): readonly [DisplayUnit, (unit: DisplayUnit) => void] {
  const own = useSyncExternalStore(
    subscribe,
    () => readDraft<DisplayUnit>(keyOf(person)),
    () => null,
  );
  const choose = useCallback(
    (unit: DisplayUnit) => {
      saveDraft(keyOf(person), unit);
      for (const tell of listeners) tell();
    },
    [person],
  );
  return [own !== null && UNITS.includes(own) ? own : shops, choose];
}
