'use client';

import { useEffect } from 'react';
import { PAGE_COMES } from './page-events.ts';

const say = (comes: boolean) => window.dispatchEvent(new CustomEvent(PAGE_COMES, { detail: comes }));

/** Stands where a page is not there yet. */
export function PageComes() {
  useEffect(() => {
    say(true);
    return () => void say(false);
  }, []);
  return null;
}
