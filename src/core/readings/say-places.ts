/**
 * Says many places short: those that differ only in their string are said once.
 * @example sayPlaces(['Relief, 7th', 'Gap over fret 1, string 4 E', 'Gap over fret 1, string 3 A']) → `Relief, 7th; Gap over fret 1, strings 4, 3`
 */
export function sayPlaces(labels: readonly string[]): string {
  const groups = new Map<string, string[]>();
  for (const label of labels) {
    const [, what = label, string] = /^(.*), string (\d+[a-z]?)\b.*$/.exec(label) ?? [];
    const strings = groups.get(what) ?? [];
    groups.set(what, string === undefined ? strings : [...strings, string]);
  }
  return [...groups]
    .map(([what, strings]) =>
      strings.length === 0
        ? what
        : `${what}, ${strings.length === 1 ? 'string' : 'strings'} ${strings.join(', ')}`,
    )
    .join('; ');
}
