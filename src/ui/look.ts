/** The wish that the page be looked at again; `Live` hears it. */
export const LOOK = 'rubrica:look';

/** Asks for the page to be looked at again soon; many wishes together cost one look. */
export function lookSoon(): void {
  window.dispatchEvent(new Event(LOOK));
}

/** How long a screen waits after a change for others that come with it, ms. */
export const SETTLE_MS = 40;
