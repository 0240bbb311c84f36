import type { Sequelize, Transaction } from 'sequelize';
import { SHIPPED_CARE } from '../../core/care/care.ts';
import type { Checklist } from '../../core/inspection/checklist.ts';
import type { Shop } from '../../core/job/shop.ts';
import { OPERATIONS, wholeOperation } from '../../core/catalogue/operations.ts';
import { SHIPPED_TARGETS } from '../../core/targets/shop-targets.ts';
import { give } from '../db/give.ts';
import { readTogether } from '../db/read-together.ts';
import type { Models } from '../db/models/index.ts';
import { asGauge } from './load-gauges.ts';
import { kindsOf } from './kinds.ts';
import { habitsOf } from './load-habits.ts';
import { planningOf } from './load-planning.ts';
import { openingOf } from './opening.ts';
import { rulesOf } from './load-rules.ts';
import { shopOf } from './load-shop.ts';

/** A setting as it is kept. */
interface Setting {
  readonly name: string;
  readonly value: unknown;
  readonly version: number;
}

/** The newest version of one of the shop's lists, with its row. */
export interface ShopChecklist extends Checklist {
  readonly rowId: number;
}

/** The shop as it stands in the database: what the core calls so, its settings beside it. */
export interface ShopState extends Shop {
  readonly settings: readonly Setting[];
  readonly checklists: readonly ShopChecklist[];
}

/**
 * What tells whether anything of it changed, in one statement. Contents are counted where a version could be given again
 * after a change that was not carried through.
 */
const VERSION_SQL = `SELECT CONCAT_WS('|',
  (SELECT BIT_XOR(CRC32(CONCAT(name, version, value))) FROM settings),
  (SELECT CONCAT(version, '/', CRC32(targets)) FROM target_versions ORDER BY version DESC LIMIT 1),
  (SELECT CONCAT(version, '/', CRC32(operations)) FROM operation_versions ORDER BY version DESC LIMIT 1),
  (SELECT CONCAT(version, '/', CRC32(care)) FROM care_versions ORDER BY version DESC LIMIT 1),
  (SELECT CONCAT(COUNT(*), '/', MAX(id)) FROM checklists),
  (SELECT CONCAT(COUNT(*), '/', COALESCE(BIT_XOR(CRC32(CONCAT(id, name, version, retired, construction))), 0)) FROM kinds),
  (SELECT CONCAT(COUNT(*), '/', COALESCE(BIT_XOR(CRC32(CONCAT_WS(' ', id, name, resolution, zero_offset, checked_at, version, retired, quantities, unit, check_every_days))), 0)) FROM gauges),
  (SELECT CONCAT(COUNT(*), '/', COALESCE(BIT_XOR(CRC32(CONCAT(id, name, role, active))), 0)) FROM people)) AS version`;

const known = new WeakMap<Sequelize, { readonly version: string; readonly shop: ShopState }>();

async function readAll(sequelize: Sequelize, models: Models, t: Transaction | null): Promise<ShopState> {
  const rows = await readTogether(
    sequelize,
    {
      settings: { model: models.Setting, where: 'TRUE', order: ['name'] },
      targets: {
        model: models.TargetVersion,
        where: 'version = (SELECT MAX(version) FROM target_versions)',
        order: ['version'],
      },
      care: {
        model: models.CareVersion,
        where: 'version = (SELECT MAX(version) FROM care_versions)',
        order: ['version'],
      },
      operations: {
        model: models.OperationVersion,
        where: 'version = (SELECT MAX(version) FROM operation_versions)',
        order: ['version'],
      },
      kinds: { model: models.KindRow, where: 'TRUE', order: ['name'] },
      gauges: { model: models.GaugeRow, where: 'TRUE', order: ['name'] },
      people: { model: models.Person, where: 'TRUE', order: ['name'], without: ['pinHash'] },
      lists: {
        model: models.ChecklistRow,
        where: '(list, version) IN (SELECT list, MAX(version) FROM checklists GROUP BY list)',
        order: ['list'],
      },
    } as const,
    {},
    t,
  );
  const settings = rows.settings.map(({ name, value, version }) => ({ name, value, version }));
  return {
    settings,
    info: shopOf(settings),
    rules: rulesOf(settings),
    opening: openingOf(settings),
    habits: habitsOf(settings),
    planning: planningOf(settings),
    targets: rows.targets[0]?.targets ?? SHIPPED_TARGETS,
    care: rows.care[0]?.care ?? SHIPPED_CARE,
    catalogue: rows.operations[0]?.operations.map(wholeOperation) ?? OPERATIONS,
    kinds: kindsOf(rows.kinds),
    gauges: rows.gauges.map(asGauge),
    people: rows.people.map(({ id, name, role, active }) => ({ id, name, role, active })),
    checklists: rows.lists.map((r) => ({
      rowId: r.id,
      id: r.list,
      name: r.name,
      version: r.version,
      ends: r.ends,
      items: r.items,
    })),
  };
}

/** The shop as it is now: asked for its version, read only when that has changed. It must not be changed by who gets it. */
export async function readShop(models: Models, t: Transaction | null = null): Promise<ShopState> {
  const sequelize = models.Setting.sequelize;
  if (!sequelize) throw new Error('these models belong to no connection');
  const [row] = await give<readonly { readonly version: string }[]>(sequelize, VERSION_SQL, {}, t);
  const version = row?.version ?? '';
  const before = known.get(sequelize);
  if (before?.version === version) return before.shop;
  const shop = await readAll(sequelize, models, t);
  known.set(sequelize, { version, shop });
  return shop;
}
