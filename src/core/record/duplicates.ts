/** A customer as it is compared. */
export interface ComparedCustomer {
  readonly id: number;
  readonly name: string;
  readonly phone: string;
  readonly email: string;
}

/** An instrument as it is compared. */
export interface ComparedInstrument {
  readonly id: number;
  readonly serial: string;
  readonly maker: string;
  readonly model: string;
}

/** Two rows that look like one, the older first, and why. */
export interface LookAlike {
  readonly keep: number;
  readonly gone: number;
  readonly why: string;
}

const letters = (s: string): string =>
  s
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, '')
    .toLowerCase();
const digits = (s: string): string => s.replace(/\D/g, '');
/** The words of a name whatever their order: “Aldous, Petra” is “Petra Aldous”. */
const words = (s: string): string =>
  s
    .normalize('NFKD')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w !== '')
    .sort()
    .join(' ');

const LEAST_DIGITS = 5;
const LEAST_SERIAL = 3;

function pairs<T extends { readonly id: number }>(
  all: readonly T[],
  keyOf: (row: T) => string,
  why: string,
): LookAlike[] {
  const groups = new Map<string, T[]>();
  for (const row of all.toSorted((a, b) => a.id - b.id)) {
    const key = keyOf(row);
    if (key !== '') groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  return [...groups.values()].flatMap(([first, ...rest]) =>
    first ? rest.map((r) => ({ keep: first.id, gone: r.id, why })) : [],
  );
}

function once(found: readonly LookAlike[]): LookAlike[] {
  const seen = new Map<string, LookAlike>();
  for (const f of found) {
    const key = `${f.keep} ${f.gone}`;
    const before = seen.get(key);
    seen.set(key, before ? { ...before, why: `${before.why}, ${f.why}` } : f);
  }
  return [...seen.values()];
}

/**
 * Customers that may be one: the same telephone digits (5 at least), e-mail, or the same words in the name. The older one
 * is kept; each pair once with all its reasons.
 */
export const likeCustomers = (all: readonly ComparedCustomer[]): LookAlike[] =>
  once([
    ...pairs(all, (c) => (digits(c.phone).length >= LEAST_DIGITS ? digits(c.phone) : ''), 'same telephone'),
    ...pairs(all, (c) => c.email.trim().toLowerCase(), 'same e-mail'),
    ...pairs(all, (c) => words(c.name), 'same name'),
  ]);

/** Instruments that may be one: the same serial (3 signs at least, however it is spaced) and no two different makers. */
export function likeInstruments(all: readonly ComparedInstrument[]): LookAlike[] {
  const byId = new Map(all.map((i) => [i.id, i]));
  return pairs(
    all,
    (i) => (letters(i.serial).length >= LEAST_SERIAL ? letters(i.serial) : ''),
    'same serial number',
  ).filter(({ keep, gone }) => {
    const [a, b] = [byId.get(keep)?.maker ?? '', byId.get(gone)?.maker ?? ''].map(letters);
    return a === b || a === '' || b === '';
  });
}
