/** Somebody who can be spoken to. */
interface Named {
  readonly id: number;
  readonly name: string;
}

const letters = (text: string): string => text.toLowerCase();

/**
 * The people a text speaks to: `@` and a whole name, or a first name that only one of them has.
 * @example mentioned('@Nadia look at this', [{ id: 4, name: 'Nadia Brook' }]) → [4]
 */
export function mentioned(text: string, people: readonly Named[]): number[] {
  const low = letters(text);
  const first = (p: Named): string => letters(p.name).split(' ')[0] ?? '';
  const said = (name: string): boolean => {
    for (let at = low.indexOf(`@${name}`); at >= 0; at = low.indexOf(`@${name}`, at + 1)) {
      if (!/[\p{L}\p{N}]/u.test(low[at + name.length + 1] ?? ' ')) return true;
    }
    return false;
  };
  return people
    .filter((p) => {
      const alone = people.filter((o) => first(o) === first(p)).length === 1;
      return said(letters(p.name)) || (alone && said(first(p)));
    })
    .map((p) => p.id);
}
