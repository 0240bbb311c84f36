import { sizeWords } from '../../units/words-in.ts';
import { formatMoney } from '../../money/currency.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { operation, standsInFor } from '../../catalogue/operations.ts';
import type { Moves } from '../../whatif/moves.ts';
import { notOffered, offered, type Problem } from './problem.ts';
import { tooDear } from './fret-ways.ts';

/** What to do about a finding: repair it, replace it, or leave it and watch, with the numbers that decide. */
export interface FindingCall {
  readonly item: string;
  readonly title: string;
  readonly choice: 'repair' | 'replace' | 'leave and watch';
  readonly because: string;
  readonly would: string;
  /** at what it is time to act, where it is left */
  readonly limit: string;
}

type Asking = Pick<Problem['findings'][number], 'item' | 'leadsTo'>;

/** A slot is cut from this on, mm. */
const LEAST_CUT = 0.01;

/** Whether high slots may be all there is to a finding: they make the first frets sharp. */
const isOfHighSlots = (f: Asking): boolean => f.leadsTo === 'nut-compensate' && f.item === 'low-frets';

/** The operation that deals with a finding in a plan: where high slots are cut, that does with sharp first frets, and they are read again. */
export const dealsWith = (f: Asking, moves: Pick<Moves, 'nut'>): OperationId =>
  isOfHighSlots(f) && moves.nut.some((v) => v < -LEAST_CUT) ? 'nut-slots' : f.leadsTo;

/** Whether something on an order deals with a finding. */
export const isDealtWithBy = (f: Asking, ordered: ReadonlySet<OperationId>): boolean =>
  ordered.has(f.leadsTo) || (isOfHighSlots(f) && ordered.has('nut-slots'));

/** When to act on what is left, with the shop's limits in it: a reading one can take, or a thing one can see. */
function actWhen(p: Problem, id: OperationId): string {
  const said = operation(id, p.catalogue).actWhen;
  const limits: Readonly<Record<string, unknown>> = { ...p.limits };
  return said === ''
    ? 'Look again at the next visit, and act when it has grown.'
    : said
        .replace('{highFret} mm', sizeWords(p.limits.highFret))
        .replace(/\{(\w+)\}/g, (_, name: string) => String(limits[name]));
}

/** Decides for each finding between repairing, replacing, and leaving it with something to watch for. */
export function findingCalls(p: Problem): FindingCall[] {
  const money = (v: number) => formatMoney(v, p.currency);
  return p.findings.map((f) => {
    const op = offered(p, f.leadsTo);
    const other = standsInFor(f.leadsTo, p.catalogue);
    const fresh = other === null ? null : offered(p, other);
    const limit = actWhen(p, f.leadsTo);
    const base = { item: f.item, title: f.title, limit };
    const found = f.note === '' ? 'the inspection says it needs work' : f.note;
    if (op === null)
      return fresh !== null && tooDear(p, fresh.id) === null
        ? {
            ...base,
            choice: 'replace' as const,
            because: `${p.declined.has(f.leadsTo) ? 'Its repair was declined.' : 'The shop does not repair this.'} ${fresh.name}: ${money(fresh.price + fresh.parts)}; ${found}.`,
            would: 'A shop that repairs it would be the other way.',
          }
        : {
            ...base,
            choice: 'leave and watch' as const,
            because: notOffered(p, f.leadsTo),
            would: 'Ask a shop that does.',
          };
    const price = op.price + op.parts;
    const dear = tooDear(p, f.leadsTo);
    if (dear !== null)
      return { ...base, choice: 'leave and watch' as const, because: dear.because, would: dear.would };
    const share =
      p.worth.amount === null
        ? 'what it is worth is not known'
        : `${Math.round((price / p.worth.amount) * 100)} % of what it is worth`;
    const instead =
      fresh === null
        ? ''
        : ` ${fresh.name} would cost ${money(fresh.price + fresh.parts)}: right where the part is past repair.`;
    return fresh !== null && fresh.price + fresh.parts <= price && tooDear(p, fresh.id) === null
      ? {
          ...base,
          choice: 'replace' as const,
          because: `${fresh.name} (${money(fresh.price + fresh.parts)}) costs no more than to repair it (${money(price)}); ${found}.`,
          would: 'Repair it where the part is original and should stay.',
        }
      : {
          ...base,
          choice: 'repair' as const,
          because: `${op.name}: ${money(price)}, ${op.minutes.likely} minutes${op.reversible ? '' : ', cannot be undone'}, ${share}; ${found}.`,
          would: `At a worth under ${money(price / p.worth.share)} leaving it is the better answer.${instead}`,
        };
  });
}
