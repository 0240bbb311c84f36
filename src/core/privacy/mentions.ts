/** What somebody is called and reached by. */
export interface Named {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
}

/** What stands where somebody was named. */
export const WITHDRAWN = '(withdrawn)';

const escaped = (text: string): string => text.replace(/[\\^$.*+?()[\]{}|/]/g, (c) => `\\${c}`);

/** Words of a name that say nothing by themselves. */
const COMMON = new Set(['the', 'and', 'von', 'van', 'der', 'del', 'des', 'mrs']);
const LEAST_WORD = 3;
const LEAST_DIGITS = 5;

const patternsOf = ({ name, phone, email }: Named): string[] => {
  const whole = name.trim();
  const words = whole
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w.length >= LEAST_WORD && !COMMON.has(w.toLowerCase()));
  const digits = phone.replace(/\D/g, '');
  return [
    ...(email ? [escaped(email)] : []),
    ...(digits.length >= LEAST_DIGITS ? [[...digits].join('[ +()/.-]*')] : []),
    ...[...(whole === '' ? [] : [whole]), ...words].map(escaped),
  ];
};

/**
 * What finds people in a text: their whole name and each word of it, their e-mail address, their telephone number however it is
 * spaced. Null where nothing is known of them.
 */
export function mentionsOf(people: readonly Named[]): RegExp | null {
  const all = people.flatMap(patternsOf);
  if (all.length === 0) return null;
  // Longest first, so that a whole name goes as one.
  const either = all.sort((a, b) => b.length - a.length).join('|');
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${either})(?![\\p{L}\\p{N}])`, 'giu');
}

/** Keys, places and answers of a program’s own: never a name. */
const isSlug = (text: string): boolean => /^[a-z0-9:._-]*$/.test(text);

/** A text without those it names. */
export const withoutMentions = (text: string, names: RegExp | null): string =>
  names === null || isSlug(text)
    ? text
    : text.replace(names, WITHDRAWN).replaceAll(`${WITHDRAWN} ${WITHDRAWN}`, WITHDRAWN);

/** Fields that hold the name of whoever spoke for a customer. */
const SPOKE = new Set(['signer', 'by', 'approvedBy', 'answeredBy', 'byCustomer', 'choiceBy']);

/** What was taken out of a record: its text by its place. */
export type Words = Readonly<Record<string, string>>;

type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

/**
 * Takes out of a record the texts that name people, whole, and who spoke for them.
 * @returns the record with `(withdrawn)` in their places, and the texts by their paths
 */
export function takeWords(
  data: unknown,
  names: RegExp | null,
): { readonly plain: unknown; readonly words: Words } {
  const words: Record<string, string> = {};
  const first = names && new RegExp(names.source, 'iu');
  const walk = (value: Json, path: string, key: string): Json => {
    if (value === WITHDRAWN) return value;
    if (typeof value === 'string') {
      const spoke = SPOKE.has(key) && value !== '';
      if (!spoke && (isSlug(value) || !first?.test(value))) return value;
      words[path] = value;
      return WITHDRAWN;
    }
    if (Array.isArray(value)) return value.map((v: Json, i) => walk(v, `${path}/${i}`, key));
    if (typeof value === 'object' && value !== null)
      return Object.fromEntries(
        Object.entries(value).map(([k, v]) => [k, walk(v as Json, `${path}/${k}`, k)]),
      );
    return value;
  };
  return { plain: walk((data ?? null) as Json, '', ''), words };
}

/** A record without those it names: their names go from its texts, and whoever spoke for them goes whole. */
export function withoutNames(data: unknown, names: RegExp | null): unknown {
  const walk = (value: unknown, key: string): unknown => {
    if (typeof value === 'string')
      return SPOKE.has(key) && value !== '' ? WITHDRAWN : withoutMentions(value, names);
    if (Array.isArray(value)) return value.map((v) => walk(v, key));
    if (typeof value === 'object' && value !== null)
      return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v, k)]));
    return value;
  };
  return walk(data, '');
}

/** Puts texts back where they were taken out. */
export function putWords(plain: unknown, words: Words): unknown {
  const walk = (value: unknown, path: string): unknown => {
    if (path in words) return words[path];
    if (Array.isArray(value)) return value.map((v, i) => walk(v, `${path}/${i}`));
    if (typeof value === 'object' && value !== null)
      return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v, `${path}/${k}`)]));
    return value;
  };
  return walk(plain, '');
}

/** Whether a record could name somebody at all: where it holds only numbers and the program’s own words nobody has to be asked. */
export function mayName(data: unknown): boolean {
  if (typeof data === 'string') return !isSlug(data) && /\p{L}{3}|\d{3}/u.test(data);
  if (typeof data !== 'object' || data === null) return false;
  return Object.entries(data).some(
    ([k, v]) => (SPOKE.has(k) && typeof v === 'string' && v !== '') || mayName(v),
  );
}
