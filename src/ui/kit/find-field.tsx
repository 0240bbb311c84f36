'use client';

import { useRef } from 'react';
import { useSlash } from './use-slash.ts';

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
  useSlash(field);
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
