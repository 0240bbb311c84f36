/** How old the strings are that a round is read with; null where nobody said. */
export const STRING_AGES = { new: 'new', played: 'played in', old: 'old' } as const;
export type StringAge = keyof typeof STRING_AGES;
export const STRING_AGE_NAMES = Object.keys(STRING_AGES) as [StringAge, ...StringAge[]];

/** The set a round is read with: what it is called, and how old it is. */
export interface SetOn {
  readonly setOn: string;
  readonly setAge: StringAge | null;
}

/** A change of the strings as far as the set goes. */
interface SetChange {
  readonly kind: 'off' | 'on';
  readonly fresh: boolean | null;
  /** which are new, where not all are */
  readonly newOnes?: readonly number[] | null | undefined;
  readonly setName?: string | undefined;
  readonly changedAt: Date;
}

const NOT_SAID: SetOn = { setOn: '', setAge: null };

/** What went on last since a round began; undefined where nothing did. */
const putOnSince = (
  before: { readonly startedAt: Date } | null,
  changes: readonly SetChange[],
): SetChange | undefined =>
  changes.findLast(
    (c) => c.kind === 'on' && (before === null || c.changedAt.getTime() > before.startedAt.getTime()),
  );

/**
 * The tuning a round is likely read in that begins now: as the round before, until strings went on.
 * @param own what the strings that are on are tuned to
 */
export const likelyTuning = (
  before: { readonly tuning: string; readonly startedAt: Date } | null,
  changes: readonly SetChange[],
  own: string,
): string => (before === null || putOnSince(before, changes) !== undefined ? own : before.tuning);

/**
 * The set a round is likely read with that begins now: what went on since the round before, else what that one was read with.
 * @param before the round before; null where it is the first
 * @param changes what was done to the strings on this job, oldest first
 */
export function likelySet(
  before: (Partial<SetOn> & { readonly startedAt: Date }) | null,
  changes: readonly SetChange[],
): SetOn {
  const known: SetOn = {
    ...NOT_SAID,
    ...(before && { setOn: before.setOn ?? '', setAge: before.setAge ?? null }),
  };
  const on = putOnSince(before, changes);
  if (!on) return known;
  const isNew = on.fresh === true && (on.newOnes ?? []).length === 0;
  return { setOn: on.setName || (isNew ? '' : known.setOn), setAge: isNew ? 'new' : known.setAge };
}

/** The set in a few words: `.012–.053, old strings`; nothing where nobody said. */
export const saySetOn = ({ setOn, setAge }: SetOn): string =>
  [setOn, setAge === null ? '' : `${STRING_AGES[setAge]} strings`].filter((part) => part !== '').join(', ');

/**
 * What is asked before a contact moves: pitches that were read on old strings tell little of the saddle.
 * @param rounds the rounds that pitches which count were read in
 */
export const readOnOld = (rounds: readonly Pick<SetOn, 'setAge'>[]): readonly string[] =>
  rounds.some((r) => r.setAge === 'old')
    ? [
        'Its pitches were read on old strings, which are seldom true: put new ones on and read them again before a contact moves.',
      ]
    : [];
