const MINUTE = 60_000;

/**
 * How long is left, as a bench says it: `2 days`, `3 h 05`, `12 min`, `over`.
 * @example sayLeft(0, 125 * 60_000) → `2 h 05`
 */
export function sayLeft(now: number, until: number): string {
  const minutes = Math.ceil((until - now) / MINUTE);
  if (minutes <= 0) return 'over';
  if (minutes < 60) return `${minutes} min`;
  if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
  return `${Math.ceil(minutes / (24 * 60))} days`;
}
