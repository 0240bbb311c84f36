import { usualConstruction } from '../../core/instrument/defaults.ts';
import type { OfferedKind } from '../../core/job/shop.ts';
import { KIND_NAMES, KINDS, type Kind } from '../../core/instrument/kinds.ts';
import type { Database } from '../db/connection.ts';
import type { KindRow } from '../db/models/merges.ts';
import type { Work } from '../use-case/use-case.ts';

const isShipped = (id: string): id is Kind => (KINDS as readonly string[]).includes(id);

/** The shipped kinds, then the shop's own by name. */
export const offeredKinds = async ({ models }: Pick<Database, 'models'>): Promise<OfferedKind[]> =>
  kindsOf(await models.KindRow.findAll({ order: [['name', 'ASC']] }));

/** The same out of the shop's own rows. */
export function kindsOf(
  rows: readonly Pick<KindRow, 'id' | 'name' | 'construction' | 'retired' | 'version'>[],
): OfferedKind[] {
  return [
    ...KINDS.map((id) => ({
      id,
      name: KIND_NAMES[id],
      usual: usualConstruction(id),
      own: false,
      retired: false,
      version: 0,
    })),
    ...rows.map((r) => ({
      id: r.id,
      name: r.name,
      usual: r.construction,
      own: true,
      retired: r.retired,
      version: r.version,
    })),
  ];
}

/** What every kind is called, by its id. */
export async function kindNames({
  models,
}: Pick<Database, 'models'>): Promise<Readonly<Record<string, string>>> {
  const rows = await models.KindRow.findAll({ attributes: ['id', 'name'] });
  return { ...KIND_NAMES, ...Object.fromEntries(rows.map((r) => [r.id, r.name])) };
}

/** Whether the shop knows a kind. */
export const kindExists = async ({ models, t }: Work, id: string): Promise<boolean> =>
  isShipped(id) || (await models.KindRow.count({ where: { id }, transaction: t })) > 0;
