import { OWN_LEAVES_ONLY } from './made/command-facts.ts';

/** What a screen is told of a change: its kind, and the number of its job (null: the whole house). */
export interface Change {
  readonly kind: string;
  readonly job: number | null;
  /** the command that made it, where one did: who gave it looks again by itself */
  readonly command?: string | null;
}

const OWN: ReadonlySet<string> = new Set(OWN_LEAVES_ONLY);

/**
 * Whether a screen has to be refreshed after a change.
 * @param shown the number of the one job the screen shows; null when it shows many, or all
 */
export const concerns = ({ kind, job }: Change, shown: number | null): boolean =>
  shown === null || job === null || job === shown || !OWN.has(kind);

/** Whether a change may ring somebody's bell or move a rest: what the frame around every page shows. */
export const concernsFrame = ({ kind }: Change): boolean => !OWN.has(kind);
