import { isLate, type Wait } from './waiting.ts';

/** What the danger of a promise hangs on. Days are `yyyy-mm-dd`, moments ms since the epoch. */
export interface Promised {
  readonly neededBy: string | null;
  readonly hardDate: boolean;
  readonly waitingFor: Wait;
  readonly waitingUntil: number | null;
  readonly stepsOpen: number;
  readonly asked: number;
}

const DAY_MS = 86_400_000;
const SOON_DAYS = 2;

/**
 * Why a promise is in danger, in a few words, or null: late; it rests past its day, or its part comes after it; or its day is near and
 * the customer's word, a part or steps are still missing.
 */
export function dangerOf(p: Promised, today: string): string | null {
  if (p.neededBy === null || p.waitingFor === 'home') return null;
  if (isLate(p.neededBy, today, p.waitingFor)) return 'late';
  const endOfDay = Date.parse(`${p.neededBy}T00:00:00Z`) + DAY_MS;
  if (p.waitingUntil !== null && p.waitingUntil >= endOfDay)
    return p.waitingFor === 'part' ? 'the part comes too late' : 'rests past its day';
  const left = (Date.parse(p.neededBy) - Date.parse(today)) / DAY_MS;
  if (left > SOON_DAYS) return null;
  if (p.waitingFor === 'part') return 'a part is missing';
  if (p.asked > 0 || p.waitingFor === 'word') return 'no answer yet';
  return p.stepsOpen > 0 && (p.hardDate || left <= 1) ? `${p.stepsOpen} steps to go` : null;
}
