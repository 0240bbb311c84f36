'use client';

import { use, useCallback, useSyncExternalStore } from 'react';
import { DISPLAY_UNITS, type DisplayUnit } from '../../core/units/length-units.ts';
import { wordsIn } from '../../core/units/words-in.ts';
import { readDraft, saveDraft } from './draft.ts';
import { Reading } from './read-by.tsx';

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

const keyOf = (person: string): string => `unit:${person}`;

/**
 * The unit whoever is signed in reads heights in: remembered on this device for that person, the same on every page, until then
 * the shop's.
 */
export function useDisplayUnit(): readonly [DisplayUnit, (unit: DisplayUnit) => void] {
  const { person, heights } = use(Reading);
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
  return [own !== null && DISPLAY_UNITS.includes(own) ? own : heights, choose];
}

/** Says words that were kept with lengths in them, in the unit whoever is signed in reads. */
export function useWords(): (words: string) => string {
  const [unit] = useDisplayUnit();
  return useCallback((words) => wordsIn(words, unit), [unit]);
}
