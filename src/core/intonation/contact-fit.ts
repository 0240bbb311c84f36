import type { Mm } from '../units/unit-types.ts';

export interface ContactFit {
  /** mm from the crown's front edge */
  readonly at: Mm;
  /** mm outside the crown: negative in front, positive behind, 0 when it fits */
  readonly outside: Mm;
  readonly ways: readonly string[];
}

/**
 * Whether a string's contact still stands on the saddle's crown after its move.
 * @param crown usable thickness, mm
 * @param contact from the crown's front edge now, mm
 * @param move away from the nut, mm
 * @example contactFit(3, 1.5, 2) → at 3.5, outside 0.5
 */
export function contactFit(crown: Mm, contact: Mm, move: Mm): ContactFit {
  const at = contact + move;
  const outside = at < 0 ? at : at > crown ? at - crown : 0;
  if (outside === 0) return { at, outside, ways: [] };
  const side = outside < 0 ? 'in front of' : 'behind';
  const ways = [
    Math.abs(move) <= crown
      ? 'reverse or re-cut the crown, so that the contact starts from its other edge'
      : null,
    `let the saddle overhang ${side} its slot by ${Math.abs(outside).toFixed(2)} mm`,
    'fill the slot and rout it again where the contact must be',
    outside < 0 ? null : 'compensate at the nut: bring its contact toward the saddle for part of the move',
  ];
  return { at, outside, ways: ways.filter((w) => w !== null) };
}
