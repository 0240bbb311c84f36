import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { ItemFacts } from '../../../core/stock/fits.ts';
import type { MoveKind } from '../../../core/stock/ledger.ts';
import type { SortId } from '../../../core/stock/sorts.ts';

/** Something the shop keeps on its shelves, counted in its sort's unit. Money in minor units. */
export class StockItem extends Model<InferAttributes<StockItem>, InferCreationAttributes<StockItem>> {
  declare id: CreationOptional<number>;
  declare sort: SortId;
  declare name: string;
  declare facts: ItemFacts;
  declare place: CreationOptional<string>;
  declare supplier: CreationOptional<string>;
  /** as a scanner types it; null where it has none */
  declare code: CreationOptional<string | null>;
  declare least: CreationOptional<string>;
  declare usual: CreationOptional<string>;
  declare cost: CreationOptional<number | null>;
  declare price: CreationOptional<number | null>;
  /** its own rate of tax; null for the shop’s usual one of parts */
  declare tax: CreationOptional<string | null>;
  /** by the ledger, in the same transaction */
  declare onHand: CreationOptional<string>;
  declare retiredAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

/** How many of an item wait for a job. */
export class StockAside extends Model<InferAttributes<StockAside>, InferCreationAttributes<StockAside>> {
  declare id: CreationOptional<number>;
  declare itemId: number;
  declare jobId: number;
  declare quantity: string;
}

/** A row of the ledger: never changed, never taken away. */
export class StockMoveRow extends Model<
  InferAttributes<StockMoveRow>,
  InferCreationAttributes<StockMoveRow>
> {
  declare id: CreationOptional<number>;
  declare itemId: number;
  declare kind: MoveKind;
  declare quantity: string;
  /** how many were there after it */
  declare onHand: string;
  declare jobId: CreationOptional<number | null>;
  declare lineId: CreationOptional<number | null>;
  declare reason: CreationOptional<string>;
  /** null: the customer, by their yes over a link */
  declare madeBy: number | null;
  declare madeAt: Date;
}

const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true });
const number = (field: string) => ({ type: DataTypes.INTEGER.UNSIGNED, field });
const many = (digits: number, field: string) => ({ type: DataTypes.DECIMAL(digits, 2), field });
const words = (length: number, field: string) => ({
  type: DataTypes.STRING(length),
  field,
  defaultValue: '',
});

const itemColumns = () => ({
  id: id(),
  sort: { type: DataTypes.STRING(20) },
  name: { type: DataTypes.STRING(120) },
  facts: { type: DataTypes.JSON },
  place: words(60, 'place'),
  supplier: words(80, 'supplier'),
  code: { type: DataTypes.STRING(60), defaultValue: null },
  least: { ...many(8, 'least'), defaultValue: '0' },
  usual: { ...many(8, 'usual'), defaultValue: '0' },
  cost: { type: DataTypes.BIGINT.UNSIGNED, defaultValue: null },
  price: { type: DataTypes.BIGINT.UNSIGNED, defaultValue: null },
  tax: { type: DataTypes.STRING(20), defaultValue: null },
  onHand: { ...many(10, 'on_hand'), defaultValue: '0' },
  retiredAt: { type: DataTypes.DATE(3), field: 'retired_at', defaultValue: null },
  version: { type: DataTypes.INTEGER, defaultValue: 1 },
});

const moveColumns = () => ({
  id: id(),
  itemId: number('item_id'),
  kind: {
    type: DataTypes.ENUM('received', 'set-aside', 'released', 'used', 'broken', 'returned', 'counted'),
  },
  quantity: many(8, 'quantity'),
  onHand: many(10, 'on_hand'),
  jobId: { ...number('job_id'), defaultValue: null },
  lineId: { ...number('line_id'), defaultValue: null },
  reason: words(200, 'reason'),
  madeBy: number('made_by'),
  madeAt: { type: DataTypes.DATE(3), field: 'made_at' },
});

/** Binds a connection's own models to it. */
export function initStock(
  sequelize: Sequelize,
  own: {
    readonly StockItem: typeof StockItem;
    readonly StockAside: typeof StockAside;
    readonly StockMoveRow: typeof StockMoveRow;
  },
): void {
  own.StockItem.init(itemColumns(), { sequelize, modelName: 'StockItem', tableName: 'stock_items' });
  own.StockAside.init(
    { id: id(), itemId: number('item_id'), jobId: number('job_id'), quantity: many(8, 'quantity') },
    { sequelize, modelName: 'StockAside', tableName: 'stock_asides' },
  );
  own.StockMoveRow.init(moveColumns(), { sequelize, modelName: 'StockMoveRow', tableName: 'stock_moves' });
}
