'use client';

import { useEffect, useRef } from 'react';

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');

/** The search field of a place; `/` goes to it from anywhere on the page. */
export function FindField({
  action,
  value,
  hint,
}: {
  readonly action: string;
  readonly value: string;
  readonly hint: string;
}) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.key !== '/' || typing(e.target)) return;
      e.preventDefault();
      field.current?.focus();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, []);
  return (
    <form action={action} role="search">
      <input
        ref={field}
        name="find"
        type="search"
        defaultValue={value}
        placeholder={hint}
        aria-label="Find"
        className="field w-72 max-sm:w-full"
      />
    </form>
  );
}
