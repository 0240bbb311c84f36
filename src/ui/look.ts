/** The wish that the page be looked at again; `Live` hears it. */
export const LOOK = 'rubrica:look';

/** Asks for the page to be looked at again soon; many wishes together cost one look. */
export function lookSoon(): void {
  window.dispatchEvent(new Event(LOOK));
}
