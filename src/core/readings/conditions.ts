import { QUANTITY_FACTS, type Quantity } from './quantities.ts';

/** How the instrument was when a round was read. */
export interface Conditions {
  readonly strings: 'at-pitch' | 'missing' | 'off-pitch' | 'off';
  readonly position: 'playing' | 'on-its-back';
  readonly tuning: string;
}

export const STRINGS_STATES: Readonly<Record<Conditions['strings'], string>> = {
  'at-pitch': 'all strings on, at pitch',
  missing: 'a string is missing',
  'off-pitch': 'not at pitch',
  off: 'strings off',
};

export const POSITIONS: Readonly<Record<Conditions['position'], string>> = {
  playing: 'playing position',
  'on-its-back': 'on its back',
};

/** Whether a quantity can be read only with the strings on. */
export const needsStrings = (quantity: Quantity): boolean => QUANTITY_FACTS[quantity].strings;

const TAKEN: Readonly<Record<Exclude<Conditions['strings'], 'at-pitch'>, string>> = {
  missing: 'taken with a string missing',
  'off-pitch': 'taken away from pitch',
  off: 'taken with the strings off',
};

/**
 * Why a reading taken under these conditions cannot stand for the instrument, or null when it can. Such a reading is
 * kept and never used for a plan. What is read without strings (saddle, bridge, frets) needs none.
 */
export function notRepresentative(
  conditions: Pick<Conditions, 'strings'>,
  quantity: Quantity,
): string | null {
  return conditions.strings === 'at-pitch' || !needsStrings(quantity) ? null : TAKEN[conditions.strings];
}
