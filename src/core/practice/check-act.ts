import type { Construction } from '../instrument/construction.ts';
import { operation } from '../catalogue/operations.ts';
import { asksOf, type Act, type Work } from './acts.ts';
import { practiceItems } from './look.ts';
import { practiceStations } from './read.ts';
import { canBeDone, missingOf } from './work-for.ts';

/** Why something cannot be done at an instrument: the field it is said at, and the words. */
export interface CannotDo {
  readonly field:
    | 'station'
    | 'item'
    | 'string'
    | 'held'
    | 'operation'
    | 'eighths'
    | 'fret'
    | 'amount'
    | 'bass'
    | 'treble';
  readonly message: string;
}

const MISSING = {
  eighths: 'How far is it turned?',
  string: 'Which string?',
  fret: 'Which fret?',
  amount: 'How much?',
  bass: 'How much at each side?',
} as const;

/** What only goes one way: it is said how much, never less than nothing. */
const ONE_WAY = new Set<Work['operation']>([
  'nut-slots',
  'nut-fill',
  'nut-lower',
  'nut-shim',
  'saddle-lower',
]);

const isString = (c: Construction, string: number): boolean => string >= 0 && string < c.strings.length;

function checkWork(c: Construction, work: Work): CannotDo | null {
  if (!canBeDone(work.operation, c))
    return { field: 'operation', message: `${operation(work.operation).name}: not on such an instrument.` };
  const missing = missingOf(work);
  if (missing !== null) return { field: missing, message: MISSING[missing] };
  if (asksOf(work.operation).includes('string') && !isString(c, work.string ?? 0))
    return { field: 'string', message: 'It has no such string.' };
  if (work.fret !== undefined && work.fret > c.frets)
    return { field: 'fret', message: `It has ${c.frets} frets.` };
  if (!ONE_WAY.has(work.operation)) return null;
  for (const field of ['amount', 'bass', 'treble'] as const)
    if ((work[field] ?? 0) < 0) return { field, message: 'Say how much, without a minus.' };
  return null;
}

/** Whether an act can be done at an instrument at all; null where it can. */
export function checkAct(c: Construction, act: Act): CannotDo | null {
  switch (act.kind) {
    case 'read':
      return practiceStations(c).some((s) => s.key === act.station)
        ? null
        : { field: 'station', message: 'It is not read there.' };
    case 'look':
      return practiceItems(c).some((i) => i.key === act.item)
        ? null
        : { field: 'item', message: 'There is nothing of that name to look at.' };
    case 'pluck':
      if (!isString(c, act.string)) return { field: 'string', message: 'It has no such string.' };
      return act.held < c.frets ? null : { field: 'held', message: `It has ${c.frets} frets.` };
    case 'ask':
      return null;
    case 'work':
      return checkWork(c, act);
  }
}
