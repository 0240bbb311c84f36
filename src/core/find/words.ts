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

/** Whether two words differ by one letter at most: one other, one more, one less, or two that changed places. */
export function nearlySame(a: string, b: string): boolean {
  if (a === b) return true;
  if (Math.abs(a.length - b.length) > 1) return false;
  let from = 0;
  while (from < a.length && from < b.length && a[from] === b[from]) from++;
  const [restA, restB] = [a.slice(from), b.slice(from)];
  if (restA.slice(1) === restB.slice(1)) return true;
  if (restA.slice(1) === restB || restA === restB.slice(1)) return true;
  return (
    restA.length > 1 && restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2)
  );
}

/** Whether the begin of a word differs from what is sought by one letter at most: it is typed while it is sought. */
export const beginsNearly = (word: string, sought: string): boolean =>
  nearlySame(word, sought) ||
  [sought.length - 1, sought.length, sought.length + 1].some(
    (n) => n >= FORGIVEN && n < word.length && nearlySame(word.slice(0, n), sought),
  );

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
