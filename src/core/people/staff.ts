import type { Role } from './roles.ts';

/** Somebody of the shop, as far as changing them goes. */
export interface Staff {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly active: boolean;
}

/** What is wanted of somebody: another role, or to have left. */
export interface StaffChange {
  readonly role: Role;
  readonly active: boolean;
}

/**
 * Why somebody may not be changed so, in words; null where they may. An owner is made, changed and let go by an owner alone, and
 * one always stays.
 * @param all everybody of the shop
 * @param whom the one who is changed; null for somebody new
 */
export function staffProblem(
  actor: { readonly role: Role },
  all: readonly Staff[],
  whom: Staff | null,
  to: StaffChange,
): string | null {
  const owners = whom?.role === 'owner' || to.role === 'owner';
  if (owners && actor.role !== 'owner') return 'Only an owner changes who is an owner.';
  const left = all.filter((p) => p.active && p.role === 'owner' && p.id !== whom?.id);
  if (whom?.role === 'owner' && whom.active && left.length === 0 && !(to.active && to.role === 'owner'))
    return 'One owner must stay: make somebody else an owner first.';
  return null;
}

/** The letters a name is known by on a tag: the first of its first and of its last word. */
export function initialsOf(name: string): string {
  const words = name.trim().split(/\s+/);
  const [first = '', last = ''] = [words[0], words.length > 1 ? words.at(-1) : ''];
  return `${[...first][0] ?? ''}${[...(last ?? '')][0] ?? ''}`.toUpperCase();
}
