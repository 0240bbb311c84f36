import { useEffect, useState } from 'react';

const ADDRESS_AFTER_MS = 250;

/**
 * Writes an address a moment after the last key. A click or Enter may be a way elsewhere: what waits is written before it, since
 * written later it would undo that.
 */
export function useLateAddress(): { readonly later: (address: string) => void; readonly drop: () => void } {
  const [late] = useState(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let waits: string | null = null;
    const drop = (): void => {
      clearTimeout(timer);
      waits = null;
    };
    const write = (): void => {
      if (waits !== null) window.history.replaceState(null, '', waits);
      drop();
    };
    const later = (address: string): void => {
      clearTimeout(timer);
      waits = address;
      timer = setTimeout(write, ADDRESS_AFTER_MS);
    };
    return { later, drop, write };
  });
  useEffect(() => {
    const enter = (e: KeyboardEvent): void => {
      if (e.key === 'Enter') late.write();
    };
    document.addEventListener('click', late.write, true);
    document.addEventListener('keydown', enter, true);
    // Gone back or on: another address stands there now, which is not to be written over.
    window.addEventListener('popstate', late.drop, true);
    return () => {
      late.drop();
      document.removeEventListener('click', late.write, true);
      document.removeEventListener('keydown', enter, true);
      window.removeEventListener('popstate', late.drop, true);
    };
  }, [late]);
  return late;
}
