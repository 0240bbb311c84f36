const SAID: Readonly<Record<number, string>> = {
  0.5: 'a sixteenth of a turn',
  1: 'one eighth',
  1.5: 'three sixteenths of a turn',
  2: 'a quarter turn',
  4: 'half a turn',
  8: 'a whole turn',
};

/**
 * Says a turn of the rod, whichever way.
 * @param eighths of a turn; the sign does not count
 * @example sayTurn(-1.5) → three sixteenths of a turn
 */
export const sayTurn = (eighths: number): string =>
  SAID[Math.abs(eighths)] ?? `${Math.abs(eighths)} eighths of a turn`;
