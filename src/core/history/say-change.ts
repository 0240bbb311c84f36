import { QUANTITY_FACTS, type Quantity } from '../readings/quantities.ts';
import { isRoundKind, roundName } from '../readings/rounds.ts';

/** One entry of a job's log as the house keeps it. */
export interface LogEntry {
  readonly kind: string;
  readonly entity: string;
  readonly entityId: string;
  readonly data: unknown;
}

/** A change in words: of what, from what, to what. Empty where there is nothing before or after. */
export interface SaidChange {
  readonly of: string;
  readonly from: string;
  readonly to: string;
}

const LONGEST = 160;

const cut = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text);

/** Says a value plainly: names and their values, lists with commas, nothing for what is empty. */
export function sayPlain(value: unknown): string {
  if (value === null || value === undefined || value === '') return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number' || typeof value === 'string') return String(value);
  if (Array.isArray(value)) return value.map(sayPlain).filter(Boolean).join(', ');
  if (typeof value !== 'object') return '';
  return Object.entries(value)
    .map(([key, v]) => [key, sayPlain(v)] as const)
    .filter(([, said]) => said !== '')
    .map(([key, said]) => `${key} ${said}`)
    .join(', ');
}

/** What is worth saying first of a thing that has more to it: what was typed, decided or answered. */
const FIRST = ['typed', 'answer', 'decision', 'says', 'change', 'name', 'title', 'words', 'step'] as const;

function sayHalf(value: unknown): string {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return cut(sayPlain(value));
  const half = value as Readonly<Record<string, unknown>>;
  const main = FIRST.map((key) => half[key]).find((v) => typeof v === 'string' && v !== '');
  const note = typeof half['note'] === 'string' && half['note'] !== '' ? `: ${half['note']}` : '';
  const reason = typeof half['reason'] === 'string' && half['reason'] !== '' ? ` (${half['reason']})` : '';
  return cut(typeof main === 'string' ? `${main}${note}${reason}` : sayPlain(half));
}

/** The same thing before and after differ in some fields: only those are said. */
function onlyChanged(before: unknown, after: unknown): readonly [unknown, unknown] {
  const plain = (v: unknown): v is Record<string, unknown> =>
    typeof v === 'object' && v !== null && !Array.isArray(v);
  if (!plain(before) || !plain(after) || FIRST.some((key) => key in after)) return [before, after];
  const keys = Object.keys(after).filter((k) => JSON.stringify(before[k]) !== JSON.stringify(after[k]));
  const pick = (v: Record<string, unknown>) => Object.fromEntries(keys.map((k) => [k, v[k]]));
  return keys.length === 0 ? [before, after] : [pick(before), pick(after)];
}

/** A reading's place as the bench says it: `as found: action, string 6, fret 12`; other things by their name and number. */
function sayWhat({ entity, entityId }: LogEntry): string {
  const [round = '', quantity = '', string, fret] = entityId.split(':');
  if (entity === 'reading' && isRoundKind(round) && quantity in QUANTITY_FACTS) {
    const place = [
      string !== undefined && string !== '0' && `string ${string}`,
      fret !== undefined && fret !== '0' && `fret ${fret}`,
    ].filter(Boolean);
    const name = QUANTITY_FACTS[quantity as Quantity].name.toLowerCase();
    return `${roundName(round, '').toLowerCase()}: ${[name, ...place].join(', ')}`;
  }
  return /^\d+$/.test(entityId) ? entity : `${entity} ${entityId}`;
}

/**
 * Says one entry of the log: what it is about, what stood there before, and what stands there since.
 * @example a reading taken anew → of `as found: action, string 6, fret 12`, from `5/64`, to `4/64`
 */
export function sayChange(e: LogEntry): SaidChange {
  const data = (typeof e.data === 'object' && e.data !== null ? e.data : {}) as Readonly<
    Record<string, unknown>
  >;
  const of = sayWhat(e);
  if (!('after' in data) && !('before' in data)) return { of, from: '', to: cut(sayPlain(data)) };
  const { before, after, ...rest } = data;
  const [from, to] = onlyChanged(before, after ?? rest);
  return { of, from: sayHalf(from), to: sayHalf(to) };
}
