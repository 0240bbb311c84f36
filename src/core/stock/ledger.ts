import { fail, ok, type Result } from '../result.ts';

/** What may happen to something on the shelf. */
export const MOVES = {
  received: 'came in',
  'set-aside': 'set aside for a job',
  released: 'set aside no longer',
  used: 'used',
  broken: 'broken or spoilt',
  returned: 'put back',
  counted: 'counted',
} as const;
export type MoveKind = keyof typeof MOVES;

/** One row of the ledger, in the item's own unit. */
export interface StockMove {
  readonly kind: MoveKind;
  /** how many; for a count how many there are */
  readonly quantity: number;
  /** the job it was for; null where it was for none */
  readonly job: number | null;
}

/** What stands on the shelf of an item: how many are there, and how many of them wait for each job. */
export interface StockLevel {
  readonly onHand: number;
  /** by job, none of them 0 */
  readonly aside: ReadonlyMap<number, number>;
}

/** Why something cannot happen. */
export type StockTrouble =
  | { readonly code: 'none free'; readonly free: number; readonly aside: number }
  | { readonly code: 'not so many'; readonly onHand: number }
  | { readonly code: 'not set aside'; readonly aside: number }
  | { readonly code: 'no such number' };

export const NOTHING: StockLevel = { onHand: 0, aside: new Map() };

/** Parts of a unit are counted in hundredths: no sum drifts. */
const cents = (n: number): number => Math.round(n * 100);
const sum = (a: number, b: number): number => (cents(a) + cents(b)) / 100;

/** How many are set aside for jobs, all together. */
export const asideOf = ({ aside }: Pick<StockLevel, 'aside'>): number =>
  [...aside.values()].reduce((s, n) => sum(s, n), 0);

/** How many nobody waits for. */
export const freeOf = (level: StockLevel): number => sum(level.onHand, -asideOf(level));

function withAside(level: StockLevel, job: number | null, by: number): ReadonlyMap<number, number> {
  if (job === null || by === 0) return level.aside;
  const aside = new Map(level.aside);
  const n = sum(aside.get(job) ?? 0, by);
  if (n === 0) aside.delete(job);
  else aside.set(job, n);
  return aside;
}

/** Takes from the shelf: first what waits for that job, then what is free. */
function taken(level: StockLevel, { quantity, job }: StockMove): Result<StockLevel, StockTrouble> {
  const own = job === null ? 0 : (level.aside.get(job) ?? 0);
  if (quantity > level.onHand) return fail({ code: 'not so many', onHand: level.onHand });
  const free = freeOf(level);
  if (quantity > sum(own, free)) return fail({ code: 'none free', free, aside: asideOf(level) });
  return ok({
    onHand: sum(level.onHand, -quantity),
    aside: withAside(level, job, -Math.min(own, quantity)),
  });
}

/**
 * Lets as many as are there wait for their jobs after a count: who asked first keeps theirs.
 * @param aside in the order they were set aside
 */
function within(onHand: number, aside: ReadonlyMap<number, number>): ReadonlyMap<number, number> {
  let left = onHand;
  const kept = new Map<number, number>();
  for (const [job, n] of aside) {
    const some = Math.min(n, left);
    if (some > 0) kept.set(job, some);
    left = sum(left, -some);
  }
  return kept;
}

/**
 * What stands on the shelf after something happened. Nothing is ever set aside twice, and no shelf holds less than nothing: what cannot
 * happen says why.
 * @example two came in and one was set aside for job 7: two on hand, one of them free
 */
export function after(level: StockLevel, move: StockMove): Result<StockLevel, StockTrouble> {
  const { kind, quantity, job } = move;
  const counts = Number.isFinite(quantity) && (kind === 'counted' ? quantity >= 0 : quantity > 0);
  if (!counts || Math.abs(quantity * 100 - cents(quantity)) > 1e-6) return fail({ code: 'no such number' });
  switch (kind) {
    case 'received':
    case 'returned':
      return ok({ ...level, onHand: sum(level.onHand, quantity) });
    case 'set-aside': {
      const free = freeOf(level);
      if (job === null || quantity > free) return fail({ code: 'none free', free, aside: asideOf(level) });
      return ok({ ...level, aside: withAside(level, job, quantity) });
    }
    case 'released': {
      const aside = job === null ? 0 : (level.aside.get(job) ?? 0);
      if (quantity > aside) return fail({ code: 'not set aside', aside });
      return ok({ ...level, aside: withAside(level, job, -quantity) });
    }
    case 'used':
    case 'broken':
      return taken(level, move);
    case 'counted':
      return ok({ onHand: quantity, aside: within(quantity, level.aside) });
  }
}

/** What stands on the shelf by the whole ledger of an item; what could not happen changes nothing. */
export const replayed = (moves: readonly StockMove[]): StockLevel =>
  moves.reduce<StockLevel>((level, m) => {
    const next = after(level, m);
    return next.ok ? next.value : level;
  }, NOTHING);

/** How many of each item a job used, less what was put back; none where all was. */
export function usedOf(
  moves: readonly { readonly item: number; readonly kind: MoveKind; readonly quantity: number }[],
): ReadonlyMap<number, number> {
  const used = new Map<number, number>();
  for (const { item, kind, quantity } of moves)
    if (kind === 'used' || kind === 'returned')
      used.set(item, sum(used.get(item) ?? 0, kind === 'used' ? quantity : -quantity));
  return new Map([...used].filter(([, n]) => n > 0));
}

function sayNoneFree(
  { free, aside }: { readonly free: number; readonly aside: number },
  unit: string,
): string {
  if (aside === 0) return free === 0 ? 'None is there.' : `Only ${free} ${unit} are there.`;
  const total = sum(free, aside);
  const wait = `${aside} ${aside === 1 ? 'waits' : 'wait'} for other jobs`;
  if (free > 0) return `Only ${free} of the ${total} ${unit} ${free === 1 ? 'is' : 'are'} free: ${wait}.`;
  return total === 1
    ? 'The only one there waits for another job.'
    : `None of the ${total} ${unit} is free: ${wait}.`;
}

/** Why something cannot happen, in words. @param unit what it is counted in, like `sets` */
export function sayTrouble(trouble: StockTrouble, unit: string): string {
  switch (trouble.code) {
    case 'none free':
      return sayNoneFree(trouble, unit);
    case 'not so many':
      return trouble.onHand === 0
        ? 'The shelf says none is there. If one is, count it.'
        : `The shelf says only ${trouble.onHand} ${unit} are there. If there are more, count them.`;
    case 'not set aside':
      return trouble.aside === 0
        ? 'None is set aside for that job.'
        : `Only ${trouble.aside} ${unit} are set aside for that job.`;
    case 'no such number':
      return 'How many? A number over nothing, like 1 or 2.5.';
  }
}
