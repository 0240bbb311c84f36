'use client';

import { useSyncExternalStore } from 'react';
import type { PresentPerson } from '../../server/people/presence.ts';

const NOBODY: readonly PresentPerson[] = [];
let others = NOBODY;
let item = '';
const listeners = new Set<() => void>();

const tell = (): void => listeners.forEach((l) => l());
const listen = (l: () => void): (() => void) => {
  listeners.add(l);
  return () => listeners.delete(l);
};

/** Keeps who else is on this job just now. */
export function setOthers(now: readonly PresentPerson[]): void {
  if (JSON.stringify(now) === JSON.stringify(others)) return;
  others = now;
  tell();
}

/** Keeps at which item of the checklist this tablet is; empty for none. */
export function setItem(now: string): void {
  if (now === item) return;
  item = now;
  tell();
}

/** Who else is on this job just now. */
export const useOthers = (): readonly PresentPerson[] =>
  useSyncExternalStore(
    listen,
    () => others,
    () => NOBODY,
  );

/** At which item this tablet is. */
export const useItem = (): string =>
  useSyncExternalStore(
    listen,
    () => item,
    () => '',
  );
