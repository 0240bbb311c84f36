/** How the instrument was when a round was read. */
export interface Conditions {
  readonly strings: 'at-pitch' | 'missing' | 'off-pitch';
  readonly position: 'playing' | 'on-its-back';
  readonly tuning: string;
}

export const STRINGS_STATES: Readonly<Record<Conditions['strings'], string>> = {
  'at-pitch': 'all strings on, at pitch',
  missing: 'a string is missing',
  'off-pitch': 'not at pitch',
};

export const POSITIONS: Readonly<Record<Conditions['position'], string>> = {
  playing: 'playing position',
  'on-its-back': 'on its back',
};

/**
 * Why a reading taken under these conditions cannot stand for the instrument, or null when it can. Such a reading is
 * kept and never used for a plan. The saddle's height needs no strings.
 */
export function notRepresentative(conditions: Conditions, quantity: string): string | null {
  if (conditions.strings === 'at-pitch' || quantity === 'saddle-standout') return null;
  return conditions.strings === 'missing' ? 'taken with a string missing' : 'taken away from pitch';
}
