/** What a screen hears of a change: its kind, and the number of its job (null: the whole house). */
export interface HeardChange {
  readonly kind: string;
  readonly job: number | null;
}

/** What changes a job's own leaves, and its tag, but never rings a bell, moves a rest or shows on another job. */
const OWN_LEAVES_ONLY: ReadonlySet<string> = new Set([
  'reading taken',
  'reading taken back',
  'readings carried forward',
  'conditions set',
  'target set',
  'item answered',
]);

/**
 * Whether a screen has to look again after a change.
 * @param shown the number of the one job the screen shows; null when it shows many, or all
 */
export const concerns = ({ kind, job }: HeardChange, shown: number | null): boolean =>
  shown === null || job === null || job === shown || !OWN_LEAVES_ONLY.has(kind);
