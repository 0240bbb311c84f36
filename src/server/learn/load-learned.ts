import { QueryTypes, type Transaction } from 'sequelize';
import { learnedSettingSchema } from '../../contracts/learned.ts';
import { factGroups, FACT_KINDS, type FactGroup, type FactKind } from '../../core/learn/facts.ts';
import { cameBack } from '../../core/learn/came-back.ts';
import { proposalsOf, type LearnProposal } from '../../core/learn/proposals.ts';
import type { Database } from '../db/connection.ts';
import type { ShopState } from '../house/read-shop.ts';
import { loadReliability } from '../week/load-reliability.ts';
import { loadFacts, type FactOf } from './load-facts.ts';

/** What speaks for other rules than the shop's. */
export function proposedBy(facts: readonly FactOf[], shop: ShopState): readonly LearnProposal[] {
  const { left } = learnedSettingSchema.parse(shop.settings.find((s) => s.name === 'learned')?.value ?? {});
  const took = new Map<string, number[]>();
  for (const f of facts)
    if (f.what === 'minutes' && f.operation !== null)
      took.set(f.operation, [...(took.get(f.operation) ?? []), f.came]);
  const cuts = facts.filter((f) => f.what === 'cut' && f.operation === 'saddle-lower');
  return proposalsOf(
    {
      cuts,
      firstCutShare: shop.planning.firstCutShare,
      catalogue: shop.catalogue,
      took,
      hourly: shop.info.hourly,
    },
    left,
  );
}

/** What is proposed now, as the house stands in this transaction. */
export async function proposedNow(
  db: Pick<Database, 'models' | 'sequelize'>,
  now: Date,
  t?: Transaction,
): Promise<readonly LearnProposal[]> {
  const { facts, shop } = await loadFacts(db, { now, person: null, ...(t && { t }) });
  return proposedBy(facts, shop);
}

const YEARS_3 = 3 * 365 * 86_400_000;

/** What wanted work at an item, of the last three years. */
const FOUND_SQL = `SELECT j.instrument_id AS instrument, j.id AS job, j.taken_in_at AS at, a.item
  FROM jobs j JOIN inspections n ON n.job_id = j.id JOIN inspection_answers a ON a.inspection_id = n.id
  WHERE j.taken_in_at > ? AND a.answer = 'work' ORDER BY j.id DESC LIMIT 20000`;

/** The options that were put before customers, and the one each took. */
const OPTIONS_SQL = `SELECT JSON_EXTRACT(o.content, '$.options[*].id') AS ids, JSON_EXTRACT(o.content, '$.options[*].name') AS names,
  o.choice FROM offers o WHERE o.chosen_at IS NOT NULL ORDER BY o.id DESC LIMIT 2000`;

interface OptionCount {
  readonly name: string;
  readonly offered: number;
  readonly taken: number;
}

const asList = (json: unknown): readonly string[] =>
  typeof json === 'string' ? (JSON.parse(json) as string[]) : Array.isArray(json) ? (json as string[]) : [];

async function optionsTaken({ sequelize }: Database): Promise<readonly OptionCount[]> {
  const rows = await sequelize.query<{ ids: unknown; names: unknown; choice: string | null }>(OPTIONS_SQL, {
    type: QueryTypes.SELECT,
  });
  const counts = new Map<string, { offered: number; taken: number }>();
  for (const r of rows) {
    const names = asList(r.names);
    for (const [i, id] of asList(r.ids).entries()) {
      // Those written by hand have names of their own and are counted together.
      const name = id.startsWith('own-') ? 'Written by hand' : (names[i] ?? id);
      const so = counts.get(name) ?? { offered: 0, taken: 0 };
      counts.set(name, { offered: so.offered + 1, taken: so.taken + (r.choice === id ? 1 : 0) });
    }
  }
  return [...counts].map(([name, n]) => ({ name, ...n })).sort((a, b) => b.offered - a.offered);
}

async function foundAgain({ sequelize }: Database, shop: ShopState, now: Date) {
  const rows = await sequelize.query<{ instrument: number; job: number; at: Date | string; item: string }>(
    FOUND_SQL,
    { type: QueryTypes.SELECT, replacements: [new Date(now.getTime() - YEARS_3)] },
  );
  const titles = new Map(shop.checklists.flatMap((l) => l.items).map((i) => [i.key, i.title]));
  return cameBack(
    rows.map((r) => ({ ...r, at: new Date(r.at).getTime() })),
    now.getTime(),
  ).map(({ item, ...n }) => ({ title: titles.get(item) ?? item, ...n }));
}

/** What a page of it shows: groups by sort. */
export type FactSections = readonly {
  readonly what: FactKind;
  readonly title: string;
  readonly groups: readonly FactGroup[];
}[];

const sectionsOf = (facts: readonly FactOf[]): FactSections =>
  (Object.keys(FACT_KINDS) as FactKind[]).map((what) => ({
    what,
    title: FACT_KINDS[what],
    groups: factGroups(what, facts),
  }));

/** What a person's own work came out as. */
export async function loadOwnLearned(db: Database, person: number, now: Date): Promise<FactSections> {
  return sectionsOf((await loadFacts(db, { now, person })).facts);
}

/** What the shop learned: how what was said came out, what speaks for other rules, promises, what came back, what customers took. */
export async function loadShopLearned(db: Database, zone: string, now: Date) {
  const { facts, shop } = await loadFacts(db, { now, person: null });
  const [promises, again, options] = await Promise.all([
    loadReliability(db, zone),
    foundAgain(db, shop, now),
    optionsTaken(db),
  ]);
  return {
    sections: sectionsOf(facts),
    proposals: proposedBy(facts, shop),
    promises,
    again,
    options,
  };
}
