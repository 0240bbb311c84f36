/** What an instrument in the rack is waiting for. */
export const WAITS = ['hands', 'time', 'part', 'word', 'home'] as const;
export type Wait = (typeof WAITS)[number];

export const WAIT_NAMES: Readonly<Record<Wait, { readonly name: string; readonly hint: string }>> = {
  hands: { name: 'Hands', hint: 'ready for work' },
  time: { name: 'Time', hint: 'glue, settling, lacquer' },
  part: { name: 'A part', hint: 'on order, to be made' },
  word: { name: 'A word', hint: 'customer, colleague' },
  home: { name: 'The way home', hint: 'to check, to collect' },
};

/** Whether a promise is broken: past its day and not yet on the way home. Dates are `yyyy-mm-dd`. */
export const isLate = (due: string | null, today: string, waiting: Wait): boolean =>
  due !== null && due < today && waiting !== 'home';
