import { fail, ok, type Result } from '../result.ts';
import type { Minor } from './money.ts';

const TYPED = /^(\d{1,6})(?:[.,](\d{1,2}))?$/;

/**
 * Reads an amount of money as it is typed, in minor units; null where nothing is typed.
 * @example readAmount('89,5') → 8950
 */
export function readAmount(text: string, _currency = ''): Result<Minor | null, string> {
  if (text.trim() === '') return ok(null);
  const m = TYPED.exec(text.trim());
  return m
    ? ok(Number(m[1]) * 100 + Number((m[2] ?? '0').padEnd(2, '0')))
    : fail('Write an amount like 120 or 89,50.');
}

/** Says an amount as it is typed. `sayAmount(8950)` → 89.50 */
export const sayAmount = (amount: Minor, _currency = ''): string => (amount / 100).toFixed(2);
