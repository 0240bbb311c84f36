/**
 * The house's secrets, the oldest first. There is one until it is changed; those it had before are kept, since what was entered under
 * them is still held against them. They stand in RUBRICA_SECRET, a line each, the newest first.
 * @example secretsIn('new\nold') → ['old', 'new']
 */
export const secretsIn = (text: string): readonly string[] => text.trim().split('\n').reverse();

export const houseSecrets = (): readonly string[] => secretsIn(process.env['RUBRICA_SECRET'] ?? '');

/** The one everything new is made under. */
export const newestSecret = (): string => houseSecrets().at(-1) ?? '';

/** How often it was changed: the newest one's place among all. */
export const newestPlace = (): number => houseSecrets().length - 1;

/** The one that stood at a place, 0 for the first. */
export const secretAt = (place: number): string => houseSecrets()[place] ?? '';
