import type { Answer } from '../../core/inspection/checklist.ts';

/** What was sent about an item, and the version it has become: null while it is on its way. */
export interface Sent {
  readonly answer: Answer | null;
  readonly note: string;
  readonly finding: string | null;
  version: number | null;
}

/**
 * The version a next answer stands on: the newest that is known. A screen that was loaded in between may show less than
 * was acknowledged here since, and more where a colleague answered.
 * @param shown the version on the screen
 * @param sent what was last sent from here and acknowledged
 */
export const nextVersion = (shown: number, sent: Pick<Sent, 'version'> | undefined): number =>
  Math.max(shown, sent?.version ?? 0);

/** What stands at an item for this hand: what it has sent last, until the screen shows that or something newer. */
export const standing = <S extends { readonly version: number }>(
  sent: Sent | undefined,
  shown: S | undefined,
): Sent | S | undefined =>
  sent && (sent.version === null || sent.version > (shown?.version ?? 0)) ? sent : shown;
