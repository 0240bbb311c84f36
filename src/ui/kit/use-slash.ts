'use client';

import { useEffect, type RefObject } from 'react';

/** Whether what has the focus takes what is typed. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');

/** `/` goes to a field from anywhere on the page. */
export function useSlash(field: RefObject<HTMLInputElement | null>): void {
  useEffect(() => {
    // Where a page has its own field, `/` is that one's.
    field.current?.setAttribute('data-slash', '');
    const key = (e: KeyboardEvent) => {
      if (e.key !== '/' || isTyping(e.target)) return;
      e.preventDefault();
      field.current?.focus();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [field]);
}
