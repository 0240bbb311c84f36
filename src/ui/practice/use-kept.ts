'use client';

import { useEffect, useState } from 'react';
import { dropDraft, readDraft, saveDraft } from '../data/draft.ts';

/**
 * What is typed or ticked and not given yet: kept on this tablet, so that a reload loses nothing.
 * @returns what it is now, how to change it, and how to forget it once it was given
 */
export function useKept<T>(key: string, first: T): readonly [T, (value: T) => void, () => void] {
  const [value, setValue] = useState(first);
  useEffect(() => {
    const kept = readDraft<T>(key);
    if (kept !== null) setValue(kept);
  }, [key]);
  const set = (next: T): void => {
    setValue(next);
    saveDraft(key, next);
  };
  const forget = (): void => {
    setValue(first);
    dropDraft(key);
  };
  return [value, set, forget];
}
