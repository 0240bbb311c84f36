/** When the copy was made that this house shows to be looked at; null in a house that works. */
export const lookOnly = (): string | null => process.env['RUBRICA_LOOK_ONLY'] ?? null;

/** What is said to whoever would change something in it. */
export const LOOK_ONLY_SAYS = 'This is a copy to look at: nothing is changed here, and nothing is sent.';
