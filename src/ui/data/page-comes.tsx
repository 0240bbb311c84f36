'use client';

import { useEffect } from 'react';

/** One leaves for another page; its detail is how. Said by `instrumentation-client.ts`. */
export const LEAVING = 'rubrica:leaving';
/** In the place of a page stands that it comes; its detail is whether it does, or is there. */
export const PAGE_COMES = 'rubrica:page-comes';

const say = (comes: boolean) => window.dispatchEvent(new CustomEvent(PAGE_COMES, { detail: comes }));

/** Stands where a page is not there yet. */
export function PageComes() {
  useEffect(() => {
    say(true);
    return () => void say(false);
  }, []);
  return null;
}
