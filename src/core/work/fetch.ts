import type { Operation } from '../catalogue/operation.ts';

const THOU = 25.4 / 1000;

/**
 * What to fetch before a step: its materials, and for nut slots a file to each gauge, thickest first, none twice.
 * @param gauges string gauges, mm
 * @example a nut's slots on .042 and .010 → `nut files .042, .010`
 */
export function toFetch(op: Pick<Operation, 'filesNut' | 'materials'>, gauges: readonly number[]): string[] {
  const files = [...new Set(gauges.map((g) => `.${String(Math.round(g / THOU)).padStart(3, '0')}`))];
  const named = files.sort().reverse().join(', ');
  return [...op.materials, ...(op.filesNut && named !== '' ? [`nut files ${named}`] : [])];
}
