'use client';

import { useEffect, useState } from 'react';

/** Keeps what is typed in this browser until the house has it: a reload or a lost session loses nothing. */
export function saveDraft(key: string, value: unknown): void {
  try {
    localStorage.setItem(`rubrica:${key}`, JSON.stringify(value));
  } catch {
    // a full or forbidden store: typing goes on, only the safety net is missing
  }
}

/** Reads a draft back, or null. */
export function readDraft<T>(key: string): T | null {
  try {
    const text = localStorage.getItem(`rubrica:${key}`);
    return text === null ? null : (JSON.parse(text) as T);
  } catch {
    return null;
  }
}

/** Forgets a draft once the house has acknowledged it. */
export function dropDraft(key: string): void {
  try {
    localStorage.removeItem(`rubrica:${key}`);
  } catch {
    // nothing was kept
  }
}

/** The id of the command that gives exactly this input: the same after a reload, a new one when the input changed. */
export function commandIdFor(key: string, input: unknown): string {
  const text = JSON.stringify(input);
  const before = readDraft<{ readonly id: string; readonly text: string }>(key);
  if (before?.text === text) return before.id;
  const id = crypto.randomUUID();
  saveDraft(key, { id, text });
  return id;
}

/** Whether the page is alive in the browser: drafts are read only then, so that server and browser draw the same first. */
export function useMounted(): boolean {
  const [mounted, setMounted] = useState(false);
  useEffect(() => setMounted(true), []);
  return mounted;
}
