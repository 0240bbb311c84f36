import type { Mm } from '../units/unit-types.ts';

/**
 * What is left under a saddle's slot: bridge thickness − slot depth − what will be shaved off.
 * @returns mm; `ok` when it is at least `minimum`
 * @example slotFloor(9, 5, 1, 2.4) → { floor: 3, ok: true }
 */
export function slotFloor(
  bridge: Mm,
  slot: Mm,
  shave: Mm,
  minimum: Mm,
): { readonly floor: Mm; readonly ok: boolean } {
  const floor = bridge - slot - shave;
  return { floor, ok: floor >= minimum };
}
