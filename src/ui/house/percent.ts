const TYPED = /^(\d{1,3})(?:[.,](\d{1,3}))?$/;
const THOUSANDTHS = 100_000;

/**
 * Reads a percentage as it is typed, as a share; null where it is none or over a hundred.
 * @example readPercent('7,7') → 0.077
 */
export function readPercent(text: string): number | null {
  const found = TYPED.exec(text.trim().replace(/\s*%$/, ''));
  if (!found) return null;
  const share = Math.round(Number(`${found[1]}.${found[2] ?? '0'}`) * 1000) / THOUSANDTHS;
  return share <= 1 ? share : null;
}

/** Says a share as a percentage: 0.077 → 7.7. */
export const sayPercent = (share: number): string => String(Math.round(share * THOUSANDTHS) / 1000);
