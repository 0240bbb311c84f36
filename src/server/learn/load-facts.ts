import { QueryTypes, type Transaction } from 'sequelize';
import { operation } from '../../core/catalogue/operations.ts';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import type { Fact } from '../../core/learn/facts.ts';
import { QUANTITY_FACTS, type Quantity } from '../../core/readings/quantities.ts';
import type { Database } from '../db/connection.ts';
import { readShop, type ShopState } from '../house/read-shop.ts';

/** What is looked back on: the newest of each sort within two years. */
const MOST = 5000;
const YEARS_2 = 2 * 365 * 86_400_000;

const KIND = 'JOIN jobs j ON j.id = x.job_id JOIN instruments i ON i.id = j.instrument_id';

const CUTS_SQL = `SELECT x.operation, x.meant AS said, x.took AS came, x.made_at AS at, i.kind FROM cuts x ${KIND}
  WHERE x.made_at > :since AND (:person IS NULL OR x.made_by = :person) ORDER BY x.made_at DESC LIMIT ${MOST}`;

const TURNS_SQL = `SELECT x.expected AS said, x.relief_after AS came, x.turned_at AS at, i.kind FROM rod_turns x ${KIND}
  WHERE x.turned_at > :since AND x.expected IS NOT NULL AND x.relief_after IS NOT NULL AND (:person IS NULL OR x.turned_by = :person)
  ORDER BY x.turned_at DESC LIMIT ${MOST}`;

/** A plan is the work of everybody who was at it: it is the shop's, nobody's own. */
const PLANS_SQL = `SELECT x.place, x.predicted AS said, x.achieved AS came, x.at, i.kind FROM plan_results x ${KIND}
  WHERE x.at > :since AND :person IS NULL ORDER BY x.id DESC LIMIT ${MOST}`;

/** A step's minutes are a person's own where nobody else had a clock on it. */
const MINUTES_SQL = `SELECT x.operation, x.minutes AS said, SUM(TIMESTAMPDIFF(SECOND, e.started_at, e.ended_at)) / 60 AS came,
  MAX(e.ended_at) AS at, MAX(i.kind) AS kind FROM work_lines x JOIN time_entries e ON e.line_id = x.id ${KIND}
  WHERE x.step = 'finished' AND x.finished_at > :since AND e.ended_at IS NOT NULL
  GROUP BY x.id HAVING :person IS NULL OR (MIN(e.person_id) = :person AND MAX(e.person_id) = :person)
  ORDER BY x.id DESC LIMIT ${MOST}`;

/** What a plan says of an instrument, place by place. */
const PLANNED: readonly Quantity[] = [
  'relief',
  'action',
  'nut-gap',
  'intonation',
  'saddle-standout',
  'contact',
];

interface Row {
  readonly operation?: OperationId;
  readonly place?: string;
  readonly said: string;
  readonly came: string;
  readonly at: Date | string;
  readonly kind: string;
}

/** Whose facts, in which transaction. */
interface Asked {
  readonly now: Date;
  /** a person's own; null: everybody's */
  readonly person: number | null;
  readonly t?: Transaction;
}

const times = (r: Row) => ({
  said: Number(r.said),
  came: Number(r.came),
  at: new Date(r.at).getTime(),
});

/** Facts with the operation each is of; null where it is of none. */
export type FactOf = Fact & { readonly operation: OperationId | null };

function factsOf(
  shop: Pick<ShopState, 'catalogue' | 'kinds'>,
  rows: Readonly<Record<'cuts' | 'turns' | 'plans' | 'minutes', readonly Row[]>>,
): readonly FactOf[] {
  const kind = (r: Row): string => shop.kinds.find((k) => k.id === r.kind)?.name ?? r.kind;
  const name = (id: OperationId): string => operation(id, shop.catalogue).name;
  const of = (what: Fact['what'], unit: Fact['unit'], r: Row, group: string): FactOf => ({
    what,
    unit,
    group,
    kind: kind(r),
    operation: r.operation ?? null,
    ...times(r),
  });
  return [
    ...rows.cuts.map((r) => of('cut', 'mm', r, name(r.operation ?? 'saddle-lower'))),
    ...rows.turns.map((r) => of('turn', 'mm', r, 'Relief after a turn')),
    ...rows.plans.flatMap((r) => {
      const quantity = (r.place ?? '').split(':')[0] as Quantity;
      if (!PLANNED.includes(quantity)) return [];
      return [of('plan', quantity === 'intonation' ? 'cents' : 'mm', r, QUANTITY_FACTS[quantity].name)];
    }),
    ...rows.minutes.map((r) => of('minutes', 'min', r, name(r.operation ?? 'rod'))),
  ];
}

/** What was meant or told within two years and what came of it, the newest of each sort first. mm, cents, minutes. */
export async function loadFacts(
  { models, sequelize }: Pick<Database, 'models' | 'sequelize'>,
  { now, person, t }: Asked,
): Promise<{ readonly facts: readonly FactOf[]; readonly shop: ShopState }> {
  const ask = (sql: string): Promise<Row[]> =>
    sequelize.query<Row>(sql, {
      type: QueryTypes.SELECT,
      replacements: { since: new Date(now.getTime() - YEARS_2), person },
      ...(t && { transaction: t }),
    });
  const [shop, cuts, turns, plans, minutes] = await Promise.all([
    readShop(models),
    ask(CUTS_SQL),
    ask(TURNS_SQL),
    ask(PLANS_SQL),
    ask(MINUTES_SQL),
  ]);
  return { facts: factsOf(shop, { cuts, turns, plans, minutes }), shop };
}
