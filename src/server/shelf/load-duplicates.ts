import { QueryTypes } from 'sequelize';
import { likeCustomers, likeInstruments, type LookAlike } from '../../core/record/duplicates.ts';
import type { Database } from '../db/connection.ts';

export type Entity = 'customer' | 'instrument';

/** One of two that look like one, with what tells them apart. */
export interface Side {
  readonly id: number;
  readonly name: string;
  readonly says: string;
}

export interface Duplicate {
  readonly entity: Entity;
  readonly keep: Side;
  readonly gone: Side;
  readonly why: string;
}

export interface Merged {
  readonly id: number;
  readonly entity: Entity;
  readonly keep: string;
  readonly gone: string;
  readonly by: string;
  readonly at: string;
}

const LATELY = 10;

interface Doubles {
  readonly found: Duplicate[];
  readonly merged: Merged[];
}

/** What the search rests on: it changes with every customer, instrument and merge, and with nothing else. */
const STATE_SQL = `SELECT CONCAT_WS(' ',
  (SELECT CONCAT(COUNT(*), '/', COALESCE(SUM(version), 0), '/', COALESCE(MAX(id), 0)) FROM customers),
  (SELECT CONCAT(COUNT(*), '/', COALESCE(SUM(version), 0), '/', COALESCE(MAX(id), 0)) FROM instruments),
  (SELECT CONCAT(COUNT(*), '/', COUNT(undone_at)) FROM merges)) AS state`;

const KEY = Symbol.for('rubrica.doubles');
type Holder = {
  [KEY]?: { readonly db: unknown; readonly state: string; readonly doubles: Promise<Doubles> };
};

/**
 * What looks double and nobody has judged yet, and what was lately joined and may be taken apart again. The book is
 * searched only when it has changed, not whenever a screen that shows this is loaded again.
 */
export async function loadDuplicates(db: Database): Promise<Doubles> {
  const [row] = await db.sequelize.query<{ state: string }>(STATE_SQL, { type: QueryTypes.SELECT });
  const state = row?.state ?? '';
  const holder = globalThis as Holder;
  const known = holder[KEY];
  if (known && known.db === db.sequelize && known.state === state) return known.doubles;
  const doubles = searchDoubles(db);
  holder[KEY] = { db: db.sequelize, state, doubles };
  doubles.catch(() => Reflect.deleteProperty(holder, KEY));
  return doubles;
}

async function searchDoubles({ models }: Database): Promise<Doubles> {
  const [customers, instruments, merges, people] = await Promise.all([
    models.Customer.findAll(),
    models.Instrument.findAll({ attributes: { exclude: ['construction'] } }),
    models.Merge.findAll({ where: { undoneAt: null }, order: [['id', 'DESC']] }),
    models.Person.findAll({ attributes: ['id', 'name'] }),
  ]);
  const sides: Readonly<Record<Entity, ReadonlyMap<number, Side>>> = {
    customer: new Map(
      customers.map((c) => [
        c.id,
        { id: c.id, name: c.name, says: [c.phone, c.email].filter(Boolean).join(', ') },
      ]),
    ),
    instrument: new Map(
      instruments.map((i) => [
        i.id,
        {
          id: i.id,
          name: `${i.maker} ${i.model}`.trim(),
          says: [i.serial, i.year, customers.find((c) => c.id === i.customerId)?.name]
            .filter(Boolean)
            .join(', '),
        },
      ]),
    ),
  };
  const judged = new Set(merges.map((m) => `${m.entity} ${m.keptId} ${m.goneId}`));
  const open = (entity: Entity, pairs: readonly LookAlike[]): Duplicate[] =>
    pairs.flatMap(({ keep, gone, why }) => {
      const [a, b] = [sides[entity].get(keep), sides[entity].get(gone)];
      return a && b && !judged.has(`${entity} ${keep} ${gone}`) ? [{ entity, keep: a, gone: b, why }] : [];
    });
  return {
    found: [
      ...open('customer', likeCustomers(customers.filter((c) => c.mergedInto === null))),
      ...open('instrument', likeInstruments(instruments.filter((i) => i.mergedInto === null))),
    ],
    merged: merges
      .filter((m) => m.verdict === 'same')
      .slice(0, LATELY)
      .map((m) => ({
        id: m.id,
        entity: m.entity,
        keep: sides[m.entity].get(m.keptId)?.name ?? '',
        gone: sides[m.entity].get(m.goneId)?.name ?? '',
        by: people.find((p) => p.id === m.mergedBy)?.name ?? '',
        at: m.mergedAt.toISOString(),
      })),
  };
}
