/** The parts of an instrument whose originality is told one by one. */
export const ORIGINAL_PARTS = {
  finish: 'Finish',
  top: 'Top',
  board: 'Fingerboard',
  frets: 'Frets',
  nut: 'Nut',
  bridge: 'Bridge',
  saddle: 'Saddle',
  tuners: 'Tuners',
  tailpiece: 'Tailpiece or vibrato',
  pickups: 'Pickups',
  wiring: 'Wiring and controls',
  case: 'Case',
} as const;
export type OriginalPart = keyof typeof ORIGINAL_PARTS;

export const PART_STATES = { original: 'original', replaced: 'replaced', unknown: 'not known' } as const;
export type PartState = keyof typeof PART_STATES;
