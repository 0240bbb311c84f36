import { randomUUID } from 'node:crypto';
import type { CommandInput, CommandName } from '../../src/contracts/commands/commands.ts';
import type { Construction } from '../../src/core/instrument/construction.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import type { OperationId } from '../../src/core/catalogue/operation-ids.ts';
import type { Kind } from '../../src/core/instrument/kinds.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { execute } from '../../src/server/door/execute.ts';
import { DATABASE } from './shop.ts';

type Save = CommandInput<'readings.save'>;
/** Quantity, string, fret and what is typed, in millimetres. */
export type Typed = readonly [Save['quantity'], number, number, string];

interface More {
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

/** Looks into the house's own database, and closes it again: one connection at a time holds the models. */
export async function inDatabase<T>(work: (db: Database) => Promise<T>): Promise<T> {
  const db = openDatabase(DATABASE);
  try {
    return await work(db);
  } finally {
    await db.sequelize.close();
  }
}

/** Does something as the owner would, from elsewhere: no screen of the tests does it. */
export async function asOdile<T>(
  work: (
    give: <N extends CommandName>(name: N, input: CommandInput<N>) => Promise<never>,
    db: Database,
  ) => Promise<T>,
): Promise<T> {
  const db = openDatabase(DATABASE);
  const person = await db.models.Person.findOne({ where: { name: 'Odile Farrant' } });
  const device = await db.models.Device.findOne({ where: { name: 'demo loader' } });
  if (!person || !device) throw new Error('the demo shop is empty');
  const actor = {
    personId: person.id,
    deviceId: device.id,
    name: person.name,
    initials: 'OF',
    role: person.role,
  };
  const give = async (name: CommandName, input: unknown) => {
    const done = await execute(db, actor, name, input, randomUUID());
    if (!done.ok) throw new Error(JSON.stringify(done.error));
    return done.value as never;
  };
  try {
    return await work(give, db);
  } finally {
    await db.sequelize.close();
  }
}

/** Takes an instrument of a kind in, as the counter does, with what was read of it, and answers its number. */
export const takenIn = (kind: Kind, maker: string, more: More = {}): Promise<number> =>
  asOdile(async (give, db) => {
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
    return number;
  });
