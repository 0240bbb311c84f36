/** Letters without their marks, small. */
const plain = (text: string): string => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();

/** The words of a text as they are sought: letters and digits, small, without marks. */
export const wordsOf = (text: string): readonly string[] => plain(text).match(/[\p{L}\p{N}]+/gu) ?? [];

/** Words the index leaves out, since they stand everywhere: they tell nothing. */
const EVERYWHERE = new Set(
  'about are com for from how that the this und was what when where who will with www'.split(' '),
);

/** Shorter words are not sought by the index; a word of so many letters may be typed wrong by one. */
export const SHORTEST = 3;
export const FORGIVEN = 4;

/** The words of a text that can be sought. */
export const soughtIn = (text: string): readonly string[] =>
  wordsOf(text).filter((w) => w.length >= SHORTEST && !EVERYWHERE.has(w));

/** Whether what follows is the same: of a word up to its end from one place on, of another from another on. */
function sameRest(a: string, i: number, end: number, b: string, j: number): boolean {
  if (end - i !== b.length - j) return false;
  for (; i < end; i++, j++) if (a.charCodeAt(i) !== b.charCodeAt(j)) return false;
  return true;
}

/** The same as `nearlySame` of the first letters of a word: hundreds of thousands are looked at, so nothing is cut off. */
function nearlyUpTo(a: string, end: number, b: string): boolean {
  if (Math.abs(end - b.length) > 1) return false;
  let k = 0;
  while (k < end && k < b.length && a.charCodeAt(k) === b.charCodeAt(k)) k++;
  if (k === end && k === b.length) return true;
  if (sameRest(a, k + 1, end, b, k + 1) || sameRest(a, k + 1, end, b, k) || sameRest(a, k, end, b, k + 1))
    return true;
  const turned = a.charCodeAt(k) === b.charCodeAt(k + 1) && a.charCodeAt(k + 1) === b.charCodeAt(k);
  return end - k > 1 && turned && sameRest(a, k + 2, end, b, k + 2);
}

/** Whether two words differ by one letter at most: one other, one more, one less, or two that changed places. */
export const nearlySame = (a: string, b: string): boolean => nearlyUpTo(a, a.length, b);

/** Whether the begin of a word differs from what is sought by one letter at most: it is typed while it is sought. */
export function beginsNearly(word: string, sought: string): boolean {
  if (nearlySame(word, sought)) return true;
  for (let n = Math.max(FORGIVEN, sought.length - 1); n <= sought.length + 1; n++)
    if (n < word.length && nearlyUpTo(word, n, sought)) return true;
  return false;
}

/**
 * The words of a shop that a word may have meant, the most frequent first: those that are it but for a letter.
 * @param known every word with how often it stands in the book
 */
export function meant(sought: string, known: ReadonlyMap<string, number>): readonly string[] {
  if (sought.length < FORGIVEN) return [];
  const whole: [string, number][] = [];
  const begun: [string, number][] = [];
  for (const [word, often] of known) {
    if (nearlySame(word, sought)) whole.push([word, often]);
    else if (beginsNearly(word, sought)) begun.push([word, often]);
  }
  const found = whole.length > 0 ? whole : begun;
  return found.sort((a, b) => b[1] - a[1]).map(([word]) => word);
}

/** The digits of what may be a telephone number; null where it is none. */
export function digitsOf(text: string): string | null {
  const digits = text.replace(/[\s()+/.-]/g, '');
  return /^\d{4,}$/.test(digits) ? digits : null;
}
