/**
 * What one form knows while it is being filled in. The value and the version it began from are frozen at the first
 * keystroke; only what was typed is “mine”. What arrives from the house meanwhile never changes what is being typed, and
 * what is typed never overwrites what a colleague saved and this screen has not shown.
 */
export type Fields = Readonly<Record<string, unknown>>;

/** A value of the house with its version. */
export interface Live<V extends Fields> {
  readonly value: V;
  readonly version: number;
}

/** A form that was begun, or was saved and waits to see itself in the house. */
export interface Edit<V extends Fields> {
  /** what it stands on */
  readonly base: Live<V>;
  /** what was typed over it */
  readonly mine: Partial<V>;
  /** what a colleague made of the same fields meanwhile: to be decided before anything is sent */
  readonly theirs: Live<V> | null;
}

/** Values as text; without ids, where those do not matter. */
const text = (value: unknown): string => JSON.stringify(value ?? null);
const bare = (value: unknown): string => JSON.stringify(value, (k, v: unknown) => (k === 'id' ? 0 : v));

/** The same to whoever reads it: a row that was new has no id until the house gives it one. */
const same = (a: unknown, b: unknown): boolean =>
  Object.is(a, b) || text(a) === text(b) || (/"id":null/.test(text(a) + text(b)) && bare(a) === bare(b));

const keysOf = <V extends Fields>(part: Partial<V>): readonly (keyof V & string)[] =>
  Object.keys(part) as (keyof V & string)[];

/** Fields that both sides changed, to different ends. */
function contested<V extends Fields>(edit: Edit<V>, live: Live<V>): readonly (keyof V & string)[] {
  return keysOf(edit.mine).filter(
    (k) => !same(live.value[k], edit.base.value[k]) && !same(live.value[k], edit.mine[k]),
  );
}

/** Something was typed. */
export function typed<V extends Fields>(edit: Edit<V> | null, live: Live<V>, part: Partial<V>): Edit<V> {
  const now = edit ?? { base: live, mine: {}, theirs: null };
  return { ...now, mine: { ...now.mine, ...part } };
}

/**
 * A newer value came from the house. Where a colleague changed other fields than were typed here, the form stands on the
 * newer one from now on; where they changed the same ones, both are kept for a decision.
 */
export function arrived<V extends Fields>(edit: Edit<V> | null, live: Live<V>): Edit<V> | null {
  if (edit === null || live.version < edit.base.version) return edit;
  const left = keysOf(edit.mine).filter((k) => !same(edit.mine[k], live.value[k]));
  if (left.length === 0 && keysOf(edit.mine).length === 0) return null;
  if (live.version === edit.base.version) return edit;
  if (contested(edit, live).length > 0)
    // The same edit where it was known already: a form that asks at each drawing would be drawn for ever.
    return edit.theirs?.version === live.version && same(edit.theirs.value, live.value)
      ? edit
      : { ...edit, theirs: live };
  // What the house has just so is the house's from now on, with the ids it gave.
  const mine = Object.fromEntries(
    Object.entries(edit.mine).map(([k, v]) => [k, same(v, live.value[k]) ? live.value[k] : v]),
  ) as Partial<V>;
  return { base: live, mine, theirs: null };
}

/** What the form shows. */
export const shown = <V extends Fields>(edit: Edit<V> | null, live: Live<V>): V =>
  edit === null ? live.value : { ...edit.base.value, ...edit.mine };

/** What a colleague says of fields that were typed here too, beside what was typed. */
export function conflicts<V extends Fields>(
  edit: Edit<V> | null,
): readonly { readonly field: keyof V & string; readonly theirs: unknown; readonly mine: unknown }[] {
  if (!edit?.theirs) return [];
  const { theirs } = edit;
  return contested(edit, theirs).map((field) => ({
    field,
    theirs: theirs.value[field],
    mine: edit.mine[field],
  }));
}

/** Mine is to stand over what the colleague said, which was shown. */
export const mineOver = <V extends Fields>(edit: Edit<V>): Edit<V> =>
  edit.theirs ? { base: edit.theirs, mine: edit.mine, theirs: null } : edit;

/** Theirs is to stand; what was typed in other fields stays. */
export function theirsStand<V extends Fields>(edit: Edit<V>): Edit<V> | null {
  if (!edit.theirs) return edit;
  const taken = new Set<string>(contested(edit, edit.theirs));
  const left = Object.fromEntries(Object.entries(edit.mine).filter(([k]) => !taken.has(k))) as Partial<V>;
  return keysOf(left).length === 0 ? null : { base: edit.theirs, mine: left, theirs: null };
}

/**
 * The house has acknowledged what was sent. What was typed since stays; the rest is shown as sent until the house's own
 * newer value arrives.
 * @param sent the edit as it was given to the house
 */
export function acknowledged<V extends Fields>(
  edit: Edit<V> | null,
  sent: Edit<V>,
  version: number,
): Edit<V> {
  const value = shown(sent, sent.base);
  const since = Object.entries(edit?.mine ?? {}).filter(([k, v]) => !same(v, sent.mine[k]));
  const base = { value, version };
  const mine = Object.fromEntries(since) as Partial<V>;
  const newer = edit?.theirs && edit.theirs.version > version ? edit.theirs : null;
  const next: Edit<V> = { base, mine, theirs: null };
  return newer ? (arrived(next, newer) ?? next) : next;
}
