/** The wish that the page be looked at again; `Live` hears it. */
export const REFRESH = 'rubrica:refresh';

/** Asks for the page to be looked at again soon; many wishes together cost one look. */
export function refreshSoon(): void {
  window.dispatchEvent(new Event(REFRESH));
}

/** How long a screen waits after a change for others that come with it, ms. */
export const SETTLE_MS = 40;
