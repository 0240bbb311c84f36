import type { CommandInput, CommandName } from '../src/contracts/commands/commands.ts';
import type { OperationId } from '../src/core/catalogue/operation-ids.ts';
import type { Construction } from '../src/core/instrument/construction.ts';
import { usualConstruction } from '../src/core/instrument/defaults.ts';
import type { Kind } from '../src/core/instrument/kinds.ts';
import type { Database } from '../src/server/db/connection.ts';

type Save = CommandInput<'readings.save'>;
/** Quantity, string, fret and what is typed, in millimetres. */
export type Typed = readonly [Save['quantity'], number, number, string];

export interface More {
  readonly construction?: Partial<Construction>;
  readonly touch?: 'light' | 'medium' | 'heavy';
  readonly stringsState?: 'at-pitch' | 'off';
  readonly readings?: readonly Typed[];
  /** on the order, and agreed */
  readonly work?: readonly OperationId[];
  readonly limitMinor?: number;
  readonly customer?: { readonly name: string; readonly phone: string; readonly email: string };
  readonly cameWith?: readonly string[];
}

/** Every string’s gap over the first fret, the same. */
export const gaps = (count: number, mm: string): Typed[] =>
  Array.from({ length: count }, (_, i) => ['nut-gap', count - i, 1, mm] as const);

/** A steel-string that is good but for its action. */
export const high = (bass: string, treble: string, standout: string): Typed[] => [
  ['relief', 0, 7, '0.2'],
  ['action', 6, 12, bass],
  ['action', 1, 12, treble],
  ['saddle-standout', 0, 0, standout],
  ...gaps(6, '0.1'),
];

/** Gives a command and answers its value; one that does not go well is an error. */
export type Give = <N extends CommandName>(name: N, input: CommandInput<N>) => Promise<never>;

/** Takes an instrument of a kind in, as the counter does, with what was read of it; answers its number and its job. */
export async function takeIn(
  give: Give,
  db: Database,
  kind: Kind,
  maker: string,
  more: More = {},
): Promise<{ readonly number: number; readonly jobId: number }> {
  const usual = { ...usualConstruction(kind), ...more.construction };
  const { number, jobId }: { number: number; jobId: number } = await give('desk.take-in', {
    customer: more.customer ?? { name: `Trial owner of ${maker}`, phone: '', email: '' },
    instrument: {
      maker,
      model: 'Trial',
      year: '',
      serial: '',
      construction: { ...usual, strings: [...usual.strings] },
    },
    complaint: 'Set it up.',
    touch: more.touch ?? 'medium',
    plays: '',
    wish: '',
    neededBy: null,
    hardDate: false,
    hardReason: '',
    limitMinor: more.limitMinor ?? null,
    stringsState: more.stringsState ?? 'at-pitch',
    cameWith: (more.cameWith ?? []).map((name) => ({ name, state: '' })),
    placeId: null,
  });
  for (const [quantity, string, fret, typed] of more.readings ?? [])
    await give('readings.save', {
      jobId,
      round: 'as-found',
      quantity,
      string,
      fret,
      typed,
      unit: 'mm',
      version: 0,
    });
  for (const operation of more.work ?? []) await give('plan.add', { jobId, operation, detail: '' });
  const lines = await db.models.WorkLine.findAll({ where: { jobId } });
  for (const { id: lineId, version } of lines)
    await give('work.answer', { lineId, version, answer: 'yes', by: 'Trial owner', how: 'at the counter' });
  return { number, jobId };
}
